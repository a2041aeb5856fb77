<script setup lang="ts">
import { hasLadder } from '#core/adapt'
import { FACE_SIZES } from '~/support/face-sizes'
import { clockTime } from '~/support/time'

const store = useVisitStore()
const session = useSessionStore()
const { laid, found, plan, prep, change, choose, takeBack, chosenName } = useLaidOut()
const ticked = computed(() => new Set(store.data?.ticks ?? []))
const left = computed(() => plan.value?.tray.filter(({ id }) => !ticked.value.has(id)).length ?? 0)
const leftWords = computed(() =>
  left.value === 0
    ? { tray: 'Everything is out', perform: 'Perform' }
    : { tray: `${left.value} to lay out`, perform: `Perform, ${left.value} still to lay out` },
)
const locked = computed(() => store.locked || store.data?.visit.stage === 'performing')
function clock(seconds: number | undefined) {
  const { startsAt, timeZone } = store.data!.visit
  return seconds === undefined
    ? undefined
    : clockTime(Date.parse(startsAt) + seconds * 1000, timeZone)
}
const towelOut = (itemId: string) => clock(laid.value?.towelOutS[itemId])
const mixAt = (stepId: string) => clock(laid.value?.mixAtS[stepId]) ?? ''
function placedNow(stepId: string) {
  const step = plan.value?.steps.find(({ id }) => id === stepId)
  return step ? `now ${step.title}` : 'left out now'
}
const minutes = computed(
  () => Math.round((plan.value?.totalS ?? 0) / 60) + (store.data?.money.rates.turnoverMinutes ?? 0),
)
const maySeeCost = computed(() => session.can('cost.read'))
const taken = computed(() => new Set(laid.value?.taken.map(({ productId }) => productId)))
const kits = computed(
  () =>
    store.data?.kits.filter(({ items }) =>
      items.some(({ productId }) => taken.value.has(productId)),
    ) ?? [],
)
const productName = (productId: string) =>
  store.data!.input.shelf.products.find(({ id }) => id === productId)?.name ?? productId
const print = () => window.print()
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan && hasLadder(plan)">
      <ShortList
        :short="laid?.short ?? []"
        :found="found"
        :chosen="chosenName"
        :now="placedNow"
        :disabled="locked || store.saving > 0"
        @choose="choose"
        @back="takeBack"
      />
      <div
        class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_24rem] gap-9 items-start"
      >
        <div>
          <div class="flex items-center gap-4 border-b border-line pb-2">
            <h2 class="text-xl">The tray, in order of use</h2>
            <RadioPicks
              class="ml-auto no-print [&>.pick]:min-h-[38px] [&>.pick]:text-sm"
              label="Size of the face"
              :value="prep.size"
              :options="FACE_SIZES"
              :disabled="locked"
              @change="change({ size: $event })"
            />
            <p class="text-soft w-32 text-right" aria-live="polite">{{ leftWords.tray }}</p>
          </div>
          <TrayList
            :plan="plan"
            :ticked="ticked"
            :towel-out="towelOut"
            :disabled="store.locked"
            @tick="store.tick"
          />
          <TrayCounts :plan="plan" />
        </div>
        <aside class="border-l border-line pl-6 flex flex-col gap-6" aria-label="Mixing and cost">
          <NuxtLink
            class="rung rung-strong !min-h-[60px] text-lg no-print"
            :to="`/visits/${data.visit.id}/perform`"
          >
            {{ leftWords.perform }}
          </NuxtLink>
          <section aria-label="Mix at">
            <div class="flex items-baseline mb-1">
              <h2 class="text-xl flex-1">Mix at</h2>
              <button type="button" class="text-link text-sm min-h-[32px] no-print" @click="print">
                Print
              </button>
            </div>
            <MixCardView
              v-for="card in laid?.cards ?? []"
              :key="card.stepId"
              class="mb-3"
              :card="card"
              :at="mixAt(card.stepId)"
              :disabled="locked"
              @water="change({ waterC: { ...prep.waterC, [card.stepId]: $event } })"
            />
            <p v-if="laid && laid.cards.length === 0" class="text-soft">
              Nothing is mixed today.
            </p>
          </section>
          <InfusionDose
            v-for="infusion in laid?.infusions ?? []"
            :key="infusion.stepId"
            :infusion="infusion"
          />
          <KitPanel
            v-if="kits.length"
            :kits="kits"
            :openings="data.openings"
            :name-of="productName"
            :disabled="locked"
            @open="store.openKit"
          />
          <CostPanel
            v-if="laid && maySeeCost"
            class="no-print"
            :laid="laid"
            :money="data.money"
            :minutes="minutes"
          />
        </aside>
      </div>
    </div>
    <p v-else class="text-lg text-soft pt-6">
      The tray follows from the fitted ladder.
      <NuxtLink class="text-link" :to="`/visits/${data.visit.id}/fit`">Fit it first</NuxtLink>.
    </p>
  </VisitFrame>
</template>
