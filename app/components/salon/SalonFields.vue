<script setup lang="ts">
import type { SalonFacts } from '#core/salon/model'
import { currencyOptions, zoneOptions } from '~/support/people/places'

/** What a salon is called, where it is, and what it counts in. */
const props = defineProps<{ facts: SalonFacts }>()
const emit = defineEmits<{ change: [facts: SalonFacts]; moved: [timeZone: string] }>()
const MEASURES = [
  { value: 'metric', words: 'Metric', name: 'Grams, millilitres, °C' },
  { value: 'us', words: 'US', name: 'Ounces, fluid ounces, °F' },
] as const
const ZONES = zoneOptions()
const CURRENCIES = currencyOptions()
const set = (change: Partial<SalonFacts>) => emit('change', { ...props.facts, ...change })
</script>

<template>
  <div class="grid grid-cols-2 gap-4">
    <FieldText label="Name" :value="facts.name" :maxlength="120" @change="set({ name: $event })" />
    <FieldText
      label="Address"
      :value="facts.address"
      :maxlength="300"
      @change="set({ address: $event })"
    />
    <FieldChoice
      label="Time zone"
      grows
      :value="facts.timeZone"
      :options="ZONES"
      @change="emit('moved', $event)"
    />
    <FieldText
      label="Emergency number, as it is dialled here"
      :value="facts.emergencyNumber"
      :maxlength="40"
      @change="set({ emergencyNumber: $event })"
    />
    <FieldChoice
      label="Currency"
      grows
      :value="facts.currency"
      :options="CURRENCIES"
      @change="set({ currency: $event })"
    />
    <div class="flex flex-col gap-1 text-sm text-soft">
      Measures
      <RadioPicks
        label="Measures"
        :value="facts.measures"
        :options="MEASURES"
        @change="set({ measures: $event })"
      />
    </div>
  </div>
</template>
