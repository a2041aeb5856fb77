<script setup lang="ts">
import { SIZES, type LongLayout } from '~/long-ladder/drawn'
import { monthOf } from '~/long-ladder/layout'

/** Rails, strips and bars of a long ladder to scale; what it says is said again by the labels and beside it. */
const props = defineProps<{ layout: LongLayout; chosen: string | undefined }>()
const RUNGS = [0, 1, 2, 3]
const HALF = 4.5
const TONES = { medicine: 'var(--now)', fact: 'var(--local-edge)', refused: 'var(--mind)' } as const
const monthWords = (on: string) => (on.slice(5, 7) === '01' ? on.slice(0, 4) : monthOf(on))
const shade = (grade: number) => 0.12 + 0.17 * grade
const end = computed(() => props.layout.labelsX - 14)
const NUMBER_FITS = 15
/** Words of a month would lie under those of today. */
const months = computed(() =>
  props.layout.months.filter(({ y }) => Math.abs(y - props.layout.todayY) > 16),
)
</script>

<template>
  <svg :width="layout.width" :height="layout.height" class="block" aria-hidden="true">
    <g v-for="month in months" :key="month.on" font-size="13" fill="var(--ink-soft)">
      <line :x1="46" :x2="54" :y1="month.y" :y2="month.y" stroke="var(--line)" />
      <text x="40" :y="month.y + 4" text-anchor="end">{{ monthWords(month.on) }}</text>
    </g>
    <rect
      v-for="fold in layout.folds"
      :key="fold.top"
      x="56"
      :y="fold.top + 1"
      :width="end - 56"
      :height="SIZES.folded - 2"
      fill="var(--sunk)"
    />
    <g v-for="rail in layout.rails" :key="rail.lever">
      <line
        v-for="rung in RUNGS"
        :key="rung"
        :x1="rail.x + rung * SIZES.rung"
        :x2="rail.x + rung * SIZES.rung"
        y1="0"
        :y2="layout.height - SIZES.touch"
        stroke="var(--line-soft)"
      />
    </g>
    <g v-for="{ sign, x, blocks } in layout.signs" :key="sign">
      <g v-for="block in blocks" :key="block.visitId">
        <rect
          :x="x"
          :y="block.y"
          :width="SIZES.strip"
          :height="block.height"
          :fill="block.grade === 0 ? 'none' : 'var(--mind)'"
          :fill-opacity="shade(block.grade)"
          :stroke="block.grade === 0 ? 'var(--line-soft)' : 'none'"
        />
        <text
          v-if="block.height >= NUMBER_FITS"
          :x="x + SIZES.strip / 2"
          :y="block.y + 15"
          text-anchor="middle"
          font-size="13"
          font-weight="600"
          :fill="block.grade >= 4 ? 'var(--on-strong)' : 'var(--ink)'"
        >
          {{ block.grade }}
        </text>
      </g>
    </g>
    <g
      v-for="label in layout.labels"
      :key="label.rung.id"
      :stroke="label.rung.id === chosen ? 'var(--now)' : 'var(--line)'"
      :stroke-width="label.rung.id === chosen ? 2.5 : 1"
      :stroke-dasharray="label.isAhead ? '2 4' : undefined"
      fill="none"
    >
      <path
        :d="`M56,${label.y}H${end - 16}L${end},${label.labelY}H${layout.labelsX + (label.rung.id === chosen ? 4 : -2)}`"
      />
    </g>
    <g v-for="rail in layout.rails" :key="`${rail.lever} used`">
      <path :d="rail.path" fill="none" stroke="var(--hands)" stroke-width="3" />
      <g v-for="marker in rail.markers" :key="marker.visitId">
        <rect
          :x="marker.x - HALF"
          :y="marker.y - HALF"
          :width="2 * HALF"
          :height="2 * HALF"
          :fill="marker.isHeld ? 'var(--ground)' : 'var(--hands)'"
          stroke="var(--hands)"
          stroke-width="2"
        />
        <path
          v-if="marker.wentDown"
          :d="`M${marker.x + 14},${marker.y - 17}v11m-4,-4l4,4l4,-4`"
          fill="none"
          stroke="var(--mind)"
          stroke-width="2"
        />
        <circle
          v-if="marker.stung"
          :cx="marker.x - 10"
          :cy="marker.y - 8"
          r="3.5"
          fill="var(--mind)"
        />
      </g>
    </g>
    <g v-for="span in layout.spans" :key="span.key">
      <rect
        v-if="span.tone !== 'refused'"
        :x="span.x"
        :y="span.y"
        width="7"
        :height="span.height"
        :fill="TONES[span.tone]"
      />
      <path
        v-else
        :d="`M${span.x - 1},${span.y - 4}l8,8m0,-8l-8,8`"
        :stroke="TONES.refused"
        stroke-width="2"
      />
    </g>
    <line
      x1="48"
      :x2="end"
      :y1="layout.todayY"
      :y2="layout.todayY"
      stroke="var(--now)"
      stroke-width="3"
    />
    <text x="4" :y="layout.todayY + 5" font-size="14" font-weight="700" fill="var(--now)">
      today
    </text>
  </svg>
</template>
