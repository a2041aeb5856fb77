<script setup lang="ts">
import { clockTime, halfMinutes } from '~/support/time'
import { clockMarks, type LadderLayout, type Row } from '~/ladder/layout'

const props = withDefaults(
  defineProps<{
    layout: LadderLayout
    width: number
    startMs: number
    totalS: number
    timeZone: string
    /** x of the hands rail; what stands left of it is the caller's. */
    railX?: number
    marks?: Readonly<Record<string, string>>
    /** Seconds from the start of the live line, in Perform. */
    nowS?: number
    currentStepIds?: readonly string[]
    selectedStepId?: string
    /** Steps that a gate may still leave out. */
    perhaps?: readonly string[] | undefined
  }>(),
  { railX: 62 },
)
defineEmits<{ select: [stepId: string] }>()

const GAP = 50
const ROWS_FROM = 74
const labelX = computed(() => props.railX + GAP + ROWS_FROM)
const nowY = computed(() =>
  props.nowS === undefined ? undefined : props.nowS * props.layout.pixelsPerSecond,
)
const ticks = computed(() =>
  clockMarks(props.startMs, props.totalS, props.layout.pixelsPerSecond, 5),
)
const rowMiddle = (row: Row) => row.y + rowHeight.value / 2
const rowHeight = computed(() => {
  const { rows } = props.layout
  return rows.slice(1).reduce((least, row, at) => Math.min(least, row.y - rows[at]!.y), 44)
})
const leader = (row: Row) =>
  `M${props.railX + 8} ${row.anchorY + 0.5} H${labelX.value - 44} L${labelX.value - 12} ${rowMiddle(row)} H${labelX.value - 6}`
const isNow = (row: Row) => props.currentStepIds?.includes(row.stepId)
const isDone = (row: Row) =>
  nowY.value !== undefined &&
  !isNow(row) &&
  row.anchorY + row.seconds * props.layout.pixelsPerSecond <= nowY.value
function inkOf(row: Row) {
  if (isNow(row)) return 'var(--now)'
  return isDone(row) ? 'var(--ink-soft)' : 'var(--ink)'
}
</script>

<template>
  <svg
    :width="width"
    :height="layout.height + 26"
    :viewBox="`0 -22 ${width} ${layout.height + 26}`"
    role="group"
    aria-label="Ladder: time runs down to scale, hands on the left rail, skin on the right"
    class="block overflow-visible"
  >
    <text :x="railX" y="-9" text-anchor="middle" font-size="13" fill="var(--ink-soft)">hands</text>
    <text :x="railX + GAP" y="-9" text-anchor="middle" font-size="13" fill="var(--ink-soft)">
      skin
    </text>
    <g v-for="tick in ticks" :key="tick.atMs">
      <line
        :x1="railX - (tick.major ? 20 : 14)"
        :x2="railX - 9"
        :y1="tick.y"
        :y2="tick.y"
        stroke="var(--line)"
      />
      <text
        v-if="tick.major"
        :x="railX - 24"
        :y="tick.y + 4.5"
        text-anchor="end"
        font-size="13"
        fill="var(--ink-soft)"
      >
        {{ clockTime(tick.atMs, timeZone) }}
      </text>
    </g>
    <path
      v-for="row in layout.rows"
      :key="row.stepId"
      :d="leader(row)"
      fill="none"
      :stroke="isNow(row) ? 'var(--now)' : 'var(--line-soft)'"
      :stroke-width="isNow(row) ? 2 : 1.1"
    />
    <LadderRails
      :layout="layout"
      :x="railX"
      :gap="GAP"
      :done-until-y="nowY ?? -1"
      :perhaps="perhaps"
    />
    <g
      v-for="row in layout.rows"
      :key="`r${row.stepId}`"
      class="row"
      tabindex="-1"
      @click="$emit('select', row.stepId)"
    >
      <rect
        v-if="selectedStepId === row.stepId"
        :x="labelX - 6"
        :y="row.y"
        :width="width - labelX + 6"
        :height="rowHeight"
        fill="var(--now-ground)"
      />
      <text
        :x="labelX"
        :y="rowMiddle(row) + 5.5"
        font-size="16"
        :font-weight="isNow(row) ? 700 : 440"
        :fill="inkOf(row)"
      >
        <tspan v-if="row.hung" fill="var(--ink-soft)">{{ '↳ ' }}</tspan>
        <tspan v-if="row.inserted" fill="var(--mind)" font-weight="700">{{ '+ ' }}</tspan>
        <tspan>{{ row.title }}</tspan>
        <tspan v-if="perhaps?.includes(row.stepId)" fill="var(--now)" font-size="14" dx="7">
          {{ 'perhaps' }}
        </tspan>
      </text>
      <g v-if="marks?.[row.stepId]">
        <rect
          :x="width - 92 - (marks[row.stepId]!.length > 2 ? 14 : 0)"
          :y="rowMiddle(row) - 10"
          :width="marks[row.stepId]!.length > 2 ? 40 : 24"
          height="20"
          fill="none"
          stroke="var(--mind)"
          stroke-width="1.4"
        />
        <text
          :x="width - 80 + (marks[row.stepId]!.length > 2 ? -6 : 0)"
          :y="rowMiddle(row) + 4.5"
          text-anchor="middle"
          font-size="12.5"
          font-weight="700"
          fill="var(--mind)"
        >
          {{ marks[row.stepId] }}
        </text>
      </g>
      <text
        :x="width"
        :y="rowMiddle(row) + 5.5"
        text-anchor="end"
        font-size="15"
        fill="var(--ink-soft)"
      >
        {{ `${halfMinutes(row.seconds)} min` }}
      </text>
    </g>
    <g v-if="nowY !== undefined">
      <line
        :x1="railX - 30"
        :x2="railX + GAP + 26"
        :y1="nowY"
        :y2="nowY"
        stroke="var(--now)"
        stroke-width="3"
      />
      <path :d="`M${railX - 40} ${nowY - 7} l12 7 l-12 7 z`" fill="var(--now)" />
    </g>
  </svg>
</template>
