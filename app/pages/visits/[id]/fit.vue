<script setup lang="ts">
import { changeKey, hasLadder, isCutForTime, type PlanStatus } from '#core/adapt'
import { isHeldBack } from '~/support/fit/held-back'
import { lastAtSteps } from '~/support/fit/last-at-steps'
import type { Keeping } from '~/components/fit/KeepAsWritten.vue'

const store = useVisitStore()
const { conflicts } = useConflicts(() => store.data?.visit.id)
const session = useSessionStore()
const { facts } = useAskedGroups()
const plan = computed(() => store.preview)
const isReady = computed(() => plan.value !== undefined && hasLadder(plan.value))
const { isOpen: areCardsOpen, ...cards } = useVisitCards()
const isFixed = computed(() => store.locked || store.data?.visit.stage === 'performing')
const startMs = computed(() => Date.parse(store.data?.visit.startsAt ?? ''))
const riskWords = useChances(
  () => store.data?.visit,
  plan,
  () => session.can('health.read'),
)
const selected = ref<string>()
const pointed = ref<string>()
const keeping = ref<Keeping>()
const part = ref<'changes' | 'time'>('changes')
/** With their places in the plan, by which the ladder marks them; what is only not asked yet is said in one line. */
const changes = computed(() =>
  (plan.value?.changes ?? [])
    .map((change, at) => ({ change, at }))
    .filter(({ change }) => !isHeldBack(change, facts.value)),
)
const partWords = computed(() => {
  const { length } = changes.value
  const cut = changes.value.filter(({ change }) => isCutForTime(change)).length
  return {
    changes: length === 1 ? 'One change' : `${length} changes`,
    time: cut > 0 ? `Time, ${cut} cut` : 'Time',
  }
})
const lastFelt = computed(() => lastAtSteps(plan.value?.steps ?? [], store.data?.lastVisit ?? null))
const lastChanges = computed(() => new Set(store.data?.lastChanges))
const titleOf = (id: string) => plan.value?.steps.find((step) => step.id === id)?.title
const NO_LADDER_WORDS: Partial<Record<PlanStatus, string>> = {
  postponed: 'Not today',
  infeasible: 'These limits cannot all be kept',
  unfinished: 'No ladder was found yet',
}
const perhaps = computed(() =>
  (plan.value?.open ?? [])
    .filter(({ stepIds }) => stepIds.length > 0)
    .map((gate) => ({ ...gate, titles: gate.stepIds.map(titleOf).join(', ') })),
)
const mayGo = computed(() => isReady.value && plan.value?.askFirst.length === 0)
const whyNotGo = computed(() => {
  if (isFixed.value) return undefined
  const isDisputed = conflicts.value.length > 0 || (store.data?.disputes.length ?? 0) > 0
  if (isDisputed) return 'First say above which of the two stands.'
  if (mayGo.value) return undefined
  return isReady.value
    ? 'First ask what is open above: without it there is no tray.'
    : 'There is no ladder to lay a tray for.'
})
function stay(stepId: string) {
  const { fit } = store.data!.input
  const mustStay = [...(fit?.mustStay ?? []), stepId]
  return store.slot({ grow: false, ...fit, mustStay })
}
async function keep(reason: string) {
  const { ruleId, stepId } = keeping.value!
  await store.keepAsWritten(ruleId, stepId, reason)
  keeping.value = undefined
}
async function go() {
  if (await store.store()) await navigateTo(`/visits/${store.data!.visit.id}/prepare`)
}
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div
      v-if="plan"
      class="grid max-xl:grid-cols-[minmax(0,1fr)] xl:grid-cols-[700px_minmax(0,1fr)] gap-10 flex-1"
    >
      <div
        class="max-xl:overflow-x-auto"
        :tabindex="isReady ? 0 : -1"
        role="region"
        aria-label="The ladder"
      >
        <FitLadder
          v-if="isReady"
          :selected="pointed ?? selected"
          :plan="plan"
          :products="data.input.shelf.products"
          :protocol="data.visit.protocol"
          :start-ms="startMs"
          :time-zone="data.visit.timeZone"
          @update:selected="selected = $event"
        />
        <div v-else role="alert" class="border-l-4 border-mind bg-mind-ground px-5 py-4">
          <p class="text-xl font-semibold text-mind">{{ NO_LADDER_WORDS[plan.status] }}</p>
          <p v-for="line in plan.problems" :key="line" class="mt-1">{{ line }}</p>
          <button
            v-if="!isFixed && plan.status !== 'postponed'"
            type="button"
            class="rung mt-3"
            @click="cards.open"
          >
            Other cards today
          </button>
        </div>
      </div>
      <div
        class="flex flex-col min-w-0 xl:sticky top-4 self-start xl:h-[calc(100vh-9.5rem-var(--ribbon,0px))] max-xl:w-full"
      >
        <FitVerdict
          v-if="isReady"
          class="mb-3"
          :plan="plan"
          :disabled="isFixed"
          @others="cards.open"
        />
        <FitLength
          v-if="isReady"
          :plan="plan"
          :start-ms="startMs"
          :time-zone="data.visit.timeZone"
        />
        <p
          v-if="isReady && riskWords"
          role="note"
          class="py-2 border-b border-hair text-sm"
          aria-label="Chance of running over"
        >
          <span :class="riskWords.high ? 'text-mind font-semibold' : 'font-semibold'">
            {{ riskWords.chance }} </span>{{ ' '
          }}<span class="text-soft">{{ riskWords.rest }}</span>
        </p>
        <OpenQuestions class="mt-3" :plan="plan" :to="`/visits/${data.visit.id}/consult`" />
        <ReferLines :refer="plan.refer" class="mt-3" />
        <LastAtSteps v-if="isReady" :lines="lastFelt" @select="selected = $event" />
        <p v-for="gate in perhaps" :key="gate.gateId" class="mt-2 text-sm text-soft">
          <span class="text-now font-semibold">Perhaps</span> {{ gate.words }}:
          {{ gate.titles }}
        </p>
        <div v-if="isReady" class="flex gap-1.5 pt-2">
          <button
            v-for="(words, name) in partWords"
            :key="name"
            type="button"
            class="pick flex-1 !min-h-[40px]"
            :aria-pressed="part === name"
            @click="part = name"
          >
            {{ words }}
          </button>
        </div>
        <SlotPanel
          v-if="part === 'time' && isReady"
          :input="data.input"
          :plan="plan"
          :disabled="isFixed"
          @wish="store.slot"
        />
        <ul v-else class="flex-1 min-h-0 overflow-y-auto" aria-label="Changes">
          <ChangeCard
            v-for="{ change, at } in changes"
            :key="at"
            :change="change"
            :mark="String(at + 1)"
            :disabled="store.locked"
            :selected="selected === change.stepId"
            :as-last-time="lastChanges.has(changeKey(change))"
            @select="selected = change.stepId"
            @point="pointed = $event ? change.stepId : undefined"
            @keep="keeping = { ruleId: $event, stepId: change.stepId, what: change.what }"
            @withdraw="store.withdraw($event, change.stepId)"
            @stay="stay(change.stepId)"
          />
          <li v-if="changes.length === 0" class="py-4 text-soft">
            Nothing changes: the card holds as written.
          </li>
        </ul>
        <div class="border-t border-line pt-2 mt-2">
          <FitProof :plan="plan" :visit-id="data.visit.id" />
          <div class="flex flex-wrap gap-3 mt-2 whitespace-nowrap">
            <WhyNot :input="data.input" />
            <button v-if="!isFixed" type="button" class="rung !min-h-[52px]" @click="cards.open">
              Which card?
            </button>
            <button
              v-if="!isFixed"
              type="button"
              class="rung rung-strong !min-h-[52px] flex-1"
              v-off="whyNotGo"
              @click="go"
            >
              Prepare the tray
            </button>
          </div>
          <p v-if="whyNotGo" class="text-sm text-mind mt-1.5">{{ whyNotGo }}</p>
        </div>
      </div>
    </div>
    <p v-else class="text-soft">Fitting …</p>
    <WhichCard
      :open="areCardsOpen"
      :choosing="cards.choosing.value"
      :trouble="cards.trouble.value"
      :current-id="data.input.protocol.protocolId"
      :money="cards.library.value"
      :busy="cards.busy.value"
      @close="cards.close"
      @take="cards.take"
    />
    <KeepAsWritten :keeping="keeping" @close="keeping = undefined" @keep="keep" />
  </VisitFrame>
</template>
