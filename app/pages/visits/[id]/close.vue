<script setup lang="ts">
import { ageOn } from '#core/client'
import { nextWindow, suggest, type SkinAnswer } from '#core/climb'
import { LEVER_WORDS, type LeverId } from '#core/protocol'
import { leftOutOf, plannedAgainstActual } from '~/ladder/actual'
import { call } from '~/support/api'
import { halfMinutes, shortDate } from '~/support/time'

const store = useVisitStore()
const calm = (): SkinAnswer => ({
  redness: 0,
  rednessHours: 0,
  stinging: 0,
  swelling: false,
  blisters: false,
  weeping: false,
  burn: false,
  darkMark: false,
  coldSore: false,
})
const answer = ref<SkinAnswer>(calm())
const note = ref('')
const amounts = ref<Record<string, number>>({})
const { laid } = useLaidOut({
  withStandIns: false,
  without: () =>
    store.data?.plan ? leftOutOf(store.data.plan.plan, store.data.events) : new Set(),
})
const booking = ref(false)
const choices = ref<{
  clients: { id: string; name: string }[]
  rooms: { id: string; name: string }[]
  practitioners: { id: string; name: string }[]
  protocols: { id: string; name: string }[]
}>()

// What is typed before signing stays on this tablet until it is signed.
const draftKey = computed(() => `zen-close-${store.data?.visit.id}`)
watch(
  () => store.data?.visit.id,
  (id) => {
    if (!id) return
    const kept = localStorage.getItem(draftKey.value)
    const signed = store.data?.outcome
    if (signed) {
      answer.value = signed.answer ?? calm()
      note.value = signed.note
    } else if (kept)
      ({ answer: answer.value, note: note.value } = JSON.parse(kept) as {
        answer: SkinAnswer
        note: string
      })
  },
  { immediate: true },
)
watch(
  [answer, note],
  () => {
    if (store.data && !store.locked)
      localStorage.setItem(
        draftKey.value,
        JSON.stringify({ answer: answer.value, note: note.value }),
      )
  },
  { deep: true },
)

const plan = computed(() => store.data?.plan?.plan)
const actual = computed(() =>
  plan.value ? plannedAgainstActual(plan.value, store.data!.events) : undefined,
)
const begun = computed(
  () => store.data?.events.some((event) => event.body.type === 'start') ?? false,
)
const age = computed(() => ageOn(store.data!.input.client.bornOn, store.data!.input.date))
const window_ = computed(() =>
  nextWindow(
    store.data!.input.date,
    levers.value,
    plan.value!.steps.flatMap((step) => step.properties),
    age.value,
  ),
)
const nextDate = computed(() => window_.value.usual)
const levers = computed(() =>
  plan.value!.steps.flatMap((step) =>
    step.lever ? [{ lever: step.lever.lever as LeverId, rung: step.lever.rung }] : [],
  ),
)
const climb = computed(() => {
  const { input } = store.data!
  return suggest(
    levers.value.map((one) => one.lever),
    [...input.history, { on: input.date, levers: levers.value, answer: answer.value }],
    nextDate.value,
    age.value,
  )
})
const MOVES = {
  first: '·',
  up: '↑ up',
  hold: '= same',
  down: '↓ down',
  restart: '⟲ from 1',
  stop: '⊘ stop',
  wait: '… waits',
} as const

