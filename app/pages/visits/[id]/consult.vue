<script setup lang="ts">
import { factsInForce, QUESTIONS, type Fact } from '#core/client'
import { changesBecause } from '~/support/consequences'

const store = useVisitStore()
const facts = computed(() => factsInForce(store.data?.input.client.facts ?? []))
const today = computed(() => store.data?.input.date ?? '')
const returning = computed(() => (store.data?.input.history.length ?? 0) > 0)
const PARTS = [
  { title: 'Since last time', questions: QUESTIONS.filter((question) => question.eachVisit) },
  { title: 'What stays', questions: QUESTIONS.filter((question) => !question.eachVisit) },
]
const openSince = computed(() => PARTS[0]!.questions.filter((question) => facts.value.get(question.code)?.askedOn !== today.value))
const noneChanged = () => store.answer(openSince.value.map((question): Fact => ({ ...(facts.value.get(question.code) ?? { code: question.code, answer: 'no' }), askedOn: today.value })).map((fact) => (fact.answer === 'unknown' ? { ...fact, answer: 'no' } : fact)))
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div class="grid grid-cols-[minmax(0,1fr)_25rem] gap-8 flex-1">
      <div>
        <p v-if="data.input.client.notes?.length" class="mb-3 text-soft">{{ data.input.client.notes.join(' · ') }}</p>
        <section v-for="(part, at) in PARTS" :key="part.title" :aria-label="part.title" :class="at > 0 && 'mt-8'">
          <div class="flex items-center gap-4 border-b border-line pb-2">
            <h2 class="text-xl flex-1">{{ at === 0 && !returning ? 'Today' : part.title }}</h2>
            <button v-if="at === 0" type="button" class="rung" :disabled="store.locked || openSince.length === 0" @click="noneChanged">{{ openSince.length === 0 ? 'Asked today' : returning ? 'Nothing new: confirm all' : 'All no' }}</button>
          </div>
          <FactRow v-for="question in part.questions" :key="question.code" :question="question" :fact="facts.get(question.code)" :changes="changesBecause(store.preview, question.ask)" :today="today" :disabled="store.locked" @answer="store.answer([$event])" />
          <AllergyPicker v-if="at === 0" :facts="facts" :plan="store.preview" :today="today" :disabled="store.locked" @answer="store.answer($event)" />
        </section>
      </div>
      <div class="sticky top-4 self-start">
        <ConsequencePanel :plan="store.preview" :slot-name="data.visit.protocol" />
        <div class="pl-7 mt-5"><NuxtLink class="rung rung-strong w-full" :to="`/visits/${data.visit.id}/skin`">Read the skin</NuxtLink></div>
      </div>
    </div>
  </VisitFrame>
</template>
