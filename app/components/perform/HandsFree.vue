<script setup lang="ts">
import type { Layer } from '#core/perform'
import { hintsFor } from '~/ladder/perform-words'
import { minutesSeconds } from '~/support/time'

const props = defineProps<{ layer: Layer }>()
const { plan, live, now, titleOf } = useRunning()
const isDue = computed(() => now.value >= props.layer.dueMs)
const isPast = computed(() => now.value >= props.layer.latestMs)
const hints = computed(() => (plan.value && live.value ? hintsFor(plan.value, live.value) : []))
const freeFor = computed(() => {
  const untilMs = live.value?.freeUntilMs
  return untilMs && untilMs > now.value ? `, ${minutesSeconds((untilMs - now.value) / 1000)}` : ''
})
</script>

<template>
  <p v-if="isPast" class="text-xl text-mind font-semibold">⊘ Take it off now</p>
  <p v-else-if="isDue" class="text-xl text-now font-semibold">Ready to come off</p>
  <p v-else class="text-xl text-now font-semibold">Hands free{{ freeFor }}</p>
  <h1 class="text-4xl mt-0.5">{{ titleOf(layer.stepId) }}</h1>
  <BigClock :left-s="(layer.dueMs - now) / 1000" over-class="text-mind" />
  <NextLine />
  <p v-if="hints.length > 0 && !isDue" class="text-lg">
    Meanwhile lay out: {{ hints.join(' · ') }}
  </p>
</template>
