<script setup lang="ts">
import type { DayVisit } from '~/support/today/board'

/** A visit's ladder in miniature, to the scale of the day: hands on the left rail, skin on the right, turnover hatched below. */
const props = defineProps<{
  thumb: DayVisit['thumb']
  pxPerSecond: number
  height: number
  turnover: number
}>()
const WIDTH = 46
const [HANDS_X, SKIN_X] = [4, 26]
const y = (seconds: number) => seconds * props.pxPerSecond
const bar = ({ fromS, toS }: { fromS: number; toS: number }) => ({
  y: y(fromS),
  height: Math.max(1, Math.min(y(toS), props.height) - y(fromS) - 0.8),
})
const within = ({ fromS }: { fromS: number }) => y(fromS) < props.height
const lines = computed(() => Array.from({ length: Math.floor(WIDTH / 6) }, (_, at) => 3 + at * 6))
</script>

<template>
  <svg :width="WIDTH" :height="height + turnover" class="block overflow-hidden" aria-hidden="true">
    <path
      :d="`M${HANDS_X + 6} 0V${height}M${SKIN_X + 7} 0V${height}`"
      stroke="var(--line)"
      stroke-width="1.2"
    />
    <rect
      v-for="(span, at) in thumb.hands.filter(within)"
      :key="`h${at}`"
      :x="HANDS_X"
      width="12"
      v-bind="bar(span)"
      :fill="thumb.isFitted ? 'var(--hands)' : 'var(--hands-soft)'"
    />
    <template v-for="(span, at) in thumb.skin.filter(within)" :key="`s${at}`">
      <rect
        v-if="span.dwells"
        :x="SKIN_X"
        width="14"
        v-bind="bar(span)"
        fill="var(--skin)"
        stroke="var(--skin-edge)"
      />
      <rect v-else :x="SKIN_X + 1" width="12" v-bind="bar(span)" fill="var(--skin-edge)" />
    </template>
    <path
      v-for="x in lines"
      :key="x"
      :d="`M${x} ${height + turnover - 1}L${x + Math.min(6, turnover)} ${height + 2}`"
      stroke="var(--line)"
      stroke-width="1"
    />
  </svg>
</template>
