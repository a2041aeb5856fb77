<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { zoneName, type Lesion, type MapView, type ZoneId } from '#core/skin'
import { MAP_HEIGHT, MAP_SHOWN, MAP_WIDTH, neighbour, viewOf } from '~/skin-map/shapes'

const props = defineProps<{
  view: MapView
  /** Grade per zone of what is being painted now. */
  grades: ReadonlyMap<ZoneId, number>
  /** The same of the last visit, laid under. */
  before: ReadonlyMap<ZoneId, number>
  /** What else is known of a zone, in words. */
  others: ReadonlyMap<ZoneId, readonly string[]>
  lesions: readonly Lesion[]
  selectedLesion?: string | undefined
  painting: string
  mode: 'paint' | 'pin' | 'choose'
  /** Ringed: the zone a meter value is for. */
  chosen?: ZoneId | undefined
  disabled: boolean
}>()
const emit = defineEmits<{
  paint: [zone: ZoneId]
  pin: [zone: ZoneId, x: number, y: number]
  selectLesion: [id: string]
}>()

const shapes = computed(() => viewOf(props.view))
const focused = ref<ZoneId>()
const roving = computed(() =>
  shapes.value.zones.some((shape) => shape.zone === focused.value)
    ? focused.value
    : shapes.value.zones[0]!.zone,
)
const svg = ref<SVGSVGElement>()
const pins = computed(() => props.lesions.filter((lesion) => lesion.view === props.view))
let pressed = false

function words(zone: ZoneId): string {
  const grade = props.grades.get(zone)
  return [
    zoneName(zone),
    grade ? `${props.painting} ${grade}` : '',
    ...(props.others.get(zone) ?? []),
  ]
    .filter(Boolean)
    .join(', ')
}
function touch(zone: ZoneId, event: PointerEvent) {
  if (props.disabled) return
  if (props.mode === 'pin') return pinAt(zone, event)
  pressed = props.mode === 'paint'
  emit('paint', zone)
}
const over = (zone: ZoneId) => {
  if (pressed && !props.disabled) emit('paint', zone)
}
function pinAt(zone: ZoneId, event: PointerEvent) {
  const box = svg.value!.getBoundingClientRect()
  emit(
    'pin',
    zone,
    (event.clientX - box.left) / box.width,
    (MAP_SHOWN.top + ((event.clientY - box.top) / box.height) * MAP_SHOWN.height) / MAP_HEIGHT,
  )
}
function keyed(zone: ZoneId, label: readonly [number, number], event: KeyboardEvent) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    if (props.disabled) return
    if (props.mode === 'pin') emit('pin', zone, label[0] / MAP_WIDTH, label[1] / MAP_HEIGHT)
    else emit('paint', zone)
  } else if (event.key.startsWith('Arrow')) {
    event.preventDefault()
    const next = neighbour(shapes.value.zones, zone, event.key as 'ArrowUp')
    if (!next) return
    focused.value = next
    void nextTick(() => svg.value?.querySelector<SVGElement>(`[data-zone="${next}"]`)?.focus())
  }
}
useEventListener('pointerup', () => {
  pressed = false
})
const MODE_WORDS = { pin: 'pins', paint: 'paints', choose: 'chooses' } as const
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
    role="group"
    :aria-label="`Map, ${shapes.name}: arrow keys move, Enter ${MODE_WORDS[mode]}`"
    class="block mx-auto w-auto max-w-full h-[min(405px,46vh)] select-none touch-none"
    :class="mode === 'pin' && !disabled ? 'cursor-crosshair' : ''"
  >
    <defs>
      <pattern
        id="last-visit"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--skin-edge)" stroke-width="1.6" />
      </pattern>
    </defs>
    <path :d="shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="1.6" />
    <g v-for="shape in shapes.zones" :key="shape.zone">
      <path :d="shape.path" fill="var(--skin)" fill-opacity="0.28" stroke="none" />
      <path v-if="before.get(shape.zone)" :d="shape.path" fill="url(#last-visit)" stroke="none" />
      <path
        v-if="grades.get(shape.zone)"
        :d="shape.path"
        fill="var(--mind)"
        :fill-opacity="0.16 + 0.15 * grades.get(shape.zone)!"
        stroke="none"
      />
      <path
        :d="shape.path"
        :data-zone="shape.zone"
        class="zone"
        fill="transparent"
        :stroke="others.has(shape.zone) ? 'var(--ink-soft)' : 'var(--line)'"
        :stroke-width="others.has(shape.zone) ? 1.6 : 0.9"
        stroke-linejoin="round"
        role="button"
        :tabindex="shape.zone === roving ? 0 : -1"
        :aria-label="words(shape.zone)"
        :aria-pressed="grades.has(shape.zone)"
        :aria-disabled="disabled"
        @pointerdown="touch(shape.zone, $event)"
        @pointerenter="over(shape.zone)"
        @focus="focused = shape.zone"
        @keydown="keyed(shape.zone, shape.label, $event)"
      >
        <title>{{ words(shape.zone) }}</title>
      </path>
    </g>
    <path
      v-for="shape in shapes.zones.filter((one) => one.zone === chosen)"
      :key="`c${shape.zone}`"
      :d="shape.path"
      fill="none"
      stroke="var(--now)"
      stroke-width="3.5"
      class="pointer-events-none"
    />
    <FaceLines :lines="shapes.features" />
    <ZoneGrades :shapes="shapes.zones" :grades="grades" :before="before" />
    <LesionPin
      v-for="lesion in pins"
      :key="lesion.id"
      :lesion="lesion"
      :is-selected="lesion.id === selectedLesion"
      @select="emit('selectLesion', lesion.id)"
    />
  </svg>
</template>

<style scoped>
.zone:focus {
  outline: none;
}
.zone:focus-visible {
  stroke: var(--now);
  stroke-width: 3;
}
.zone:hover {
  fill: color-mix(in oklab, var(--now) 14%, transparent);
}
</style>
