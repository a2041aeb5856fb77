<script setup lang="ts">
import {
  gradesFromLesions,
  LESION_REGIONS,
  lesionIndex,
  phototype,
  PHOTOTYPE_QUESTIONS,
  PIGMENT_REGIONS,
  pigmentIndex,
  typologyAngle,
  type MeterValue,
  type PigmentGrade,
  type PigmentRegion,
  type Reading,
} from '#core/skin'
import { upTo } from '~/support/options'

const props = defineProps<{
  reading: Reading
  last: { on: string; body: Reading } | null
  disabled: boolean
}>()
const emit = defineEmits<{ change: [reading: Reading] }>()
const grades = computed(() => gradesFromLesions(props.reading.lesions))
const lesions = computed(() => lesionIndex(grades.value))
const lesionsBefore = computed(() =>
  props.last?.body.lesions.length
    ? lesionIndex(gradesFromLesions(props.last.body.lesions))
    : undefined,
)
const pigment = computed(() => pigmentIndex(props.reading.pigment ?? {}))
const pigmentBefore = computed(() =>
  props.last?.body.pigment ? pigmentIndex(props.last.body.pigment) : undefined,
)
const REGION_WORDS: Readonly<Record<PigmentRegion, string>> = {
  forehead: 'Forehead',
  'right-malar': 'Right cheek',
  'left-malar': 'Left cheek',
  chin: 'Chin',
}
const PARTS = [
  { key: 'area', name: 'Area', most: 6 },
  { key: 'darkness', name: 'Darkness', most: 4 },
  { key: 'homogeneity', name: 'Evenness of it', most: 4 },
] as const
const NONE: PigmentGrade = { area: 0, darkness: 0, homogeneity: 0 }
function setPigment(region: PigmentRegion, key: keyof PigmentGrade, value: number) {
  const pigment = { ...props.reading.pigment }
  pigment[region] = { ...NONE, ...pigment[region], [key]: value }
  emit('change', { ...props.reading, pigment })
}
const answers = computed(() => props.reading.phototypeAnswers ?? [])
const type = computed(() => phototype(answers.value))
const value = (kind: MeterValue['kind']) =>
  props.reading.meters.findLast((meter) => meter.kind === kind)?.value
const angle = computed(() => {
  const [L, b] = [value('L'), value('b')]
  return L === undefined || b === undefined ? undefined : typologyAngle(L, b)
})
const open = ref(false)
function say(at: number, score: number) {
  const next = [...answers.value]
  next[at] = score
  if (at === next.length - 1 || at < next.length)
    emit('change', { ...props.reading, phototypeAnswers: next })
}
const gradesTo = (most: number) => [{ value: '0', words: '0' }, ...upTo(most)]
</script>

<template>
  <div role="tabpanel" class="flex flex-col gap-5">
    <p class="text-sm text-soft">For tracking over visits, never a diagnosis.</p>
    <section aria-label="Lesion index">
      <div class="flex items-baseline gap-3">
        <h2 class="text-lg flex-1">Lesion index</h2>
        <p>
          <span class="display text-3xl">{{ lesions.score }}</span> of {{ lesions.of
          }}<span class="text-soft">, {{ lesions.band ?? 'no band without chest and back' }} </span>
        </p>
      </div>
      <p class="text-sm text-soft">
        From the pins:
        {{
          LESION_REGIONS.filter((region) => grades[region.id])
            .map((region) => `${region.name.toLowerCase()} ${grades[region.id]} × ${region.factor}`)
            .join(', ') || 'none'
        }}.<template v-if="lesionsBefore"> Last visit {{ lesionsBefore.score }}.</template>
      </p>
    </section>
    <section aria-label="Pigment index">
      <div class="flex items-baseline gap-3">
        <h2 class="text-lg flex-1">Pigment index</h2>
        <p>
          <span class="display text-3xl">{{ pigment.full }}</span> of 48<span class="text-soft"
            >, modified {{ pigment.modified }} of 24{{
              pigmentBefore ? `; last visit ${pigmentBefore.full}` : ''
            }}
          </span>
        </p>
      </div>
      <table class="w-full text-sm mt-1">
        <thead>
          <tr class="text-left text-soft">
            <th class="font-normal py-1">Region</th>
            <th v-for="part in PARTS" :key="part.key" class="font-normal">
              {{ part.name }} 0–{{ part.most }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="region in PIGMENT_REGIONS" :key="region" class="border-t border-hair">
            <th class="text-left font-normal py-1">
              {{ REGION_WORDS[region] }}
            </th>
            <td v-for="part in PARTS" :key="part.key">
              <FieldChoice
                beside
                small
                class="py-1"
                :name="`${REGION_WORDS[region]}, ${part.name.toLowerCase()}`"
                :value="String(reading.pigment?.[region]?.[part.key] ?? 0)"
                :options="gradesTo(part.most)"
                :disabled="disabled"
                @change="setPigment(region, part.key, Number($event))"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-label="Phototype">
      <div class="flex items-baseline gap-3">
        <h2 class="text-lg flex-1">Phototype</h2>
        <p v-if="type">
          <span class="display text-3xl">
            {{ type.type }}
          </span>
          <span class="text-soft">, score {{ type.score }}</span>
        </p>
        <p v-else class="text-soft">
          {{ answers.length }} of {{ PHOTOTYPE_QUESTIONS.length }} answered
        </p>
      </div>
      <button type="button" class="rung text-sm mt-1" :aria-expanded="open" @click="open = !open">{{
        open ? 'Fold the questions' : 'Ask the ten questions'
      }}</button>
      <div
        v-for="(question, at) in open ? PHOTOTYPE_QUESTIONS.slice(0, answers.length + 1) : []"
        :key="question.ask"
        class="py-2 border-b border-hair"
      >
        <p :id="`photo-${at}`">
          {{ question.ask }}
        </p>
        <div role="radiogroup" :aria-labelledby="`photo-${at}`" class="flex flex-wrap gap-1 mt-1">
          <button
            v-for="(words, score) in question.answers"
            :key="score"
            type="button"
            role="radio"
            class="pick text-sm !px-2.5"
            :aria-checked="answers[at] === score"
            :disabled="disabled"
            @click="say(at, score)"
          >
            {{ words }}
          </button>
        </div>
      </div>
    </section>
    <section aria-label="Typology angle">
      <div class="flex items-baseline gap-3">
        <h2 class="text-lg flex-1">Typology angle</h2>
        <p v-if="angle">
          <span class="display text-3xl"> {{ angle.degrees.toFixed(0) }}°</span>
          <span class="text-soft">, {{ angle.band }}</span>
        </p>
        <p v-else class="text-soft">needs L* and b* from a meter</p>
      </div>
    </section>
  </div>
</template>
