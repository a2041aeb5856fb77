<script setup lang="ts">
import type { ZoneId } from '#core/skin'
import type { ZoneShape } from '~/skin-map/shapes'

/** The grade in every painted zone; where today has none, that of the last visit, paler. */
const props = defineProps<{
  shapes: readonly ZoneShape[]
  grades: ReadonlyMap<ZoneId, number>
  before: ReadonlyMap<ZoneId, number>
}>()
const shown = computed(() =>
  props.shapes.flatMap(({ zone, label: [x, y] }) => {
    const [now, then] = [props.grades.get(zone), props.before.get(zone)]
    return now || then ? [{ zone, x, y: y + 5, grade: now || then, isToday: Boolean(now) }] : []
  }),
)
</script>

<template>
  <g class="pointer-events-none">
    <text
      v-for="label in shown"
      :key="label.zone"
      :x="label.x"
      :y="label.y"
      text-anchor="middle"
      :font-size="label.isToday ? 15 : 13"
      :font-weight="label.isToday ? 700 : 400"
      :fill="label.isToday ? 'var(--ink)' : 'var(--ink-soft)'"
      paint-order="stroke"
      stroke="var(--raised)"
      stroke-width="3"
    >
      {{ label.grade }}
    </text>
  </g>
</template>
