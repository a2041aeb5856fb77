<script setup lang="ts">
import { MUSCLES, type MuscleId, type ZoneId, zonesInWords } from '#core/skin'
import { musclesOn, RING_SHAPES, viewsOf } from '~/skin-map/muscles'
import { MAP_SHOWN, MAP_WIDTH, viewOf } from '~/skin-map/shapes'

/** Muscles that a coat follows: from where each begins (a dot) to where it ends; the rings of eye and mouth stay free. */
const props = defineProps<{ muscles: readonly MuscleId[]; leftOut: readonly ZoneId[] }>()
const faces = computed(() =>
  viewsOf(props.muscles).map((view) => ({
    view,
    shapes: viewOf(view),
    lines: musclesOn(view, props.muscles),
  })),
)
const ways = computed(() =>
  MUSCLES.filter(({ id }) => props.muscles.includes(id)).map(
    ({ id, begins, ends }) => `${id}, from ${begins} to ${ends}`,
  ),
)
</script>

<template>
  <figure class="flex flex-col items-center">
    <div class="flex flex-col items-center gap-1">
      <svg
        v-for="face in faces"
        :key="face.view"
        role="img"
        :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
        :class="face.view === 'front' ? 'h-[min(230px,28vh)]' : 'h-[min(150px,18vh)]'"
        class="w-auto"
        :aria-label="`The muscles, ${face.view}: ${ways.join('; ')}`"
      >
        <defs>
          <marker
            :id="`muscle-end-${face.view}`"
            viewBox="0 0 10 10"
            refX="7"
            refY="5"
            markerWidth="3.4"
            markerHeight="3.4"
            orient="auto"
          >
            <path d="M0 0 L10 5 L0 10 z" fill="var(--hands)" />
          </marker>
          <marker
            :id="`muscle-start-${face.view}`"
            viewBox="0 0 10 10"
            refX="5"
            refY="5"
            markerWidth="2.2"
            markerHeight="2.2"
          >
            <circle cx="5" cy="5" r="5" fill="var(--hands)" />
          </marker>
        </defs>
        <path :d="face.shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="3" />
        <FaceLines :lines="face.shapes.features" :width="2.5" />
        <g v-if="face.view === 'front'" fill="none" stroke="var(--mind)" stroke-width="3.5">
          <ellipse
            v-for="([[x, y], rx, ry], at) in RING_SHAPES"
            :key="at"
            :cx="x"
            :cy="y"
            :rx="rx"
            :ry="ry"
            stroke-dasharray="9 8"
          />
        </g>
        <path
          v-for="line in face.lines"
          :key="line.key"
          :d="line.d"
          fill="none"
          stroke="var(--hands)"
          stroke-width="6.5"
          stroke-linecap="round"
          :marker-start="`url(#muscle-start-${face.view})`"
          :marker-end="`url(#muscle-end-${face.view})`"
        />
      </svg>
    </div>
    <figcaption class="text-sm text-soft text-center max-w-[15rem] leading-tight">
      From the dot along each muscle; the rings of eye and mouth stay free
      <span v-if="leftOut.length > 0" class="block text-mind">
        left out today: {{ zonesInWords(leftOut) }}
      </span>
    </figcaption>
  </figure>
</template>
