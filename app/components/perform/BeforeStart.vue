<script setup lang="ts">
import { minutesSeconds } from '~/support/time'

const { store, plan, live, titleOf } = useRunning()
const { way } = useSoundWay()
/** Asked once; whoever has answered finds it under More. */
const isAsked = way.value === undefined
</script>

<template>
  <PlanFaults :faults="store.run?.faults ?? []" stage="open" class="mt-4" />
  <h1 class="font-sans text-xl text-soft mt-6">
    First: {{ titleOf(live?.next?.segment.stepId ?? '') }}
  </h1>
  <p v-if="plan" class="display text-6xl mt-2">
    {{ minutesSeconds(plan.totalS) }}
  </p>
  <p class="text-lg text-soft mt-3">
    The clocks run from the start; nothing is lost if the screen sleeps or the network goes.
  </p>
  <SoundChoice v-if="isAsked" class="mt-8" />
</template>
