<script setup lang="ts">
import type { Layer } from '#core/perform'
import { zonesInWords } from '#core/skin'
import { never } from '~/support/never'
import { minutesSeconds } from '~/support/time'

const props = defineProps<{
  layer: Layer
  title: string
  expect: string
  nowMs: number
  /** Its time already stands large above. */
  shownBig?: boolean
}>()
const left = computed(() => (props.layer.dueMs - props.nowMs) / 1000)
const over = computed(() => (props.nowMs - props.layer.latestMs) / 1000)
const level = computed(() => {
  if (over.value >= 0) return 'past'
  return left.value <= 0 ? 'due' : 'on'
})
const words = computed(() => {
  switch (level.value) {
    case 'past':
      return `Take it off now: ${minutesSeconds(over.value)} past its maximum`
    case 'due':
      return `Ready to come off; at most ${minutesSeconds(-over.value)} more`
    case 'on':
      return props.expect
    default:
      return never(level.value)
  }
})
const share = computed(() =>
  Math.min(
    1,
    (props.nowMs - props.layer.sinceMs) / Math.max(1, props.layer.latestMs - props.layer.sinceMs),
  ),
)
const dueShare = computed(
  () =>
    (props.layer.dueMs - props.layer.sinceMs) /
    Math.max(1, props.layer.latestMs - props.layer.sinceMs),
)
</script>

<template>
  <div
    class="grid grid-cols-[1fr_auto] gap-x-6 items-center py-2.5 border-t border-hair"
    :class="level === 'past' && 'bg-mind-ground border-l-4 border-l-mind pl-3'"
  >
    <div class="min-w-0">
      <p class="text-lg truncate">
        <span class="font-semibold">{{ title }}</span>{{ ' '
        }}<span class="text-soft">{{ zonesInWords(layer.zones) }}</span>
      </p>
      <p class="text-sm" :class="level === 'on' ? 'text-soft' : 'text-mind font-semibold'">{{
        words
      }}</p>
      <div class="relative h-1.5 mt-1.5 bg-sunk" aria-hidden="true">
        <div
          class="absolute inset-y-0 left-0"
          :class="level === 'past' ? 'bg-mind' : 'bg-now'"
          :style="{ width: `${share * 100}%` }"
        />
        <div class="absolute -inset-y-0.5 w-0.5 bg-ink" :style="{ left: `${dueShare * 100}%` }" />
      </div>
    </div>
    <p
      v-if="!shownBig"
      class="display text-5xl tabular-nums"
      role="timer"
      :aria-label="`${title}: time left`"
      :class="level !== 'on' && 'text-mind'"
    >
      {{ level === 'on' ? minutesSeconds(left) : `+${minutesSeconds(-left)}` }}
    </p>
  </div>
</template>
