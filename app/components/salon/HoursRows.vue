<script setup lang="ts">
import type { Opening } from '#core/salon/model'
import { textOf } from '~/support/typed'

/** When the salon is open, a line a weekday; a second span of a day is for a break between. */
const props = defineProps<{ hours: readonly Opening[] }>()
const emit = defineEmits<{ change: [hours: Opening[]] }>()
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const USUAL = { opens: '09:00', closes: '18:00' }
const MOST_SPANS = 3

const spansOf = (weekday: number) => props.hours.filter((span) => span.weekday === weekday)
const withDay = (weekday: number, spans: readonly Opening[]) =>
  emit(
    'change',
    [...props.hours.filter((span) => span.weekday !== weekday), ...spans].sort(
      (a, b) => a.weekday - b.weekday || a.opens.localeCompare(b.opens),
    ),
  )
const flip = (weekday: number, isOpen: boolean) =>
  withDay(weekday, isOpen ? [{ weekday, ...USUAL }] : [])
function change(weekday: number, at: number, key: 'opens' | 'closes', event: Event) {
  const time = textOf(event)
  if (!time) return
  withDay(
    weekday,
    spansOf(weekday).map((span, index) => (index === at ? { ...span, [key]: time } : span)),
  )
}
function addBreak(weekday: number) {
  const last = spansOf(weekday).at(-1)!
  withDay(weekday, [...spansOf(weekday), { weekday, opens: last.closes, closes: '23:00' }])
}
const dropLast = (weekday: number) => withDay(weekday, spansOf(weekday).slice(0, -1))
</script>

<template>
  <ul>
    <li
      v-for="(day, index) in WEEKDAYS"
      :key="day"
      class="flex items-center gap-3 min-h-[44px] border-b border-hair flex-wrap"
    >
      <FieldTick
        class="w-36"
        :checked="spansOf(index + 1).length > 0"
        @change="flip(index + 1, $event)"
      >
        {{ day }}
      </FieldTick>
      <span v-if="spansOf(index + 1).length === 0" class="text-soft">closed</span>
      <span v-for="(span, at) in spansOf(index + 1)" :key="at" class="flex items-center gap-1.5">
        <input
          class="field !px-2"
          type="time"
          step="300"
          :aria-label="`${day}, opens`"
          :value="span.opens"
          @change="change(index + 1, at, 'opens', $event)"
        />
        to
        <input
          class="field !px-2"
          type="time"
          step="300"
          :aria-label="`${day}, closes`"
          :value="span.closes"
          @change="change(index + 1, at, 'closes', $event)"
        />
      </span>
      <button
        v-if="spansOf(index + 1).length > 0 && spansOf(index + 1).length < MOST_SPANS"
        type="button"
        class="text-link text-sm min-h-[44px]"
        :aria-label="`A break on ${day}`"
        @click="addBreak(index + 1)"
      >
        and again
      </button>
      <button
        v-if="spansOf(index + 1).length > 1"
        type="button"
        class="text-link text-sm min-h-[44px]"
        :aria-label="`No break on ${day}`"
        @click="dropLast(index + 1)"
      >
        not again
      </button>
    </li>
  </ul>
</template>
