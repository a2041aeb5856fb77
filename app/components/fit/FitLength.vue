<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { clockTime, halfMinutes } from '~/support/time'

/** How long the fitted visit is, against its slot, and when it is done; a range while a gate is open. */
const props = defineProps<{ plan: FittedPlan; startMs: number; timeZone: string }>()
const isRange = computed(() => props.plan.leastTotalS < props.plan.totalS)
const spareS = computed(() => props.plan.slotS - props.plan.totalS)
const clock = (seconds: number) => clockTime(props.startMs + seconds * 1000, props.timeZone)
const ranged = (words: (seconds: number) => string) => {
  const { leastTotalS, totalS } = props.plan
  return isRange.value ? `${words(leastTotalS)}–${words(totalS)}` : words(totalS)
}
const slotWords = computed(() => {
  const slot = `${halfMinutes(props.plan.slotS)}-minute slot`
  return spareS.value < 0 ? `${halfMinutes(-spareS.value)} min over the ${slot}` : `of a ${slot}`
})
</script>

<template>
  <div class="flex flex-wrap items-baseline gap-x-3 border-b border-line pb-2">
    <span class="display whitespace-nowrap" :class="isRange ? 'text-4xl' : 'text-5xl'">
      {{ ranged(halfMinutes) }}
    </span>
    <span class="text-lg">min</span>
    <span class="whitespace-nowrap" :class="spareS < 0 ? 'text-mind font-semibold' : 'text-soft'">
      {{ slotWords }}
    </span>
    <span class="ml-auto text-soft whitespace-nowrap">done {{ ranged(clock) }} </span>
  </div>
</template>
