<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { zoneName } from '#core/skin'
import { clockTime } from '~/support/time'

const store = useVisitStore()
const session = useSessionStore()
const { laid, found, plan, prep, change, choose, takeBack, chosenName } = useLaidOut()
const groups = computed(
  () =>
    plan.value?.steps
      .map((step) => ({ step, items: plan.value!.tray.filter((item) => item.stepId === step.id) }))
      .filter((group) => group.items.length > 0) ?? [],
)
const ticked = computed(() => new Set(store.data?.ticks ?? []))
const left = computed(
  () => plan.value?.tray.filter((item) => !ticked.value.has(item.id)).length ?? 0,
)
const startMs = computed(() => Date.parse(store.data?.visit.startsAt ?? ''))
const clock = (seconds: number) =>
  clockTime(startMs.value + seconds * 1000, store.data!.visit.timeZone)
const locked = computed(() => store.locked || store.data?.visit.stage === 'performing')
const mixAt = (stepId: string) => {
  const at = laid.value?.mixAtS[stepId]
  return at === undefined ? '' : clock(at)
}
const minds = computed(() => {
  const steps = new Map<string, string[]>()
  for (const caution of plan.value?.cautions ?? [])
    for (const line of caution.line.split(' · '))
      steps.set(line, [
        ...(steps.get(line) ?? []),
        plan.value!.steps.find((step) => step.id === caution.stepId)?.title ?? '',
      ])
  return [...steps]
})
/** Everything of one kind counted together: what is carried in at once. */
const counts = computed(() => {
  const sums = new Map<string, number>()
  for (const item of plan.value?.tray ?? [])
    if (item.supply) sums.set(item.name, (sums.get(item.name) ?? 0) + item.count)
  return [...sums].sort((a, b) => a[0].localeCompare(b[0]))
})
const placedNow = (stepId: string) => {
  const step = plan.value?.steps.find((one) => one.id === stepId)
  return step ? `now ${step.title}` : 'left out now'
}
const minutes = computed(
  () => Math.round((plan.value?.totalS ?? 0) / 60) + (store.data?.money.rates.turnoverMinutes ?? 0),
)
const maySeeCost = computed(
  () => session.account?.role === 'owner' || session.account?.role === 'practitioner',
)
const SIZES = { S: 'small', M: 'medium', L: 'large' } as const
const kits = computed(
  () =>
    store.data?.kits.filter((kit) =>
      kit.items.some((item) => laid.value?.taken.some((use) => use.productId === item.productId)),
    ) ?? [],
)
const print = () => window.print()
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan && plan.status === 'ready'">
      <ShortList
        :short="laid?.short ?? []"
        :found="found"
        :chosen="chosenName"
        :now="placedNow"
        :disabled="locked || store.saving > 0"
        @choose="choose"
        @back="takeBack"
      />
      <div class="grid grid-cols-[minmax(0,1fr)_24rem] gap-9 items-start">
        <div>
          <div class="flex items-center gap-4 border-b border-line pb-2">
            <h2 class="text-xl">The tray, in order of use</h2>
            <div
              role="radiogroup"
              aria-label="Size of the face"
              class="flex gap-1 ml-auto no-print"
            >
              <button
                v-for="(word, size) in SIZES"
                :key="size"
                type="button"
                role="radio"
                class="pick !min-h-[38px] text-sm"
                :aria-checked="prep.size === size"
                :disabled="locked"
                @click="change({ size })"
              >
                {{ word }}
              </button>
            </div>
            <p class="text-soft w-32 text-right" aria-live="polite">{{
              left === 0 ? 'Everything is out' : `${left} to lay out`
            }}</p>
          </div>
          <div class="columns-2 gap-8 pt-2">
            <div
              v-for="group in groups"
              :key="group.step.id"
              role="group"
              class="break-inside-avoid pb-2"
              :aria-label="group.step.title"
            >
              <h3 class="text-sm text-soft pt-2">
                {{ group.step.title
                }}<span v-if="group.items[0]?.perhaps" class="text-now font-semibold">
                  · perhaps,
                  {{ plan.open.find((gate) => gate.stepIds.includes(group.step.id))?.words }}
                </span>
              </h3>
              <button
                v-for="item in group.items"
                :key="item.id"
                type="button"
                role="checkbox"
                :aria-checked="ticked.has(item.id)"
                :disabled="store.locked"
                class="w-full min-h-[44px] flex items-center gap-3 text-left border-b border-hair py-1"
                @click="store.tick(item.id, !ticked.has(item.id))"
              >
                <span
                  class="w-6 h-6 shrink-0 border border-line grid place-items-center"
                  :class="ticked.has(item.id) && 'bg-ink text-ground'"
                >
                  <Check v-if="ticked.has(item.id)" :size="17" />
                </span>
                <span :class="ticked.has(item.id) && 'text-soft'">
                  {{ item.count > 1 ? `${item.count} ` : '' }}{{ item.name }}
                  <span v-if="item.note" class="block text-sm text-soft">
                    {{ item.note
                    }}<template v-if="laid?.towelOutS[item.id] !== undefined"
                      >: out at {{ clock(laid.towelOutS[item.id]!) }}
                    </template>
                  </span>
                </span>
              </button>
            </div>
          </div>
          <div class="grid grid-cols-2 gap-8 mt-5">
            <section aria-label="Counts">
              <h2 class="text-xl mb-1">Altogether</h2>
              <p
                v-for="[name, count] in counts"
                :key="name"
                class="flex justify-between border-b border-hair py-1"
              >
                <span>
                  {{ name }}
                </span>
                <span class="font-semibold">{{ count }}</span>
              </p>
            </section>
            <section v-if="minds.length > 0" aria-label="Mind">
              <h2 class="text-xl mb-1">Mind</h2>
              <p v-for="[line, steps] in minds" :key="line" class="border-b border-hair py-1.5">
                <span class="font-semibold first-letter:uppercase">
                  {{ line }}
                </span>
                <span class="block text-sm text-soft">{{ steps.join(', ') }}</span>
              </p>
            </section>
          </div>
        </div>
        <aside class="border-l border-line pl-6 flex flex-col gap-6" aria-label="Mixing and cost">
          <NuxtLink
            class="rung rung-strong !min-h-[60px] text-lg no-print"
            :to="`/visits/${data.visit.id}/perform`"
          >
            {{ left === 0 ? 'Perform' : `Perform, ${left} still to lay out` }}
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
          <section
            v-for="infusion in laid?.infusions ?? []"
            :key="infusion.stepId"
            :aria-label="`Dose of ${infusion.title}`"
          >
            <h2 class="text-xl mb-1">{{ infusion.mL }} mL, to the last zone</h2>
            <p
              v-for="zone in infusion.zones"
              :key="zone.zone"
              class="grid grid-cols-[minmax(0,1fr)_7rem_4rem] gap-2 items-center border-b border-hair py-1"
            >
              <span>
                {{ zoneName(zone.zone) }}
              </span>
              <svg viewBox="0 0 100 8" class="w-full" aria-hidden="true">
                <rect
                  height="8"
                  :width="(100 * zone.mL) / Math.max(...infusion.zones.map((one) => one.mL))"
                  fill="var(--hands)"
                />
              </svg>
              <span class="text-right font-semibold">{{ zone.mL.toFixed(2) }} mL</span>
            </p>
          </section>
          <section v-if="kits.length" aria-label="Kits">
            <h2 class="text-xl mb-1">Kits</h2>
            <div v-for="kit in kits" :key="kit.id" class="border-b border-hair py-1.5">
              <p class="flex items-center gap-2">
                <span class="flex-1">
                  {{ kit.name }}
                  <span class="block text-sm text-soft">{{ kit.stock }} left</span>
                </span>
                <span
                  v-if="data.openings.some((one) => one.kitId === kit.id)"
                  class="text-calm font-semibold"
                  >opened</span
                >
                <button
                  v-else
                  type="button"
                  class="pick text-sm"
                  :disabled="locked || kit.stock < 1"
                  @click="store.openKit(kit.id)"
                >
                  Open it
                </button>
              </p>
              <ul
                v-for="opening in data.openings.filter((one) => one.kitId === kit.id).slice(0, 1)"
                :key="opening.openedOn"
                class="text-sm mt-1"
              >
                <li v-for="rest in opening.rest" :key="rest.productId">
                  home:
                  {{
                    data.input.shelf.products.find((one) => one.id === rest.productId)?.name ??
                    rest.productId
                  }}, {{ rest.amount }}<span class="text-soft"> · {{ rest.home }}</span>
                </li>
              </ul>
            </div>
          </section>
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
