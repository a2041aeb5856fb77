<script setup lang="ts">
import { asOptions } from '~/support/options'

/** How much is made, and whether the parts are grams to grams or spoons to spoons. */
interface Amount {
  amount: number
  unit: 'g' | 'mL'
  by: 'mass' | 'volume'
}
defineProps<Amount>()
const emit = defineEmits<{ change: [more: Partial<Amount>]; bad: [says: string] }>()
const USUAL = [6, 8, 12, 16, 30]
const WAYS = [
  { value: 'mass', words: 'grams to grams' },
  { value: 'volume', words: 'spoons to spoons' },
] as const
</script>

<template>
  <div class="flex flex-wrap items-end gap-3 border-b border-line pb-3">
    <FieldFigure
      class="w-24 [&>input]:text-xl"
      label="Make"
      :value="amount"
      :least="0.001"
      :most="100_000"
      @change="emit('change', { amount: $event })"
      @bad="emit('bad', $event)"
    />
    <FieldChoice
      name="Unit of the whole"
      :value="unit"
      :options="asOptions(['g', 'mL'])"
      @change="emit('change', { unit: $event })"
    />
    <div class="flex gap-1" role="group" aria-label="Usual amounts">
      <button
        v-for="usual in USUAL"
        :key="usual"
        type="button"
        class="pick"
        :aria-pressed="amount === usual"
        @click="emit('change', { amount: usual })"
      >
        {{ usual }}
      </button>
    </div>
    <FieldChoice
      class="ml-auto"
      label="Parts are"
      :value="by"
      :options="WAYS"
      @change="emit('change', { by: $event })"
    />
  </div>
</template>
