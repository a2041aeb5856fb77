<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { factsOn, medicinesFor, type Fact, type Known } from '#core/client'
import { CALM_ANSWER, type SkinAnswer } from '#core/climb'
import { cardState, nothingNew, SINCE_CARDS, type SinceCard } from '~/support/consult/consult'
import { changesBecause } from '~/support/fit/consequences'
import { shortDate } from '~/support/time'

const props = defineProps<{
  facts: readonly Fact[]
  known: readonly Known[]
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
  lastVisit: { id: string; on: string; answer: SkinAnswer | null } | null
}>()
const emit = defineEmits<{
  answer: [facts: Fact[]]
  checkIn: [visitId: string, answer: SkinAnswer]
}>()
const inForce = computed(() => factsOn(props.facts, props.today))
const namesFor = (code: string) =>
  medicinesFor(code, inForce.value, props.known)
    .map((medicine) => medicine.known.name)
    .join(', ')
const open = ref<string>()
const states = computed(
  () => new Map(SINCE_CARDS.map((card) => [card.id, cardState(card, inForce.value, props.today)])),
)
const left = computed(() => SINCE_CARDS.filter((card) => !states.value.get(card.id)!.asked))
const confirm = (cards: readonly SinceCard[]) =>
  emit(
    'answer',
    cards.flatMap((card) => nothingNew(card.questions, inForce.value, props.today, props.known)),
  )
const line = (card: SinceCard) => {
  const { yes, open: unasked } = states.value.get(card.id)!
  return (
    [yes.length > 0 ? yes.join(' · ') : '', unasked > 0 ? `${unasked} never asked` : '']
      .filter(Boolean)
      .join(' · ') || card.hint
  )
}
const skin = ref<SkinAnswer>({ ...CALM_ANSWER })
watch(
  () => props.lastVisit,
  (visit) => {
    skin.value = visit?.answer ?? { ...CALM_ANSWER }
  },
  { immediate: true },
)
function checkIn(visitId: string) {
  emit('checkIn', visitId, skin.value)
  open.value = undefined
}
const confirmWords = computed(() => {
  if (left.value.length === 0) return 'Asked today'
  return props.lastVisit ? 'Nothing new: confirm all' : 'All no'
})
</script>

<template>
  <section aria-label="Since last time">
    <div class="flex items-center gap-4 border-b border-line pb-2">
      <h2 class="text-xl flex-1">
        {{ lastVisit ? `Since ${shortDate(lastVisit.on)}` : 'Today' }}
      </h2>
      <button
        type="button"
        class="rung"
        :disabled="disabled || left.length === 0"
        @click="confirm(left)"
      >
        {{ confirmWords }}
      </button>
    </div>
    <div v-if="lastVisit" class="border-b border-hair">
      <div class="flex items-center gap-3 py-2">
        <p class="flex-1">
          <span class="font-semibold">Reaction after last visit</span>
          <span class="block text-sm text-soft">
            {{ lastVisit.answer ? 'told' : 'not told yet' }}: redness
            {{ lastVisit.answer?.redness ?? 0 }} of 4, stinging
            {{ lastVisit.answer?.stinging ?? 0 }} of 10
          </span>
        </p>
        <button
          type="button"
          class="pick"
          :aria-expanded="open === 'reaction'"
          @click="open = open === 'reaction' ? undefined : 'reaction'"
        >
          Something …
        </button>
      </div>
      <div v-if="open === 'reaction'" class="pb-3 pl-4 border-l-2 border-mind max-w-xl">
        <AnswerForm v-model="skin" :disabled="disabled" />
        <button
          type="button"
          class="rung rung-strong mt-3"
          :disabled="disabled"
          @click="checkIn(lastVisit.id)"
        >
          Keep as a check-in
        </button>
      </div>
    </div>
    <div
      v-for="card in SINCE_CARDS"
      :key="card.id"
      class="border-b border-hair"
      role="group"
      :aria-label="card.title"
    >
      <div class="flex items-center gap-3 py-2">
        <p class="flex-1 min-w-0">
          <span class="font-semibold">
            {{ card.title }}
          </span>
          <span
            class="block text-sm truncate"
            :class="states.get(card.id)!.yes.length > 0 ? 'text-mind' : 'text-soft'"
          >
            {{ line(card) }}
          </span>
        </p>
        <button
          type="button"
          class="pick"
          :aria-pressed="states.get(card.id)!.asked"
          :disabled="disabled"
          @click="confirm([card])"
        >
          {{ states.get(card.id)!.asked ? '✓ Asked' : 'Nothing new' }}
        </button>
        <button
          type="button"
          class="pick"
          :aria-expanded="open === card.id"
          @click="open = open === card.id ? undefined : card.id"
        >
          Something …
        </button>
      </div>
      <div v-if="open === card.id" class="pb-3 pl-4 border-l-2 border-now">
        <MedicineSearch
          v-if="card.medicines"
          :facts="facts"
          :known="known"
          :plan="plan"
          :today="today"
          :disabled="disabled"
          kind="medicine"
          @answer="emit('answer', $event)"
        />
        <FactRow
          v-for="question in card.questions"
          :key="question.code"
          :question="question"
          :fact="inForce.get(question.code)"
          :medicines="namesFor(question.code)"
          :changes="changesBecause(plan, question.code)"
          :today="today"
          :disabled="disabled"
          @answer="emit('answer', [$event])"
        />
      </div>
    </div>
  </section>
</template>
