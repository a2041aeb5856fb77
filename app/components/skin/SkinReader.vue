<script setup lang="ts">
import { Undo2 } from 'lucide-vue-next'
import {
  FINDING_PARTS,
  FINDINGS,
  findingWords,
  summarise,
  suggestDecision,
  ZONE_GROUPS,
  type FindingKind,
  type Lesion,
  type MapView,
  type Reading,
  type ZoneId,
} from '#core/skin'
import { VIEWS } from '~/skin-map/shapes'
import { findingsInWords, gradesOf, othersOn, painted } from '~/skin-map/reading'
import { shortDate } from '~/support/time'

const props = defineProps<{
  modelValue: Reading
  lastReading: { on: string; body: Reading } | null
  disabled: boolean
  probeSeed: number
}>()
const emit = defineEmits<{ 'update:modelValue': [reading: Reading] }>()

const TABS = [
  { id: 'see', name: 'See and feel' },
  { id: 'lesions', name: 'Lesions' },
  { id: 'meters', name: 'Meters' },
  { id: 'indices', name: 'Indices' },
] as const
const tab = ref<(typeof TABS)[number]['id']>('see')
const view = ref<MapView>('front')
const kind = ref<FindingKind>('congestion')
const grade = ref(2)
const under = ref(true)
const selected = ref<string>()
const past = ref<Reading[]>([])
const reading = computed(() => props.modelValue)
const words = computed(() => findingWords(kind.value))
const grades = computed(() => gradesOf(reading.value, kind.value))
const before = computed(() =>
  under.value ? gradesOf(props.lastReading?.body, kind.value) : new Map<ZoneId, number>(),
)
const others = computed(() => othersOn(reading.value, kind.value))
const listed = computed(() => findingsInWords(reading.value))
const summary = computed(() => summarise(reading.value))
const mode = computed(() =>
  tab.value === 'lesions'
    ? ('pin' as const)
    : tab.value === 'meters'
      ? ('choose' as const)
      : ('paint' as const),
)
const meterZone = ref<ZoneId>('cheek-left')
const GROUPS = ZONE_GROUPS.filter((group) =>
  ['face', 't-zone', 'cheeks', 'nose', 'forehead', 'eye-contour', 'neck'].includes(group.id),
)
const kindsOf = (part: (typeof FINDING_PARTS)[number]) =>
  FINDINGS.filter((one) => one.part === part)
const countOf = (one: FindingKind) =>
  reading.value.findings.filter((finding) => finding.kind === one).length

function change(next: Reading) {
  past.value = [...past.value.slice(-49), reading.value]
  emit('update:modelValue', next)
}
function undo() {
  const last = past.value.at(-1)
  if (!last) return
  past.value = past.value.slice(0, -1)
  emit('update:modelValue', last)
}
const touched = (zone: ZoneId) => {
  if (mode.value === 'choose') meterZone.value = zone
  else paint([zone])
}
const paint = (zones: readonly ZoneId[]) =>
  change(painted(reading.value, kind.value, zones, words.value.ungraded ? 1 : grade.value))
const remove = (one: FindingKind) =>
  change({
    ...reading.value,
    findings: reading.value.findings.filter((finding) => finding.kind !== one),
  })
function pin(zone: ZoneId, x: number, y: number) {
  const fresh = { type: 'closed-comedone' as const, painful: false, deep: false, head: true }
  const lesion: Lesion = {
    id: crypto.randomUUID(),
    view: view.value,
    x,
    y,
    zone,
    ...fresh,
    decision: suggestDecision(fresh).decision,
  }
  change({ ...reading.value, done: true, lesions: [...reading.value.lesions, lesion] })
  selected.value = lesion.id
}
const choose = (one: FindingKind) => {
  kind.value = one
  if (findingWords(one).ungraded) grade.value = 1
  else if (grade.value < 1) grade.value = 2
}
function openLesion(id: string) {
  selected.value = id
  tab.value = 'lesions'
}
</script>

