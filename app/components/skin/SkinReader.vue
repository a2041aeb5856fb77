<script setup lang="ts">
import { Undo2 } from 'lucide-vue-next'
import {
  asLastTime,
  findingWords,
  READING_PRESETS,
  withPreset,
  type FindingKind,
  type MapView,
  type Reading,
  type ZoneId,
} from '#core/skin'
import { gradesOf, othersOn, painted } from '~/skin-map/reading'
import { VIEWS } from '~/skin-map/shapes'

const props = defineProps<{
  modelValue: Reading
  lastReading: { on: string; body: Reading } | null
  disabled: boolean
  probeSeed: number
  /** With gloves on: every target 64 px. */ gloves?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [reading: Reading] }>()

const TABS = {
  see: 'See and feel',
  lesions: 'Lesions',
  meters: 'Meters',
  indices: 'Indices',
} as const
/** What a touch of the map does on each tab. */
const MODES = { see: 'paint', lesions: 'pin', meters: 'choose', indices: 'paint' } as const
const VIEW_PICKS = VIEWS.map(({ view, short, name }) => ({ value: view, words: short, name }))
const USUAL_GRADE = 2
const tab = ref<keyof typeof TABS>('see')
const view = ref<MapView>('front')
const kind = ref<FindingKind>('congestion')
const grade = ref(USUAL_GRADE)
const under = ref(true)
const selected = ref<string>()
const meterZone = ref<ZoneId>('cheek-left')
const reading = computed(() => props.modelValue)
const { canUndo, change, undo, remove, pin } = useReading(
  () => props.modelValue,
  (next) => emit('update:modelValue', next),
)
const mode = computed(() => MODES[tab.value])
const words = computed(() => findingWords(kind.value))
const grades = computed(() => gradesOf(reading.value, kind.value))
const before = computed(() =>
  gradesOf(under.value ? props.lastReading?.body : undefined, kind.value),
)
const others = computed(() => othersOn(reading.value, kind.value))
const lesionCount = computed(() => reading.value.lesions.length)

function paint(zones: readonly ZoneId[]) {
  change(painted(reading.value, kind.value, zones, words.value.ungraded ? 1 : grade.value))
}
function touched(zone: ZoneId) {
  if (mode.value === 'choose') meterZone.value = zone
  else paint([zone])
}
function onPin(zone: ZoneId, x: number, y: number) {
  selected.value = pin(view.value, zone, x, y)
}
function choose(chosen: FindingKind) {
  kind.value = chosen
  if (findingWords(chosen).ungraded) grade.value = 1
  else if (grade.value < 1) grade.value = USUAL_GRADE
}
function openLesion(id: string) {
  selected.value = id
  tab.value = 'lesions'
}
</script>

<template>
  <div
    class="grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[372px_minmax(0,1fr)] gap-6"
    :class="gloves && 'gloves'"
  >
    <div class="sticky top-4 self-start">
      <div class="flex gap-1 mb-2">
        <RadioPicks
          class="view-picks flex-1"
          label="View of the map"
          :value="view"
          :options="VIEW_PICKS"
          @change="view = $event"
        />
        <button
          type="button"
          class="rung text-sm !px-3"
          :disabled="disabled"
          v-off="!canUndo && 'Nothing was changed here yet.'"
          @click="undo"
        >
          <Undo2 :size="16" />Undo
        </button>
      </div>
      <FaceMap
        :view="view"
        :grades="grades"
        :before="before"
        :others="others"
        :lesions="reading.lesions"
        :selected-lesion="selected"
        :painting="words.name.toLowerCase()"
        :mode="mode"
        :chosen="mode === 'choose' ? meterZone : undefined"
        :disabled="disabled"
        @paint="touched"
        @pin="onPin"
        @select-lesion="openLesion"
      />
      <PaintTools
        v-if="mode === 'paint'"
        v-model:grade="grade"
        v-model:under="under"
        :kind="kind"
        :last-on="lastReading?.on"
        :disabled="disabled"
        @paint="paint"
      />
    </div>
    <div class="min-w-0">
      <div class="flex flex-wrap items-center gap-1 border-b border-line pb-2 mb-2">
        <div class="flex flex-wrap gap-1" role="tablist" aria-label="What to read">
          <button
            v-for="(name, id) in TABS"
            :key="id"
            type="button"
            role="tab"
            class="pick !border-transparent"
            :class="tab === id && '!border-b-now !border-b-2 font-semibold'"
            :aria-selected="tab === id"
            @click="tab = id"
          >
            {{ name
            }}<span v-if="id === 'lesions' && lesionCount > 0" class="text-soft"
              >&nbsp;{{ lesionCount }}
            </span>
          </button>
        </div>
        <button
          type="button"
          class="rung text-sm ml-auto whitespace-nowrap"
          :disabled="disabled"
          v-off="reading.done && 'The skin was read today already.'"
          @click="change({ ...reading, done: true })"
        >
          {{ reading.done ? 'Read today' : 'Nothing to note' }}
        </button>
      </div>
      <div v-if="tab === 'see'" role="tabpanel">
        <div
          class="flex flex-wrap gap-1 pb-2 mb-1 border-b border-hair"
          role="group"
          aria-label="Often seen together"
        >
          <button
            v-if="lastReading"
            type="button"
            class="pick text-sm !px-2.5 !border-now font-semibold"
            :disabled="disabled"
            @click="change(asLastTime(reading, lastReading.body))"
          >
            As last time
          </button>
          <button
            v-for="preset in READING_PRESETS"
            :key="preset.id"
            type="button"
            class="pick text-sm !px-2.5"
            :disabled="disabled"
            @click="change(withPreset(reading, preset))"
          >
            + {{ preset.name }}
          </button>
        </div>
        <SeenPanel
          :reading="reading"
          :kind="kind"
          :disabled="disabled"
          @choose="choose"
          @remove="remove"
        />
      </div>
      <LesionPanel
        v-else-if="tab === 'lesions'"
        :reading="reading"
        :last="lastReading?.body ?? null"
        :selected="selected"
        :disabled="disabled"
        @select="selected = $event"
        @change="change"
      />
      <MeterPanel
        v-else-if="tab === 'meters'"
        v-model:zone="meterZone"
        :reading="reading"
        :last="lastReading"
        :disabled="disabled"
        :seed="probeSeed"
        @change="change"
      />
      <IndexPanel
        v-else
        :reading="reading"
        :last="lastReading"
        :disabled="disabled"
        @change="change"
      />
    </div>
  </div>
</template>

<style scoped>
.gloves :deep(.pick),
.gloves :deep(.rung) {
  min-height: 64px;
  min-width: 64px;
}
</style>
