<script setup lang="ts">
import type { Stretch } from '#core/board'
import { clockTime, zoneOffsetMs } from '~/support/time'
import {
  columnsOf,
  hoursOf,
  mayMove,
  PX_PER_MINUTE,
  roomGaps,
  slotMinutes,
  spanOf,
  yOf,
  type By,
  type Day,
  type DayVisit,
  type Gap,
} from '~/support/today/board'

/** The day to scale: a column for each room or person, the ladders in miniature, the now-line, and what is free. */
const props = defineProps<{
  day: Day
  by: By
  nowMs: number
  chosenId: string | undefined
  nameOf: (visit: DayVisit) => string
}>()
const emit = defineEmits<{
  choose: [visit: DayVisit]
  open: [visit: DayVisit]
  move: [visit: DayVisit]
  book: [gap: Gap, columnId: string]
  moved: []
}>()
const columns = computed(() => columnsOf(props.day, props.by))
const offsetMs = computed(() => zoneOffsetMs(props.day.date, props.day.timeZone))
const span = computed((): Stretch => spanOf(props.day, offsetMs.value))
const hours = computed(() => hoursOf(span.value))
const height = computed(() => yOf(span.value.toMs, span.value))
const isToday = computed(() => props.day.date === props.day.today)
const nowY = computed(() => yOf(props.nowMs, span.value))
const showsNow = computed(() => isToday.value && nowY.value >= 0 && nowY.value <= height.value)
const time = (at: number | string | Date) => clockTime(at, props.day.timeZone)
const area = ref<HTMLElement>()
const scroll = ref<HTMLElement>()
const move = useBoardMove({
  day: () => props.day,
  by: () => props.by,
  span: () => span.value,
  columns: () => columns.value,
  area: () => area.value,
  moved: () => Promise.resolve(emit('moved')),
})
const { held, trouble, said, canUndo } = move
const heldHeight = computed(() => slotMinutes(held.value!.visit) * PX_PER_MINUTE)
const top = (at: string | Date) => yOf(new Date(at).getTime(), span.value)
const gapsIn = (index: number) =>
  props.by === 'room'
    ? roomGaps(props.day, columns.value[index]!, span.value, isToday.value ? props.nowMs : 0)
    : []
const LABEL_PX = 26
onMounted(() => {
  const [first] = props.day.visits
  const firstY = first ? top(first.startsAt) - 24 : 0
  scroll.value?.scrollTo({ top: Math.max(0, showsNow.value ? nowY.value - 120 : firstY) })
})
</script>

<template>
  <div class="relative flex flex-col min-h-0">
    <div
      class="grid pl-[3.6rem]"
      :style="{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))` }"
    >
      <h2 v-for="column in columns" :key="column.id" class="text-xl truncate pl-1 pb-1">
        {{ column.name }}
        <span class="font-sans text-sm text-soft">{{ column.beside }}</span>
      </h2>
    </div>
    <div
      ref="scroll"
      class="relative overflow-y-auto border-t border-line flex-1 min-h-0"
      tabindex="0"
    >
      <div class="relative" :style="{ height: `${height + LABEL_PX}px` }">
        <div
          v-for="hour in hours"
          :key="hour"
          class="absolute inset-x-0 border-t border-hair pointer-events-none"
          :style="{ top: `${yOf(hour, span)}px` }"
        >
          <span class="absolute left-0 top-0.5 text-sm text-soft tabular-nums">{{
            time(hour)
          }}</span>
        </div>
        <div
          ref="area"
          class="absolute left-[3.6rem] right-0 top-0 grid"
          :style="{
            height: `${height}px`,
            gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))`,
          }"
        >
          <section
            v-for="(column, index) in columns"
            :key="column.id"
            class="relative border-l border-hair"
            :class="held?.columnId === column.id && 'bg-raised'"
            :aria-label="by === 'room' ? `Room ${column.name}` : column.name"
          >
            <button
              v-for="gap in gapsIn(index)"
              :key="gap.fromMs"
              type="button"
              class="absolute inset-x-1 flex flex-col justify-start text-left pl-[3.6rem] pt-1 text-sm text-soft hover:bg-sunk leading-snug overflow-hidden"
              :style="{
                top: `${yOf(gap.fromMs, span)}px`,
                height: `${yOf(gap.toMs, span) - yOf(gap.fromMs, span)}px`,
              }"
              v-off="gap.cards.length === 0 && 'No card of the library fits into this gap.'"
              @click="emit('book', gap, column.id)"
            >
              <span>
                <span class="font-semibold">free</span> {{ time(gap.fromMs) }} to
                {{ time(gap.toMs) }}
              </span>
              <span v-if="gap.cards[0]" class="truncate">{{ gap.cards[0].name }} fits</span>
            </button>
            <BoardVisit
              v-for="visit in column.visits"
              :key="visit.id"
              :visit="visit"
              :name="nameOf(visit)"
              :time-zone="day.timeZone"
              :now-ms="nowMs"
              :chosen="visit.id === chosenId"
              :picked="held?.visit.id === visit.id"
              :may-move="mayMove(visit)"
              :style="{ top: `${top(visit.startsAt)}px` }"
              @choose="emit('choose', visit)"
              @open="emit('open', visit)"
              @move="emit('move', visit)"
              @pick="move.begin(visit)"
              @grab="move.grab(visit, $event)"
            />
            <div
              v-if="held?.columnId === column.id"
              class="absolute inset-x-1 border-2 border-now border-dashed pointer-events-none z-20 pl-2 font-semibold text-now"
              :style="{ top: `${yOf(held.atMs, span)}px`, height: `${heldHeight}px` }"
            >
              {{ time(held.atMs) }}
            </div>
          </section>
        </div>
        <div
          v-if="showsNow"
          class="absolute inset-x-0 border-t-[3px] border-now pointer-events-none z-20"
          :style="{ top: `${nowY}px` }"
        >
          <span class="absolute left-0 -top-6 bg-ground pr-1 text-now font-semibold tabular-nums">
            {{ time(nowMs) }}
          </span>
        </div>
      </div>
    </div>
    <!-- Over the board, so that nothing moves away under the hand. -->
    <div class="absolute inset-x-3 bottom-3 z-30">
      <p v-if="trouble" role="alert" class="px-4 py-2 bg-mind-ground border-l-4 border-mind">
        {{ trouble }}
        <button type="button" class="text-link ml-2" @click="trouble = ''">Understood</button>
      </p>
      <p v-else-if="held" role="status" class="px-4 py-2 bg-now-ground border-l-4 border-now">
        {{ nameOf(held.visit) }}: {{ time(held.atMs) }},
        {{ columns.find(({ id }) => id === held?.columnId)?.name }}
        <span class="text-soft">· arrows carry it, Enter puts it down, Escape leaves it</span>
      </p>
      <p v-else-if="said" role="status" class="px-4 py-2 bg-sunk border-l-4 border-line">
        {{ said }}
        <button v-if="canUndo" type="button" class="text-link ml-2" @click="move.undo">Undo</button>
      </p>
    </div>
  </div>
</template>
