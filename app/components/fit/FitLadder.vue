<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import type { Product } from '#core/catalog'
import { layoutLadder, leaveOnSteps, matchRungs } from '~/ladder/layout'
import { bandPath } from '~/ladder/match-band'
import { halfMinutes } from '~/support/time'

/** The card as written beside the ladder as fitted, both to one scale, and what became of every rung between them. */
const props = defineProps<{
  plan: FittedPlan
  products: readonly Product[]
  protocol: string
  startMs: number
  timeZone: string
}>()
const selected = defineModel<string | undefined>('selected')
const LEAST_HEIGHT = 556
const ROW_PX = 24
const WRITTEN_X = 24
const FITTED_X = 196
const WIDTH = 700
const BAND = { fromX: WRITTEN_X + 44, toX: FITTED_X - 66 }
const height = computed(() => Math.max(LEAST_HEIGHT, props.plan.steps.length * ROW_PX))
const pixelsPerSecond = computed(
  () => height.value / Math.max(1, props.plan.totalS, props.plan.writtenTotalS),
)
const scale = computed(() => ({ height: height.value, pixelsPerSecond: pixelsPerSecond.value }))
const fitted = computed(() => {
  const { steps, segments } = props.plan
  const leaveOn = leaveOnSteps(steps, props.products)
  return layoutLadder(steps, segments, leaveOn, { ...scale.value, rowHeight: ROW_PX })
})
const written = computed(() => {
  const { steps, segments } = props.plan.written
  return layoutLadder(steps, segments, new Set(), { ...scale.value, rowHeight: 1 })
})
const matches = computed(() =>
  matchRungs(props.plan, pixelsPerSecond.value).map((match) => ({
    ...match,
    path: bandPath(match, BAND),
    middleY: (match.from[0] + match.from[1]) / 2,
  })),
)
/** The numbers of the changes at each rung. */
const marks = computed(() => {
  const byStep = new Map<string, string[]>()
  for (const [at, { stepId }] of props.plan.changes.entries())
    byStep.set(stepId, [...(byStep.get(stepId) ?? []), String(at + 1)])
  return Object.fromEntries([...byStep].map(([stepId, numbers]) => [stepId, numbers.join('·')]))
})
const perhaps = computed(() => props.plan.open.flatMap(({ stepIds }) => stepIds))
</script>

<template>
  <div class="relative">
    <div class="flex justify-between text-sm text-soft mb-1">
      <span>As written, {{ halfMinutes(plan.writtenTotalS) }} min</span>
      <span>{{ protocol }}, fitted</span>
    </div>
    <LadderView
      :layout="fitted"
      :width="WIDTH"
      :rail-x="FITTED_X"
      :start-ms="startMs"
      :total-s="plan.totalS"
      :time-zone="timeZone"
      :marks="marks"
      :perhaps="perhaps"
      v-bind="selected ? { selectedStepId: selected } : {}"
      @select="selected = $event"
    />
    <svg
      class="absolute left-0 bottom-0 pointer-events-none"
      :width="FITTED_X"
      :height="height + 26"
      :viewBox="`0 -22 ${FITTED_X} ${height + 26}`"
      aria-hidden="true"
    >
      <g v-for="match in matches" :key="match.stepId">
        <path
          :d="match.path"
          :fill="match.changed ? 'var(--mind)' : 'none'"
          :fill-opacity="match.changed ? 0.16 : 0"
          :stroke="match.changed ? 'var(--mind)' : 'var(--line)'"
          :stroke-opacity="match.changed ? 1 : 0.75"
          stroke-width="1"
        />
        <text
          v-if="!match.to"
          :x="WRITTEN_X + 74"
          :y="match.middleY + 5"
          fill="var(--mind)"
          font-size="14"
          font-weight="700"
        >
          ✕
        </text>
      </g>
      <LadderRails :layout="written" :x="WRITTEN_X" :gap="28" :lane-width="12" quiet />
    </svg>
  </div>
</template>
