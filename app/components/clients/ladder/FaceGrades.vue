<script setup lang="ts">
import { zoneName, type MapView, type ZoneId } from '#core/skin'
import { MAP_SHOWN, MAP_WIDTH, viewOf } from '~/skin-map/shapes'

/** Grades of one sign on the map, to be looked at. */
const props = defineProps<{
  view: MapView
  grades: ReadonlyMap<ZoneId, number>
  /** What the map shows, in words. */
  label: string
}>()
const shapes = computed(() => viewOf(props.view))
const inWords = computed(() => {
  const seen = [...props.grades].map(([zone, grade]) => `${zoneName(zone)} ${grade}`)
  return `${props.label}: ${seen.length === 0 ? 'not seen' : seen.join(', ')}`
})
const NONE: ReadonlyMap<ZoneId, number> = new Map()
const shade = (grade: number) => 0.16 + 0.15 * grade
</script>

<template>
  <svg
    :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
    role="img"
    :aria-label="inWords"
    class="block w-full h-[19rem]"
  >
    <path :d="shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="1.6" />
    <g v-for="shape in shapes.zones" :key="shape.zone">
      <path
        :d="shape.path"
        fill="var(--skin)"
        fill-opacity="0.28"
        stroke="var(--skin-edge)"
        stroke-opacity="0.5"
        stroke-width="0.8"
      />
      <path
        v-if="grades.get(shape.zone)"
        :d="shape.path"
        fill="var(--mind)"
        :fill-opacity="shade(grades.get(shape.zone)!)"
      />
    </g>
    <FaceLines :lines="shapes.features" />
    <ZoneGrades :shapes="shapes.zones" :grades="grades" :before="NONE" />
  </svg>
</template>
