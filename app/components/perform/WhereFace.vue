<script setup lang="ts">
import { zonesInWords, type Lesion, type ZoneId } from '#core/skin'
import { MAP_HEIGHT, MAP_SHOWN, MAP_WIDTH, VIEWS } from '~/skin-map/shapes'

/** Where the hands are, on a small face; what the card has and today leaves out is hatched. */
const props = defineProps<{
  where: readonly ZoneId[]
  leftOut: readonly ZoneId[]
  /** The place of it that is worked on now. */
  inHand?: readonly ZoneId[] | undefined
  /** What is worked on and what is left alone, where the step is about them. */
  lesions?: readonly Lesion[]
  large?: boolean
}>()
const hatch = useId()
/** The view that shows the most of it, the front one of equals. */
const view = computed(() => {
  const shown = ({ zones }: (typeof VIEWS)[number]) =>
    zones.filter(({ zone }) => props.where.includes(zone)).length
  return VIEWS.reduce((best, other) => (shown(other) > shown(best) ? other : best))
})
/** Scalp, arms and hands are on no view: they are named alone. */
const isDrawn = computed(() =>
  view.value.zones.some(({ zone }) => props.where.includes(zone) || props.leftOut.includes(zone)),
)
function fillOf(zone: ZoneId): string {
  if (isOut(zone)) return `url(#${hatch})`
  if (props.inHand?.includes(zone)) return 'var(--now)'
  return isOn(zone) ? 'var(--hands)' : 'none'
}
const pins = computed(() => (props.lesions ?? []).filter((one) => one.view === view.value.view))
const isOn = (zone: ZoneId) => props.where.includes(zone)
const isOut = (zone: ZoneId) => props.leftOut.includes(zone)
const words = computed(() =>
  [
    zonesInWords(props.where),
    ...(props.leftOut.length > 0 ? [`left out today: ${zonesInWords(props.leftOut)}`] : []),
  ].join('; '),
)
</script>

<template>
  <figure class="flex flex-col items-center">
    <svg
      v-if="isDrawn"
      role="img"
      :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
      :class="large ? 'h-[min(290px,36vh)]' : 'h-[min(210px,26vh)]'"
      class="w-auto"
      :aria-label="`Where: ${words}`"
    >
      <defs>
        <pattern
          :id="hatch"
          width="11"
          height="11"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(35)"
        >
          <line x1="0" y1="0" x2="0" y2="11" stroke="var(--mind)" stroke-width="3" />
        </pattern>
      </defs>
      <path :d="view.outline" fill="none" stroke="var(--line)" stroke-width="3" />
      <path
        v-for="shape in view.zones"
        :key="shape.zone"
        :d="shape.path"
        :fill="fillOf(shape.zone)"
        :fill-opacity="isOn(shape.zone) ? 0.55 : 1"
      />
      <FaceLines :lines="view.features" :width="2.5" />
      <g
        v-for="lesion in pins"
        :key="lesion.id"
        :transform="`translate(${lesion.x * MAP_WIDTH} ${lesion.y * MAP_HEIGHT})`"
      >
        <LesionMark :lesion="lesion" />
      </g>
    </svg>
    <figcaption
      class="text-sm text-soft text-center max-w-[13rem] leading-tight"
      :aria-hidden="isDrawn"
    >
      {{ words }}
    </figcaption>
  </figure>
</template>
