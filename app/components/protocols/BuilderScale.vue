<script setup lang="ts">
import type { Step } from '#core/protocol'
import type { LadderLayout } from '~/ladder/layout'

/** The ladder to scale, and a line from every rung to where it begins on it. */
const props = defineProps<{
  layout: LadderLayout
  rows: readonly Step[]
  picked: ReadonlySet<string>
  totalS: number
  rowPx: number
}>()
const RAIL_X = 52
const GAP = 44
const WIDTH = 158
const TICK_S = 300
const height = computed(() => Math.max(props.rows.length, 2) * props.rowPx)
const ticks = computed(() =>
  Array.from({ length: Math.floor(props.totalS / TICK_S) + 1 }, (_, at) => ({
    minutes: (at * TICK_S) / 60,
    y: at * TICK_S * props.layout.pixelsPerSecond,
  })),
)
const placed = computed(() => new Map(props.layout.rows.map((row) => [row.stepId, row])))
function leader(stepId: string, at: number): string {
  const row = placed.value.get(stepId)
  if (!row) return ''
  const middleY = at * props.rowPx + props.rowPx / 2
  return `M${RAIL_X + 8} ${row.anchorY + 0.5} H${RAIL_X + GAP + 24} L${WIDTH - 12} ${middleY} H${WIDTH}`
}
</script>

<template>
  <svg
    :width="WIDTH"
    :height="height + 30"
    :viewBox="`0 -24 ${WIDTH} ${height + 30}`"
    aria-hidden="true"
    class="shrink-0 overflow-visible"
  >
    <text :x="RAIL_X" y="-10" text-anchor="middle" font-size="13" fill="var(--ink-soft)">
      hands
    </text>
    <text :x="RAIL_X + GAP" y="-10" text-anchor="middle" font-size="13" fill="var(--ink-soft)">
      skin
    </text>
    <g v-for="tick in ticks" :key="tick.minutes">
      <line :x1="RAIL_X - 18" :x2="RAIL_X - 9" :y1="tick.y" :y2="tick.y" stroke="var(--line)" />
      <text
        v-if="tick.minutes % 10 === 0"
        :x="RAIL_X - 23"
        :y="tick.y + 4.5"
        text-anchor="end"
        font-size="13"
        fill="var(--ink-soft)"
      >
        {{ tick.minutes }}
      </text>
    </g>
    <path
      v-for="(step, at) in rows"
      :key="step.id"
      :d="leader(step.id, at)"
      fill="none"
      :stroke="picked.has(step.id) ? 'var(--now)' : 'var(--line-soft)'"
      :stroke-width="picked.has(step.id) ? 2 : 1.1"
    />
    <LadderRails :layout="layout" :x="RAIL_X" :gap="GAP" />
  </svg>
</template>
