<script setup lang="ts">
import { PATH_WORDS, type Movement } from '#core/protocol'
import { MAP_SHOWN, MAP_WIDTH, viewOf } from '~/skin-map/shapes'
import { strokesOn, viewFor } from '~/skin-map/strokes'

const props = defineProps<{ movements: readonly Movement[]; chosen?: string | undefined }>()
const view = computed(() => {
  const one = props.movements.find((movement) => movement.id === props.chosen)
  return viewFor(one ? [one] : props.movements)
})
const shapes = computed(() => viewOf(view.value))
const strokes = computed(() => strokesOn(view.value, props.movements))
const number = (id: string) =>
  props.movements.findIndex((movement) => id === movement.id || id === `${movement.id}-other`) + 1
const isChosen = (id: string) =>
  props.chosen !== undefined && (id === props.chosen || id === `${props.chosen}-other`)
</script>

<template>
  <svg
    :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
    role="img"
    :aria-label="`Lines of the movements, ${shapes.name.toLowerCase()}: ${movements.map((one, at) => `${at + 1} ${PATH_WORDS[one.path]}`).join(', ')}`"
    class="block w-full max-h-[300px]"
  >
    <defs>
      <marker
        id="stroke-end"
        viewBox="0 0 10 10"
        refX="8"
        refY="5"
        markerWidth="5.5"
        markerHeight="5.5"
        orient="auto-start-reverse"
      >
        <path d="M0 0 L10 5 L0 10 z" fill="context-stroke" />
      </marker>
    </defs>
    <path :d="shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="1.6" />
    <path
      v-for="shape in shapes.zones"
      :key="shape.zone"
      :d="shape.path"
      fill="var(--skin)"
      fill-opacity="0.25"
      stroke="var(--line-soft)"
      stroke-width="0.8"
    />
    <FaceLines :lines="shapes.features" />
    <g v-for="stroke in strokes" :key="stroke.id">
      <path
        :d="stroke.d"
        fill="none"
        :stroke="isChosen(stroke.id) ? 'var(--now)' : 'var(--hands)'"
        :stroke-width="isChosen(stroke.id) ? 5 : 3"
        :stroke-dasharray="stroke.second ? '7 5' : undefined"
        :marker-end="stroke.arrow ? 'url(#stroke-end)' : undefined"
        stroke-linecap="round"
      />
      <g v-if="!stroke.second">
        <circle
          :cx="stroke.at[0]"
          :cy="stroke.at[1]"
          r="11"
          fill="var(--raised)"
          stroke="var(--hands)"
          stroke-width="1.5"
        />
        <text
          :x="stroke.at[0]"
          :y="stroke.at[1] + 4.5"
          text-anchor="middle"
          font-size="13"
          font-weight="700"
          fill="var(--ink)"
        >
          {{ number(stroke.id) }}
        </text>
      </g>
    </g>
  </svg>
</template>
