<script setup lang="ts">
import type { Block, LadderLayout } from '~/ladder/layout'

const props = withDefaults(
  defineProps<{
    layout: LadderLayout
    x: number
    gap?: number
    laneWidth?: number
    doneUntilY?: number
    quiet?: boolean
    /** Steps that a gate may still leave out: outlines only. */
    perhaps?: readonly string[] | undefined
  }>(),
  { gap: 54, laneWidth: 18, doneUntilY: -1 },
)
const skinX = computed(() => props.x + props.gap)
/** Where each lane beside the skin rail begins, in lane widths. */
const LANES = [0, 0.62, 1.28] as const
const laneX = (lane: number) => skinX.value + props.laneWidth * ((LANES[lane] ?? LANES[2]) - 0.5)
const laneW = (lane: number) => props.laneWidth * (lane === 0 ? 1 : 0.62)
const faded = (block: Block) => block.y + block.height <= props.doneUntilY
const isOpen = (block: Block) => props.perhaps?.includes(block.stepId) ?? false
const shown = (height: number) => Math.max(1.5, height - (height > 4 ? 1 : 0.4))
function handsOpacity(block: Block) {
  if (faded(block)) return 0.5
  return props.quiet ? 0.8 : 1
}
function skinOpacity(block: Block) {
  if (faded(block)) return 0.55
  return isOpen(block) ? 0.42 : 1
}
</script>

<template>
  <g>
    <line :x1="x" :x2="x" y1="0" :y2="layout.height" stroke="var(--line)" stroke-width="1.4" />
    <line
      :x1="skinX"
      :x2="skinX"
      y1="0"
      :y2="layout.height"
      stroke="var(--line)"
      stroke-width="1.4"
    />
    <g v-for="thread in layout.threads" :key="thread.stepId">
      <line
        :x1="skinX + laneWidth * 0.5 + 2.5 + thread.lane * 3"
        :x2="skinX + laneWidth * 0.5 + 2.5 + thread.lane * 3"
        :y1="thread.y"
        :y2="layout.height"
        stroke="var(--skin-edge)"
        stroke-width="1"
        stroke-dasharray="1 3"
      />
    </g>
    <rect
      v-for="block in layout.hands"
      :key="block.id"
      :x="x - 6.5"
      :y="block.y"
      width="13"
      :height="shown(block.height)"
      :fill="block.kind === 'prepare' ? 'var(--now)' : 'var(--hands)'"
      :fill-opacity="isOpen(block) ? 0.12 : 1"
      :stroke="isOpen(block) ? 'var(--hands)' : 'none'"
      stroke-dasharray="3 2"
      :opacity="handsOpacity(block)"
    />
    <g v-for="block in layout.skin" :key="block.id" :opacity="skinOpacity(block)">
      <rect
        v-if="block.kind === 'dwell'"
        :x="laneX(block.lane)"
        :y="block.y"
        :width="laneW(block.lane)"
        :height="shown(block.height)"
        :fill="block.lane === 0 ? 'var(--skin)' : 'var(--local)'"
        :stroke="block.lane === 0 ? 'var(--skin-edge)' : 'var(--local-edge)'"
        stroke-width="1.2"
      />
      <rect
        v-else-if="block.kind === 'settle'"
        :x="laneX(block.lane) + laneW(block.lane) / 2 - 1.5"
        :y="block.y"
        width="3"
        :height="shown(block.height)"
        fill="var(--skin-edge)"
      />
      <rect
        v-else-if="block.kind === 'apply'"
        :x="laneX(block.lane)"
        :y="block.y"
        :width="laneW(block.lane)"
        :height="shown(block.height)"
        :fill="block.lane === 0 ? 'var(--skin-edge)' : 'var(--local-edge)'"
        opacity="0.85"
      />
      <path
        v-else
        :d="`M${laneX(block.lane)} ${block.y} h${laneW(block.lane)} l${-laneW(block.lane) / 2} ${shown(block.height)} z`"
        :fill="block.lane === 0 ? 'var(--skin-edge)' : 'var(--local-edge)'"
      />
    </g>
  </g>
</template>
