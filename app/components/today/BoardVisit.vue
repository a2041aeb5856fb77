<script setup lang="ts">
import { CalendarClock } from 'lucide-vue-next'
import { clockTime } from '~/support/time'
import { PX_PER_MINUTE, slotMinutes, standsAt, type DayVisit } from '~/support/today/board'

/** One visit on the board. Its ladder is the handle it is dragged by; M picks it up for the keys. */
const props = defineProps<{
  visit: DayVisit
  name: string
  timeZone: string
  nowMs: number
  chosen: boolean
  picked: boolean
  mayMove: boolean
}>()
const emit = defineEmits<{
  choose: []
  open: []
  move: []
  pick: []
  grab: [event: PointerEvent]
}>()
const minutes = computed(() => slotMinutes(props.visit))
const height = computed(() => minutes.value * PX_PER_MINUTE)
const turnover = computed(() => {
  const { endsAt: startsAt, roomUntil: endsAt } = props.visit
  return slotMinutes({ startsAt, endsAt }) * PX_PER_MINUTE
})
/** Below its words: a shorter visit is moved from beside the board. */
const ROOM_FOR_BUTTON = 90
const stands = computed(() => standsAt(props.visit, props.nowMs))
const warning = computed(() => (props.mayMove ? props.visit.verdict?.problems[0] : undefined))
const time = computed(() => clockTime(props.visit.startsAt, props.timeZone))
const inUse = computed(() => Math.round(props.visit.thumb.totalS / 60))
function onKey(event: KeyboardEvent) {
  if (event.key.toLowerCase() !== 'm' || !props.mayMove) return
  event.preventDefault()
  emit('pick')
}
</script>

<template>
  <article
    class="absolute inset-x-0 flex border-l-4 border-transparent"
    :class="[chosen && 'bg-now-ground !border-now z-10', picked && 'opacity-40']"
    :style="{ height: `${height + turnover}px` }"
  >
    <div
      class="shrink-0 pt-px pl-1"
      :class="mayMove && 'cursor-grab touch-none'"
      @pointerdown="mayMove && emit('grab', $event)"
    >
      <BoardThumb
        :thumb="visit.thumb"
        :px-per-second="PX_PER_MINUTE / 60"
        :height="height"
        :turnover="turnover"
      />
    </div>
    <button
      type="button"
      class="flex-1 min-w-0 text-left pl-3 pr-1 pt-0.5 flex flex-col justify-start leading-snug overflow-hidden"
      :style="{ height: `${height}px` }"
      :aria-pressed="chosen"
      :aria-label="`${time} ${name}, ${visit.protocol}`"
      @click="emit('choose')"
      @dblclick="emit('open')"
      @keydown="onKey"
    >
      <span class="flex gap-2 items-baseline">
        <span class="tabular-nums text-sm text-soft">{{ time }}</span>
        <span class="font-semibold truncate">{{ name }}</span>
        <span
          v-if="stands"
          class="ml-auto text-sm whitespace-nowrap"
          :class="visit.stage === 'performing' ? 'text-now font-semibold' : 'text-soft'"
        >
          {{ stands }}
        </span>
      </span>
      <span class="block text-sm text-soft truncate">
        {{ visit.protocol }}, {{ inUse }} of {{ minutes }}
      </span>
      <span v-if="warning" class="block text-sm text-mind font-semibold truncate">{{
        warning
      }}</span>
    </button>
    <button
      v-if="mayMove && height >= ROOM_FOR_BUTTON"
      type="button"
      class="absolute right-0 w-11 h-11 grid place-items-center hover:bg-sunk text-soft"
      :style="{ bottom: `${turnover}px` }"
      :aria-label="`Move or call off: ${name}`"
      @click="emit('move')"
    >
      <CalendarClock :size="19" />
    </button>
  </article>
</template>