<template>
  <div class="grid grid-cols-[372px_minmax(0,1fr)] gap-6">
    <div class="sticky top-4 self-start">
      <div class="flex gap-1 mb-2">
        <div class="flex gap-1 flex-1" role="radiogroup" aria-label="View of the map">
          <button
            v-for="one in VIEWS"
            :key="one.view"
            type="button"
            role="radio"
            class="pick text-sm flex-1 !px-1"
            :aria-checked="view === one.view"
            :aria-label="one.name"
            @click="view = one.view"
          >
            {{ one.short }}
          </button>
        </div>
        <button
          type="button"
          class="rung text-sm !px-3"
          :disabled="past.length === 0 || disabled"
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
        @pin="pin"
        @select-lesion="openLesion"
      />
      <template v-if="mode === 'paint'">
        <div class="border-t border-line pt-2 mt-1 flex items-center gap-3 min-h-[52px]">
          <p class="flex-1 leading-tight">
            <span class="font-semibold">
              {{ words.name }}
            </span>
            <span class="block text-sm text-soft">{{ words.look }}</span>
          </p>
          <div v-if="!words.ungraded" class="flex gap-1" role="radiogroup" aria-label="Grade">
            <button
              v-for="n in 4"
              :key="n"
              type="button"
              role="radio"
              class="pick pick-mind !px-0"
              :aria-checked="grade === n"
              @click="grade = n"
            >
              {{ n }}
            </button>
          </div>
        </div>
        <div class="flex flex-wrap gap-1 pt-2" role="group" aria-label="Paint a whole group">
          <button
            v-for="group in GROUPS"
            :key="group.id"
            type="button"
            class="pick text-sm !px-2"
            :disabled="disabled"
            @click="paint(group.zones)"
          >
            {{ group.name }}
          </button>
          <button
            type="button"
            class="pick text-sm !px-2"
            :disabled="disabled"
            @click="paint(words.usualZones)"
          >
            usual places
          </button>
          <button
            v-if="lastReading"
            type="button"
            class="pick text-sm !px-2 ml-auto"
            :aria-pressed="under"
            :aria-label="`Last visit under, ${shortDate(lastReading.on)}`"
            @click="under = !under"
          >
            {{ shortDate(lastReading.on).replace(/ \d{4}$/, '') }} under
          </button>
        </div>
      </template>
    </div>
    <div class="min-w-0">
      <div class="flex items-center gap-1 border-b border-line pb-2 mb-2">
        <div class="flex gap-1" role="tablist" aria-label="What to read">
          <button
            v-for="one in TABS"
            :key="one.id"
            type="button"
            role="tab"
            class="pick !border-transparent"
            :class="tab === one.id && '!border-b-now !border-b-2 font-semibold'"
            :aria-selected="tab === one.id"
            @click="tab = one.id"
          >
            {{ one.name
            }}<span v-if="one.id === 'lesions' && reading.lesions.length" class="text-soft"
              >&nbsp;{{ reading.lesions.length }}
            </span>
          </button>
        </div>
        <button
          type="button"
          class="rung text-sm ml-auto"
          :disabled="disabled || reading.done"
          @click="change({ ...reading, done: true })"
        >
          {{ reading.done ? 'Read today' : 'Nothing to note' }}
        </button>
      </div>
      <div v-if="tab === 'see'" role="tabpanel">
        <div v-for="part in FINDING_PARTS" :key="part" class="flex gap-3 py-1 items-baseline">
          <p class="w-24 shrink-0 text-sm text-soft first-letter:uppercase">{{ part }}</p>
          <div class="flex flex-wrap gap-1">
            <button
              v-for="one in kindsOf(part)"
              :key="one.kind"
              type="button"
              class="pick text-sm !px-2.5"
              :aria-pressed="kind === one.kind"
              :aria-label="`${one.name}${countOf(one.kind) ? ', seen' : ''}`"
              @click="choose(one.kind)"
            >
              {{ countOf(one.kind) ? '● ' : '' }}{{ one.name }}
            </button>
          </div>
        </div>
        <ul class="border-t border-line mt-2" aria-label="Seen today">
          <li
            v-for="one in listed"
            :key="`${one.kind}${one.grade}`"
            class="flex items-center gap-3 border-b border-hair"
          >
            <button type="button" class="flex-1 text-left min-h-[44px]" @click="choose(one.kind)">
              <span class="font-semibold">{{ one.words }}</span>{{ ' '
              }}<span class="text-soft">{{ one.where }}</span>
            </button>
            <button
              type="button"
              class="pick text-sm !border-transparent"
              :aria-label="`Take off: ${one.words}`"
              :disabled="disabled"
              @click="remove(one.kind)"
            >
              ✕
            </button>
          </li>
          <li v-if="listed.length === 0" class="py-2 text-soft">{{
            reading.done ? 'Nothing to note.' : 'Nothing read yet today.'
          }}</li>
        </ul>
        <p class="mt-3">
          <span class="text-soft">In words: </span>
          <span class="font-semibold" :title="summary.type.evidence.join('; ')">
            {{ summary.type.word }}
          </span>
          <template v-for="one in summary.conditions" :key="one.word"
            >,
            <span class="font-semibold" :title="one.evidence.join('; ')">{{ one.word }}</span>
          </template>
        </p>
        <details v-if="summary.conditions.length" class="text-sm text-soft">
          <summary class="py-2">What each word rests on</summary>
          <p v-for="one in [summary.type, ...summary.conditions]" :key="one.word">
            <span class="font-semibold">{{ one.word }}:</span> {{ one.evidence.join('; ') }}
          </p>
        </details>
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
