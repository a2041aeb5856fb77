<script setup lang="ts">
import { type Rates, earnedBy, leastPrice } from '#core/costing'
import type { PriceRow } from '~/composables/shelf/usePrices'
import { money, moneyField } from '~/support/money'
import { textOf as text } from '~/support/typed'

const props = defineProps<{ rates: Rates; currency: string }>()
const emit = defineEmits<{ saved: [] }>()
const RATES = [
  ['practitionerPerHourMinor', 'An hour of hands'],
  ['roomPerHourMinor', 'An hour of the room'],
  ['marginPercent', 'Wanted margin, %'],
  ['turnoverMinutes', 'Turnover, min'],
] as const
const session = useSessionStore()
const isOwner = computed(() => session.can('rates.write'))
const mayPrice = computed(() => session.can('price.write'))
const {
  rows,
  trouble,
  load,
  saveRate,
  savePrice: price,
  protocols,
  addOns,
  offerOf,
} = usePrices(
  () => props.rates,
  () => props.currency,
)
watch(() => props.rates, load, { immediate: true, deep: true })
const set = ref({ protocol: '', addOns: [] as string[], included: '' })
const offer = computed(() => offerOf(set.value))
async function rate(key: keyof Rates, typed: string) {
  if (await saveRate(key, typed)) emit('saved')
}
const least = (row: PriceRow) => leastPrice(row.costMinor, props.rates.marginPercent)
const earned = (row: PriceRow) =>
  row.priceMinor
    ? earnedBy(
        row.priceMinor,
        { totalMinor: row.costMinor, goodsMinor: row.goodsMinor },
        row.minutes,
      )
    : undefined
const isThin = (row: PriceRow) =>
  (earned(row)?.marginPercent ?? Infinity) < props.rates.marginPercent
const priced = computed(() =>
  protocols.value
    .filter(({ priceMinor }) => priceMinor)
    .map((row) => ({ value: row.ref, words: row.name })),
)
const flip = (id: string) => {
  set.value.addOns = set.value.addOns.includes(id)
    ? set.value.addOns.filter((addOn) => addOn !== id)
    : [...set.value.addOns, id]
}
</script>

<template>
  <div class="overflow-y-auto flex-1">
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <div class="flex flex-wrap items-end gap-4 mb-5">
      <label v-for="[key, words] in RATES" :key="key" class="flex flex-col gap-1 text-sm text-soft">
        {{ words }}
        <input
          class="field !text-ink w-36"
          inputmode="decimal"
          :disabled="!isOwner"
          v-shown="key.endsWith('Minor') ? moneyField(rates[key], currency) : rates[key]"
          @change="rate(key, text($event))"
        />
      </label>
      <p class="text-sm text-soft pb-3">{{
        isOwner ? 'The margin is a share of the price.' : 'The owner of the salon sets these.'
      }}</p>
    </div>
    <p v-if="!rows" class="text-soft">Adding up …</p>
    <section
      v-for="part in [
        { name: 'Protocols', list: protocols },
        { name: 'Enhancements, hung under a mask', list: addOns },
      ]"
      v-else
      :key="part.name"
      class="mb-7"
      :aria-label="part.name"
    >
      <h2 class="text-xl border-b border-line pb-1">{{ part.name }}</h2>
      <table class="w-full">
        <thead>
          <tr class="text-right text-sm text-soft">
            <th class="font-normal py-1.5 text-left">Name</th>
            <th class="font-normal">Goods</th>
            <th class="font-normal">Costs to perform</th>
            <th class="font-normal">Least for {{ rates.marginPercent }} %</th>
            <th class="font-normal">Price</th>
            <th class="font-normal">Going rate here</th>
            <th class="font-normal">Margin</th>
            <th class="font-normal">A minute earns</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in part.list" :key="row.ref" class="border-t border-hair text-right">
            <td class="text-left py-1.5">
              {{ row.name
              }}<span v-if="row.unpriced" class="text-sm text-now ml-2">
                {{ row.unpriced }} things without a price</span
              >
            </td>
            <td>
              {{ money(row.goodsMinor, currency) }}
            </td>
            <td>
              {{ money(row.costMinor, currency) }}
            </td>
            <td>{{ money(least(row), currency) }}</td>
            <td class="py-1">
              <input
                class="field !min-h-[38px] w-24 text-right"
                inputmode="decimal"
                :disabled="!mayPrice"
                v-shown="moneyField(row.priceMinor, currency)"
                :aria-label="`Price of ${row.name}`"
                @change="price(row, 'priceMinor', text($event))"
              />
            </td>
            <td>
              <input
                class="field !min-h-[38px] w-24 text-right"
                inputmode="decimal"
                :disabled="!mayPrice"
                v-shown="moneyField(row.goingMinor, currency)"
                :aria-label="`Going rate of ${row.name}`"
                @change="price(row, 'goingMinor', text($event))"
              />
            </td>
            <td class="w-24" :class="isThin(row) && 'text-mind font-semibold'">{{
              earned(row) ? `${isThin(row) ? '↓ ' : ''}${earned(row)!.marginPercent} %` : '–'
            }}</td>
            <td class="w-28">{{
              earned(row)?.perMinuteMinor === undefined
                ? '–'
                : money(earned(row)!.perMinuteMinor!, currency)
            }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section
      v-if="rows"
      class="border-t border-line pt-3 max-w-[52rem]"
      aria-label="Included or one by one"
    >
      <h2 class="text-xl">Included, or one by one?</h2>
      <div class="flex flex-wrap items-end gap-3 mt-2">
        <FieldChoice
          label="With"
          grows
          unset="choose a protocol"
          :value="set.protocol"
          :options="priced"
          @change="set.protocol = $event"
        />
        <button
          v-for="row in addOns.filter((one) => one.priceMinor)"
          :key="row.ref"
          type="button"
          class="pick"
          :aria-pressed="set.addOns.includes(row.ref)"
          @click="flip(row.ref)"
        >
          {{ row.name }}
        </button>
        <label class="flex flex-col gap-1 text-sm text-soft">
          All for
          <input
            v-model="set.included"
            class="field !text-ink w-28"
            inputmode="decimal"
            placeholder="0.00"
          />
        </label>
      </div>
      <p v-if="offer" class="mt-3" aria-live="polite">
        One by one {{ money(offer.oneByOneMinor, currency) }}, which leaves
        {{ money(offer.oneByOneProfitMinor, currency) }}; included it leaves
        <span class="font-semibold">{{ money(offer.includedProfitMinor, currency) }}</span> at every
        visit, and the client
        {{
          offer.savedMinor >= 0
            ? `saves ${money(offer.savedMinor, currency)}`
            : `pays ${money(-offer.savedMinor, currency)} more`
        }}.
        {{
          offer.sameAt === undefined
            ? ''
            : `Both earn the same when ${Math.round(offer.sameAt * 100)} of 100 clients would have bought them one by one.`
        }}
      </p>
      <p v-else class="mt-3 text-soft">
        Choose a protocol, its enhancements, and a price for all of it.
      </p>
    </section>
  </div>
</template>
