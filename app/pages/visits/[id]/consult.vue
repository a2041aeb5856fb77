<script setup lang="ts">
import { ageOn, contradictions, factsInForce, KNOWN, medicinesFor, type Known } from '#core/client'
import { RULE_BOOK } from '#core/safety'
import { call } from '~/support/api'
import { changesBecause } from '~/support/fit/consequences'
import {
  cardState,
  clearancesWanted,
  LASTING_QUESTIONS,
  nothingNew,
  SINCE_CARDS,
  WALK_IN_QUESTIONS,
} from '~/support/consult/consult'

const store = useVisitStore()
const session = useSessionStore()
const input = computed(() => store.data!.input)
const facts = computed(() => factsInForce(store.data?.input.client.facts ?? []))
const today = computed(() => store.data?.input.date ?? '')
const known = ref<readonly Known[]>(KNOWN)
onMounted(async () => {
  known.value = await call<Known[]>('/api/known').catch(() => KNOWN)
})
const namesFor = (code: string) =>
  medicinesFor(code, facts.value, known.value)
    .map((one) => one.known.name)
    .join(', ')
const minor = computed(() => ageOn(input.value.client.bornOn, today.value) < 18)
const withClearance = RULE_BOOK.flatMap((rule) =>
  rule.effects.flatMap((effect) =>
    effect.unless?.kind === 'clearance'
      ? [{ id: rule.id, title: rule.title, clearance: effect.unless.id }]
      : [],
  ),
)
const wanted = computed(() => clearancesWanted(store.preview, input.value, withClearance))
const allergies = computed(
  () =>
    [...facts.value.values()].filter(
      (fact) => fact.code.startsWith('allergy:') && fact.answer === 'yes',
    ).length,
)
const allergiesAsked = computed(() =>
  [...facts.value.values()].some(
    (fact) => fact.code.startsWith('allergy:') && fact.answer !== 'unknown',
  ),
)
const parts = computed(() => {
  const since = SINCE_CARDS.filter(
    (card) => !cardState(card, facts.value, today.value).asked,
  ).length
  const lasting = cardState({ questions: LASTING_QUESTIONS }, facts.value, today.value)
  const walk = cardState({ questions: WALK_IN_QUESTIONS }, facts.value, today.value)
  const signed = store.data!.consents.filter((one) => !one.withdrawnOn)
  const unsigned = ['treatment', ...(minor.value ? ['guardian'] : [])].some(
    (kind) => !signed.some((one) => one.kind === kind),
  )
  return [
    ...(store.data!.visit.walkIn
      ? [{ id: 'walk', name: 'Twelve questions', state: walk.open > 0 ? `${walk.open} open` : '✓' }]
      : []),
    {
      id: 'since',
      name: store.data!.lastVisit ? 'Since last time' : 'Today',
      state: since > 0 ? `${since} open` : '✓',
    },
    {
      id: 'allergies',
      name: 'Allergies',
      state: allergies.value > 0 ? `${allergies.value}` : allergiesAsked.value ? '✓' : 'open',
    },
    {
      id: 'lasting',
      name: 'Health and habits',
      state:
        lasting.open > 0
          ? `${lasting.open} open`
          : lasting.yes.length > 0
            ? `${lasting.yes.length}`
            : '✓',
    },
    { id: 'goals', name: 'Goals', state: `${input.value.client.concerns.length || 'open'}` },
    {
      id: 'clearances',
      name: 'Clearances',
      state: wanted.value.length > 0 ? `${wanted.value.length} wanted` : '',
    },
    {
      id: 'tests',
      name: 'Patch tests',
      state: store.data!.patchTests.some((test) => test.result === 'waiting') ? 'to read' : '',
    },
    { id: 'consent', name: 'Consent', state: unsigned ? 'open' : `${signed.length} signed` },
    { id: 'file', name: 'As a file', state: '' },
  ]
})
const atOdds = computed(() => contradictions(input.value.client.facts, known.value))
const part = ref('')
watch(
  () => store.data?.visit.id,
  () => {
    part.value = store.data?.visit.walkIn ? 'walk' : 'since'
  },
  { immediate: true },
)
const isOpen = (state: string) =>
  state.includes('open') || state.includes('wanted') || state === 'to read'
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div class="grid grid-cols-[13rem_minmax(0,1fr)_19.5rem] gap-6 flex-1">
      <nav
        aria-label="Parts of the consultation"
        class="flex flex-col border-t border-hair self-start sticky top-4"
      >
        <button
          v-for="one in parts"
          :key="one.id"
          type="button"
          class="flex justify-between gap-2 text-left min-h-[48px] items-center px-2 border-b border-hair"
          :class="part === one.id && 'bg-ink text-ground font-semibold'"
          :aria-current="part === one.id ? 'true' : undefined"
          @click="part = one.id"
        >
          <span>
            {{ one.name }}
          </span>
          <span
            class="text-sm whitespace-nowrap"
            :class="part === one.id ? '' : isOpen(one.state) ? 'text-mind' : 'text-soft'"
          >
            {{ one.state }}
          </span>
        </button>
      </nav>
      <div class="min-w-0">
        <p v-if="data.input.client.notes?.length" class="mb-3 text-soft">{{
          data.input.client.notes.join(' · ')
        }}</p>
        <p
          v-for="line in atOdds"
          :key="line"
          role="alert"
          class="mb-3 px-4 py-3 bg-mind-ground border-l-4 border-mind"
        >
          {{ line }}
        </p>
        <section v-if="part === 'walk'" aria-label="Twelve questions">
          <div class="flex items-center gap-4 border-b border-line pb-2">
            <h2 class="text-xl flex-1">Twelve questions before anything is done</h2>
            <button
              type="button"
              class="rung"
              :disabled="store.locked"
              @click="store.answer(nothingNew(WALK_IN_QUESTIONS, facts, today, known))"
            >
              All no
            </button>
          </div>
          <FactRow
            v-for="question in WALK_IN_QUESTIONS"
            :key="question.code"
            :question="question"
            :fact="facts.get(question.code)"
            :medicines="namesFor(question.code)"
            :changes="changesBecause(store.preview, question.ask)"
            :today="today"
            :disabled="store.locked"
            @answer="store.answer([$event])"
          />
        </section>
        <SinceLast
          v-else-if="part === 'since'"
          :facts="input.client.facts"
          :known="known"
          :plan="store.preview"
          :today="today"
          :disabled="store.locked"
          :last-visit="data.lastVisit"
          @answer="store.answer"
          @check-in="store.checkIn"
        />
        <AllergyPicker
          v-else-if="part === 'allergies'"
          :facts="facts"
          :products="input.shelf.products"
          :plan="store.preview"
          :today="today"
          :disabled="store.locked"
          @answer="store.answer($event)"
        />
        <section v-else-if="part === 'lasting'" aria-label="Health and habits">
          <div class="flex items-center gap-4 border-b border-line pb-2">
            <h2 class="text-xl flex-1">What stays</h2>
            <button
              type="button"
              class="rung"
              :disabled="store.locked"
              @click="store.answer(nothingNew(LASTING_QUESTIONS, facts, today, known))"
            >
              {{ data.lastVisit ? 'All as told' : 'All others no' }}
            </button>
          </div>
          <MedicineSearch
            :facts="input.client.facts"
            :known="known"
            :plan="store.preview"
            :today="today"
            :disabled="store.locked"
            @answer="store.answer"
          />
          <FactRow
            v-for="question in LASTING_QUESTIONS"
            :key="question.code"
            :question="question"
            :fact="facts.get(question.code)"
            :medicines="namesFor(question.code)"
            :changes="changesBecause(store.preview, question.ask)"
            :today="today"
            :disabled="store.locked"
            @answer="store.answer([$event])"
          />
        </section>
        <GoalRank
          v-else-if="part === 'goals'"
          :concerns="input.client.concerns"
          :disabled="store.locked"
          @rank="store.rank"
        />
        <ClearanceList
          v-else-if="part === 'clearances'"
          :given="input.client.clearances"
          :wanted="wanted"
          :today="today"
          :disabled="store.locked"
          @clear="store.clear"
        />
        <PatchTests
          v-else-if="part === 'tests'"
          :tests="data.patchTests"
          :products="input.shelf.products"
          :today="today"
          :disabled="store.locked"
          @place="store.placeTest"
          @read="(id, result) => store.readTest(id, result, today)"
        />
        <ConsentPart
          v-else-if="part === 'consent'"
          :texts="data.texts"
          :consents="data.consents"
          :client="data.visit.client"
          :minor="minor"
          :disabled="store.locked"
          :owner="session.account?.role === 'owner'"
          @published="store.load(data.visit.id)"
          @sign="store.signConsent"
          @withdraw="store.withdrawConsent"
        />
        <IntakeFile
          v-else
          :visit-id="data.visit.id"
          :disabled="store.locked"
          @take="store.takeIntake"
        />
      </div>
      <div class="sticky top-4 self-start flex flex-col gap-4">
        <ConsequencePanel :plan="store.preview" :slot-name="data.visit.protocol" narrow />
        <WhyNot :input="input" />
        <NuxtLink class="rung rung-strong w-full" :to="`/visits/${data.visit.id}/skin`">
          Read the skin
        </NuxtLink>
      </div>
    </div>
  </VisitFrame>
</template>