async function sign() {
  // Nothing put right: the server takes what the plan took.
  const used =
    Object.keys(amounts.value).length > 0
      ? (laid.value?.taken ?? []).map(({ productId, amount }) => ({
          productId,
          amount: amounts.value[productId] ?? amount,
        }))
      : undefined
  if (await store.sign(answer.value, note.value, used)) localStorage.removeItem(draftKey.value)
}
async function book() {
  choices.value = (await call<{ choices: typeof choices.value }>('/api/day')).choices
  booking.value = true
}
function booked(visitId: string) {
  booking.value = false
  void store.load(visitId)
}
const signedWords = computed(() => {
  const { signed_name: name, signed_at: at } = store.data?.outcome ?? {}
  return `Signed by ${name}, ${shortDate(at ?? '')}. It stays as it is.`
})
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan && actual && begun" class="grid grid-cols-[minmax(0,1fr)_24rem_24rem] gap-8">
      <section aria-label="Planned against actual">
        <div class="flex items-baseline border-b border-line pb-2">
          <h2 class="text-xl flex-1">Planned against actual</h2>
          <p>
            <span class="display text-2xl">
              {{ actual.actualS === undefined ? 'running' : halfMinutes(actual.actualS) }} </span>{{
              ' '
            }}<span class="text-soft">min, planned {{ halfMinutes(actual.plannedS) }}</span>
          </p>
        </div>
        <table class="w-full">
          <thead class="sr-only">
            <tr><th>Step</th><th>Planned</th><th>Actual</th></tr>
          </thead>
          <tbody>
            <tr v-for="row in actual.rows" :key="row.stepId" class="border-b border-hair">
              <td class="py-1.5">
                {{ row.title }}
              </td>
              <td class="text-right text-soft w-16">
                {{ halfMinutes(row.plannedS) }}
              </td>
              <td
                class="text-right w-20"
                :class="
                  row.actualS !== undefined && row.actualS > row.plannedS + 60
                    ? 'text-mind font-semibold'
                    : ''
                "
              >
                {{
                  row.skipped
                    ? 'skipped'
                    : row.actualS === undefined
                      ? '–'
                      : `${halfMinutes(row.actualS)} min`
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <UsedList
          v-model="amounts"
          :planned="laid?.taken ?? []"
          :used="data.used"
          :locked="store.locked"
        />
        <p v-if="actual.felt.length > 0" class="mt-3">
          <span class="text-soft">Felt:</span> {{ actual.felt.join(' · ') }}
        </p>
        <p v-for="text in actual.notes" :key="text" class="mt-2">
          <span class="text-soft">Note:</span> {{ text }}
        </p>
      </section>
      <section aria-label="What the skin answered">
        <h2 class="text-xl border-b border-line pb-2 mb-3">What the skin answered</h2>
        <AnswerForm v-model="answer" :disabled="store.locked" />
        <label class="flex flex-col gap-1 mt-5">
          Note
          <textarea
            v-model="note"
            class="field py-2 min-h-28"
            maxlength="4000"
            :disabled="store.locked"
            placeholder="Liked, refused, extraction, what to do next time"
          />
        </label>
      </section>
      <section aria-label="Next visit" class="border-l border-line pl-7">
        <h2 class="text-xl border-b border-line pb-2">Next visit, {{ shortDate(nextDate) }}</h2>
        <p v-if="window_.earliest < nextDate" class="text-sm text-soft pt-1">
          At the earliest {{ shortDate(window_.earliest) }} (E01, E11)
        </p>
        <ReferLines :refer="plan.refer" class="mt-3" />
        <div v-for="one in climb" :key="one.lever" class="py-2.5 border-b border-hair">
          <p class="flex justify-between">
            <span class="font-semibold first-letter:uppercase">
              {{ LEVER_WORDS[one.lever] }}
            </span>
            <span
              :class="
                one.move === 'down' || one.move === 'stop'
                  ? 'text-mind font-semibold'
                  : one.move === 'up'
                    ? 'text-calm font-semibold'
                    : 'text-soft'
              "
            >
              {{ MOVES[one.move] }}<template v-if="one.rung > 0"> · rung {{ one.rung }}</template>
            </span>
          </p>
          <p class="text-sm text-soft">
            {{ one.why }} <span class="whitespace-nowrap">({{ one.ruleIds.join(', ') }})</span>
          </p>
        </div>
        <div class="mt-5 flex flex-col gap-3">
          <button
            v-if="!store.locked"
            type="button"
            class="rung rung-strong !min-h-[60px] text-lg"
            :disabled="store.saving > 0"
            @click="sign"
          >
            Sign and lock
          </button>
          <p v-else class="text-soft">
            {{ signedWords }}
          </p>
          <NuxtLink v-if="data.next" class="rung" :to="`/visits/${data.next.id}/fit`">
            Next visit, {{ shortDate(data.next.startsAt) }}
          </NuxtLink>
          <button type="button" class="rung" @click="book">Book the next visit</button>
        </div>
      </section>
      <BookingDialog
        v-if="choices"
        :open="booking"
        :day="nextDate"
        :choices="choices"
        :preset="{
          clientId: data.visit.clientId,
          protocolId: data.input.protocol.protocolId,
          roomId: data.visit.roomId,
          practitionerId: data.visit.practitionerId,
        }"
        @close="booking = false"
        @booked="booked(data.visit.id)"
      />
    </div>
    <p v-else class="text-lg text-soft pt-6">
      There is nothing to close yet.
      <NuxtLink class="text-link" :to="`/visits/${data.visit.id}/perform`"
        >Perform the visit</NuxtLink
      >
      first.
    </p>
  </VisitFrame>
</template>
