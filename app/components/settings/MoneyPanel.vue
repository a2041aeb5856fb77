<script setup lang="ts">
import type { Rates } from '#core/costing'
import { call } from '~/support/api'

/** What time and washing cost: what every card's cost rests on. */
const { shown, trouble, done, change } = useChanges(() => call('/api/shelf'))
const says = ref('')
const rates = computed(() => shown.value?.rates)
const currency = computed(() => shown.value?.currency ?? 'EUR')
const washed = computed(() => shown.value?.supplies.filter(({ kind }) => kind === 'laundry') ?? [])
const set = (wish: Partial<Rates>) =>
  change(() => call('/api/shelf/rates', { method: 'put', body: { ...rates.value!, ...wish } }))
type Washed = (typeof washed.value)[number]
const setWash = (supply: Washed, packMinor: number) =>
  change(() =>
    call('/api/shelf/supplies/:id', {
      method: 'put',
      params: { id: supply.id },
      body: { ...supply, packMinor },
    }),
  )
</script>

<template>
  <div v-if="rates" class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble || says" :done="done" />
    <section aria-label="Minutes" class="grid grid-cols-3 gap-4">
      <FieldMoney
        :label="`An hour of hands, ${currency}`"
        words="An hour of hands"
        :value="rates.practitionerPerHourMinor"
        :currency="currency"
        @change="set({ practitionerPerHourMinor: $event })"
        @bad="says = $event"
      />
      <FieldMoney
        :label="`An hour of the room, ${currency}`"
        words="An hour of the room"
        :value="rates.roomPerHourMinor"
        :currency="currency"
        @change="set({ roomPerHourMinor: $event })"
        @bad="says = $event"
      />
      <FieldNumber
        class="[&_input]:!min-h-[44px]"
        label="Wanted margin, % of the price"
        :value="rates.marginPercent"
        :min="0"
        :max="95"
        @change="set({ marginPercent: $event })"
      />
    </section>
    <p class="text-soft text-sm max-w-[70ch]">
      What a card costs to perform, its least price and what a minute earns are added up from these,
      the products’ packs and what is washed. Minutes of turnover are under
      <NuxtLink to="/settings/hours" class="underline underline-offset-4">Hours and rooms</NuxtLink
      >.
    </p>
    <section aria-label="Washed" class="border-t border-line pt-3">
      <h3 class="text-xl mb-1">Washed</h3>
      <p class="text-soft text-sm mb-2"
        >What one wash of one piece costs in {{ currency }}, water and work included.</p
      >
      <ul>
        <li
          v-for="supply in washed"
          :key="supply.id"
          class="flex items-center gap-4 min-h-[52px] border-b border-hair"
        >
          <span class="flex-1">{{ supply.name }}</span>
          <FieldMoney
            beside
            :name="`One wash of ${supply.name}`"
            :words="supply.name"
            :value="supply.packMinor"
            :currency="currency"
            @change="setWash(supply, $event)"
            @bad="says = $event"
          />
        </li>
      </ul>
      <p v-if="washed.length === 0" class="text-soft">
        Nothing that is washed yet:
        <NuxtLink to="/shelf" class="underline underline-offset-4">Shelf, Things</NuxtLink>.
      </p>
    </section>
  </div>
</template>
