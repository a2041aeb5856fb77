<script setup lang="ts">
import type { strokeNow } from '#core/perform'
import { movementWords } from '~/ladder/perform-words'
import { MAP_SHOWN, MAP_WIDTH, viewOf } from '~/skin-map/shapes'
import { strokesOn, viewFor } from '~/skin-map/strokes'

/** The movement in hand as a line on the face, with a point that travels at its tempo. Reduced motion shows the line alone. */
const props = defineProps<{ now: NonNullable<ReturnType<typeof strokeNow>>; of: number }>()
const part = computed(() => props.now.part)
const view = computed(() => viewFor([part.value.movement]))
const shapes = computed(() => viewOf(view.value))
const lines = computed(() => {
  const all = strokesOn(view.value, [part.value.movement])
  if (part.value.side === 'both') return all
  return all.filter(({ second }) => second === (part.value.side === 'second'))
})
/** The beat runs from where the stroke is when it is drawn first, and by itself from there: nothing wakes for it. */
const beat = ref({})
watch(
  [() => part.value.fromS, () => part.value.strokeS],
  () => {
    const { strokeS } = part.value
    beat.value = {
      animationDuration: `${strokeS}s`,
      animationDelay: `-${(props.now.phase * strokeS).toFixed(2)}s`,
    }
  },
  { immediate: true },
)
</script>

<template>
  <figure class="flex flex-col items-center">
    <svg
      v-if="lines.length > 0"
      role="img"
      :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
      class="h-[min(250px,31vh)] w-auto"
      :aria-label="`The movement on the face: ${movementWords(part)}`"
    >
      <defs>
        <marker
          id="play-end"
          viewBox="0 0 10 10"
          refX="8"
          refY="5"
          markerWidth="4"
          markerHeight="4"
          orient="auto-start-reverse"
        >
          <path d="M0 0 L10 5 L0 10 z" fill="context-stroke" />
        </marker>
      </defs>
      <path :d="shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="3" />
      <FaceLines :lines="shapes.features" :width="2.5" />
      <g v-for="line in lines" :key="`${line.id}-${part.side}-${part.fromS}`">
        <path
          :d="line.d"
          fill="none"
          stroke="var(--hands)"
          stroke-width="7"
          stroke-linecap="round"
          :class="!line.arrow && 'press'"
          :style="line.arrow ? {} : beat"
          :marker-end="line.arrow ? 'url(#play-end)' : undefined"
        />
        <circle
          v-if="line.travels"
          r="13"
          fill="var(--now)"
          class="travel"
          :style="{ offsetPath: `path('${line.d}')`, ...beat }"
        />
      </g>
    </svg>
    <figcaption class="text-base text-soft text-center max-w-[15rem] leading-tight">
      {{ part.at + 1 }} of {{ of }} movements
      <span v-if="lines.length === 0" class="block">{{ movementWords(part) }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.travel {
  offset-rotate: 0deg;
  animation: travel linear infinite;
}
.press {
  animation: press ease-in-out infinite;
}
@keyframes travel {
  from {
    offset-distance: 0%;
  }
  85% {
    offset-distance: 100%;
    opacity: 1;
  }
  to {
    offset-distance: 100%;
    opacity: 0;
  }
}
@keyframes press {
  50% {
    stroke-width: 16;
  }
}
@media (prefers-reduced-motion: reduce) {
  .travel {
    display: none;
  }
  .press {
    animation: none;
  }
}
</style>
