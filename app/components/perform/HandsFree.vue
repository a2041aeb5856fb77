<script setup lang="ts">
import { levelOf, type Layer } from '#core/perform'
import { hintsFor, levelWords } from '~/ladder/perform-words'
import { minutesSeconds } from '~/support/time'

const props = defineProps<{ layer: Layer }>()
const { plan, live, now, titleOf } = useRunning()
const level = computed(() => levelOf(props.layer, now.value))
const isOver = computed(() => level.value === 'past' || level.value === 'most')
const hints = computed(() => (plan.value && live.value ? hintsFor(plan.value, live.value) : []))
const freeFor = computed(() => {
  const untilMs = live.value?.freeUntilMs
  return untilMs && untilMs > now.value ? `, ${minutesSeconds((untilMs - now.value) / 1000)}` : ''
})
const words = computed(() => levelWords(props.layer, now.value) ?? `Hands free${freeFor.value}`)
</script>

<template>
  <p class="text-xl font-semibold" :class="isOver ? 'text-mind' : 'text-now'">
    {{ isOver ? '⊘ ' : '' }}{{ words }}
  </p>
  <h1 class="text-4xl max-sm:text-2xl mt-0.5">{{ titleOf(layer.stepId) }}</h1>
  <BigClock
    :left-s="(layer.dueMs - now) / 1000"
    :over-class="isOver ? 'text-mind' : 'text-now'"
    :class="level === 'ready' && 'text-now'"
  />
  <NextLine />
  <p v-if="hints.length > 0 && level === 'on'" class="text-lg">
    Meanwhile lay out: {{ hints.join(' · ') }}
  </p>
</template>
