<script setup lang="ts">
import { levelOf, mayWait, type Layer } from '#core/perform'
import { zonesInWords } from '#core/skin'
import { levelWords } from '~/ladder/perform-words'
import { minutesSeconds } from '~/support/time'

const props = defineProps<{
  layer: Layer
  title: string
  expect: string
  nowMs: number
  /** Its time already stands large above. */
  shownBig?: boolean
  /** By what it is told that it is ready. */
  sign?: string | undefined
}>()
const emit = defineEmits<{ notYet: [] }>()
const isAsked = computed(() => props.sign !== undefined && mayWait(props.layer, props.nowMs))
const left = computed(() => (props.layer.dueMs - props.nowMs) / 1000)
const level = computed(() => levelOf(props.layer, props.nowMs))
const isOver = computed(() => level.value === 'past' || level.value === 'most')
const words = computed(() => levelWords(props.layer, props.nowMs) ?? props.expect)
const tone = computed(() => {
  if (isOver.value) return 'text-mind'
  return level.value === 'on' ? undefined : 'text-now'
})
const span = computed(() => Math.max(1, props.layer.latestMs - props.layer.sinceMs))
const share = computed(() => Math.min(1, (props.nowMs - props.layer.sinceMs) / span.value))
const dueShare = computed(() => (props.layer.dueMs - props.layer.sinceMs) / span.value)
</script>

<template>
  <div
    class="grid grid-cols-[1fr_auto] gap-x-6 items-center py-2.5 border-t border-hair"
    :class="level === 'most' && 'bg-mind-ground border-l-4 border-l-mind pl-3'"
  >
    <div class="min-w-0">
      <p class="text-lg truncate">
        <span class="font-semibold">{{ title }}</span>{{ ' '
        }}<span class="text-soft">{{ zonesInWords(layer.zones) }}</span>
      </p>
      <p class="text-sm" :class="tone ? [tone, 'font-semibold'] : 'text-soft'">{{ words }}</p>
      <button
        v-if="isAsked"
        type="button"
        class="rung !min-h-[64px] text-lg mt-1.5"
        @click="emit('notYet')"
      >
        Not yet {{ sign }}: <span class="text-soft">+1 min</span>
      </button>
      <div class="relative h-1.5 mt-1.5 bg-sunk" aria-hidden="true">
        <div
          class="absolute inset-y-0 left-0"
          :class="isOver ? 'bg-mind' : 'bg-now'"
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
      :class="tone"
    >
      {{ left > 0 ? minutesSeconds(left) : `+${minutesSeconds(-left)}` }}
    </p>
  </div>
</template>
