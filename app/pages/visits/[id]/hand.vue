<script setup lang="ts">
import { useIdle } from '@vueuse/core'
import { needsGuardian, type Fact } from '#core/client'
import type { ConsentText } from '~/stores/visit'
import { handedPages, type HandedPage } from '~/support/handed/pages'

// The tablet in the client's hands: one thing a page. Leaving it takes the PIN; an hour without a touch closes it.
definePageMeta({ layout: 'handed' })
const HOUR_MS = 3_600_000
const store = useVisitStore()
const guard = useGuardStore()
const route = useRoute()
const { needed, facts, groups } = useAskedGroups()
const pages = shallowRef<HandedPage<ConsentText>[]>([])
const at = ref(0)
const asks = ref(false)
const page = computed(() => pages.value[at.value])
const input = computed(() => store.data!.input)
const isMinor = computed(() =>
  needsGuardian(input.value.client, input.value.date, input.value.settings?.majority),
)
const visitId = computed(() => String(route.params.id))

onMounted(async () => {
  if (store.data?.visit.id !== visitId.value) await store.load(visitId.value)
  if (!store.data) return
  const { texts, consents } = store.data
  // Settled when it is handed over: no page moves away under a finger.
  pages.value = handedPages({
    ...{ groups: groups.value, needed: needed.value, facts: facts.value },
    ...{ texts, consents, isMinor: isMinor.value },
  })
})
const { idle } = useIdle(HOUR_MS)
watch(idle, (is) => {
  if (is) void closeNow()
})
async function closeNow() {
  guard.handed = ''
  guard.cover()
  await navigateTo(`/visits/${visitId.value}/consult`)
}
const next = () => {
  at.value = Math.min(at.value + 1, pages.value.length - 1)
}
function answer(told: Fact[]) {
  void store.answer(told)
}
function answerOne(fact: Fact) {
  answer([fact])
  next()
}
function sign(text: ConsentText, ...signing: [string, 'client' | 'guardian', string]) {
  void store.signConsent(text, ...signing)
  next()
}
</script>

<template>
  <div class="flex-1 grid grid-cols-[5rem_minmax(0,1fr)] min-h-screen">
    <!-- One rung a page: how far it is, to scale. -->
    <div
      class="flex flex-col-reverse justify-between items-center gap-1 py-8 border-r border-hair"
      role="img"
      :aria-label="`Page ${at + 1} of ${pages.length}`"
    >
      <span
        v-for="(_, index) in pages"
        :key="index"
        class="h-1 transition-all"
        :class="[
          index === at ? 'w-14 bg-now' : 'w-9',
          index < at ? 'bg-hands' : index > at && 'bg-hair',
        ]"
      />
    </div>
    <div class="flex flex-col px-14 pt-10 pb-5 min-h-0">
      <div v-if="page" class="flex-1 flex flex-col justify-center max-w-5xl">
        <section v-if="page.kind === 'welcome'" class="flex flex-col gap-8">
          <h1 class="text-6xl">Welcome, {{ store.data?.visit.client }}</h1>
          <p class="text-2xl text-soft max-w-[44ch] leading-relaxed">
            A few questions, one at a time. “I do not know” is always an answer. What you say is
            kept in your record, and is for the person who treats you.
          </p>
          <button
            type="button"
            class="rung rung-strong !min-h-[88px] text-2xl w-fit px-14"
            @click="next"
          >
            Begin
          </button>
        </section>
        <HandedQuestion
          v-else-if="page.kind === 'question'"
          :key="page.question.code"
          :question="page.question"
          :before="page.before"
          :today="input.date"
          @answer="answerOne"
        />
        <HandedAllergies
          v-else-if="page.kind === 'allergies'"
          :facts="facts"
          :families="needed.families"
          :today="input.date"
          @answer="answer"
          @next="next"
        />
        <HandedConsent
          v-else-if="page.kind === 'consent'"
          :key="page.text.id"
          :text="page.text"
          :client="store.data!.visit.client"
          :minor="isMinor"
          @sign="(...signing) => page?.kind === 'consent' && sign(page.text, ...signing)"
          @skip="next"
        />
        <section v-else class="flex flex-col gap-6">
          <h1 class="text-6xl">Thank you</h1>
          <p class="text-2xl text-soft max-w-[40ch] leading-relaxed">
            Please give the tablet back to {{ store.data?.visit.practitioner }}.
          </p>
        </section>
      </div>
      <p v-else-if="store.trouble" role="alert" class="flex-1 text-2xl">{{ store.trouble }}</p>
      <p v-else class="flex-1 text-2xl text-soft">One moment …</p>
      <div class="flex justify-between pt-6">
        <button
          type="button"
          class="rung !min-h-[56px] text-lg"
          :class="at === 0 && 'invisible'"
          @click="at--"
        >
          Back
        </button>
        <button type="button" class="rung !min-h-[56px] text-lg" @click="asks = true">
          Give it back
        </button>
      </div>
    </div>
    <PlainDialog :open="asks" title="For the practitioner" @close="asks = false">
      <TakeBack
        back="Go on with the questions"
        @opened="navigateTo(`/visits/${visitId}/consult`)"
        @other="asks = false"
      />
    </PlainDialog>
  </div>
</template>
