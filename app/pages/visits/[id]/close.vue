<script setup lang="ts">
import { leftOutOf, plannedAgainstActual } from '~/ladder/actual'
import { call } from '~/support/api'
import { nextVisit } from '~/support/close/next-visit'
import type { DayChoices } from '~/support/today/booking'
import { shortDate } from '~/support/time'

const store = useVisitStore()
const session = useSessionStore()
const { leaving, note, nextNote, forget } = useCloseDraft(
  () => store.data?.visit.id,
  () => {
    const outcome = store.data?.outcome
    return outcome ? { ...outcome, nextNote: outcome.next_note } : undefined
  },
  () => store.locked,
)
const outcome = computed(() => store.data?.outcome)
const plan = computed(() => store.data?.plan?.plan)
const amounts = ref<Record<string, number>>({})
const { laid } = useLaidOut({
  withStandIns: false,
  without: () => (plan.value ? leftOutOf(plan.value, store.data!.events) : new Set()),
})
const actual = computed(() =>
  plan.value ? plannedAgainstActual(plan.value, store.data!.events) : undefined,
)
const productName = (id: string) =>
  store.data!.input.shelf.products.find((product) => product.id === id)?.name ?? id
const isBegun = computed(
  () => store.data?.events.some((event) => event.body.type === 'start') ?? false,
)
const told = computed(() => ({
  answer: outcome.value?.answer ?? null,
  ...(leaving.value ? { leaving: leaving.value } : {}),
}))
const next = computed(() => nextVisit(store.data!.input, plan.value!, told.value))
/** What was put right by hand; nothing put right: the server takes what the plan took. */
function usedAmounts() {
  if (Object.keys(amounts.value).length === 0) return undefined
  return (laid.value?.taken ?? []).map(({ productId, amount }) => ({
    productId,
    amount: amounts.value[productId] ?? amount,
  }))
}
async function sign(pin?: string) {
  const said = { leaving: leaving.value, note: note.value, nextNote: nextNote.value }
  const signing = { ...said, used: usedAmounts(), pin }
  // Until the server has it, what was signed is read from here.
  if ((await store.sign(signing)) && store.data?.outcome) await forget()
}
const isBooking = ref(false)
const choices = ref<DayChoices>()
async function book() {
  choices.value = (await call('/api/day')).choices
  isBooking.value = true
}
function booked(visitId: string) {
  isBooking.value = false
  void store.load(visitId)
}
const following = computed(() => (next.value.course?.isLast ? store.data!.courseNext : null))
const preset = computed(() => {
  const { clientId, roomId, practitionerId } = store.data!.visit
  const protocolId = following.value?.id ?? store.data!.input.protocol.protocolId
  const { name: clientName } = store.data!.input.client
  return { clientId, clientName, roomId, practitionerId, protocolId }
})
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div
      v-if="plan && actual && isBegun"
      class="grid max-xl:grid-cols-[minmax(0,1fr)] xl:grid-cols-[minmax(0,1fr)_24rem_24rem] gap-8"
    >
      <section aria-label="Planned against actual">
        <RoomLine />
        <ActualTable :actual="actual" />
        <UsedList
          v-model="amounts"
          :planned="laid?.taken ?? []"
          :used="data.used"
          :locked="store.locked"
        />
        <p v-if="actual.felt.length > 0" class="mt-3">
          <span class="text-soft">Felt:</span> {{ actual.felt.join(' · ') }}
        </p>
        <p v-for="line in actual.opened" :key="line" class="mt-2">
          <span class="text-soft">Opened with:</span> {{ line }}
        </p>
        <p v-for="line in actual.alone" :key="line" class="mt-2">{{ line }}</p>
        <p v-for="{ productId, why } in actual.refused" :key="productId" class="mt-2">
          <span class="text-soft">Refused:</span> {{ productName(productId) }},
          {{ why.toLowerCase() }}
        </p>
        <StungList />
        <p v-for="text in actual.notes" :key="text" class="mt-2">
          <span class="text-soft">Note:</span> {{ text }}
        </p>
      </section>
      <section aria-label="Skin response">
        <h2 class="text-xl border-b border-line pb-2 mb-3">The skin on leaving</h2>
        <LeavingForm v-model="leaving" :disabled="store.locked" />
        <p v-if="!store.locked && !leaving" class="text-sm text-soft mt-2">
          Not said yet. How it answers is told a day or more after; until then every lever holds.
        </p>
        <LastReaction
          v-if="store.locked && outcome && session.can('health.write')"
          class="mt-4"
          :visit="{ ...outcome, id: data.visit.id, on: data.input.date }"
          :disabled="false"
          :tries="outcome.tries"
          @check-in="store.checkInAfter"
          @not-reached="store.checkInAfter($event, null)"
        />
        <label class="flex flex-col gap-1 mt-5">
          For next time
          <textarea
            v-model="nextNote"
            class="field py-2 min-h-[4.5rem]"
            maxlength="2000"
            :disabled="store.locked"
            placeholder="The first line of the next Consult, until it is ticked"
          />
        </label>
        <label class="flex flex-col gap-1 mt-4">
          Note
          <textarea
            v-model="note"
            class="field py-2 min-h-[4.5rem]"
            maxlength="4000"
            :disabled="store.locked"
            placeholder="What else was in this visit"
          />
        </label>
      </section>
      <section aria-label="Next visit" class="border-l border-line pl-7">
        <NextVisit :next="next" :refer="plan.refer" :following="following?.name" />
        <div class="mt-5 flex flex-col gap-3">
          <SignVisit :sign="sign" />
          <NuxtLink v-if="data.next" class="rung" :to="`/visits/${data.next.id}/fit`">
            Next visit, {{ shortDate(data.next.startsAt) }}
          </NuxtLink>
          <NuxtLink class="rung" :to="`/visits/${data.visit.id}/home`">{{
            data.home?.given ? 'Home care ✓' : 'Home care'
          }}</NuxtLink>
          <button type="button" class="rung" @click="book">Book the next visit</button>
        </div>
      </section>
      <BookingDialog
        v-if="choices"
        :open="isBooking"
        :day="next.usual"
        :choices="choices"
        :preset="preset"
        @close="isBooking = false"
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
