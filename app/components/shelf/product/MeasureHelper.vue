<script setup lang="ts">
import type { Product } from '#core/catalog'
import { calibrate, MEASURES, type SalonMeasure } from '#core/quantity'
import { asOptions } from '~/support/options'
import { figure } from '~/support/shelf/shelf'
import type { ProductChange } from '~/support/shelf/product-fields'

const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
interface Draft extends Pick<SalonMeasure, 'name' | 'unit'> {
  count: string
  total: string
}
const draft = ref<Draft>({
  name: props.product.measure?.name ?? 'pump',
  unit: props.product.measure?.unit ?? 'mL',
  count: String(props.product.measure?.calibration?.count ?? 20),
  total: String(props.product.measure?.calibration?.total ?? ''),
})
const spoons = ref({ count: '5', total: '' })
const measured = computed(() =>
  weighed(draft.value.name, draft.value.unit, draft.value.count, draft.value.total),
)
const spoon = computed(() => weighed('teaspoon', 'g', spoons.value.count, spoons.value.total))
const measureWords = computed(() => {
  const { measure } = props.product
  if (!measure) return 'Dosed in grams and millilitres only.'
  const { name, per, unit, calibration } = measure
  const from = calibration
    ? `, from ${calibration.count} that came to ${calibration.total} ${unit}`
    : ''
  return `One ${name} of this is ${figure(per)} ${unit}${from}.`
})
const spoonWords = computed(() => {
  const grams = props.product.gramsPerTeaspoon
  return grams ? `One level teaspoon weighs ${figure(grams)} g.` : ''
})
function weighed(
  name: SalonMeasure['name'],
  unit: 'g' | 'mL',
  count: string,
  total: string,
): SalonMeasure | undefined {
  const [n, sum] = [Number(count.replace(',', '.')), Number(total.replace(',', '.'))]
  return n > 0 && sum > 0 ? calibrate(name, unit, n, sum) : undefined
}
</script>

<template>
  <div class="flex flex-col gap-3">
    <p>
      {{ measureWords }}
      {{ spoonWords }}
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <FieldChoice
        label="Measure"
        :value="draft.name"
        :options="asOptions(MEASURES)"
        @change="draft.name = $event"
      />
      <label class="flex flex-col gap-1 text-sm text-soft">
        How many
        <input v-model="draft.count" class="field !text-ink w-20" inputmode="numeric" />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        came to
        <input
          v-model="draft.total"
          class="field !text-ink w-24"
          inputmode="decimal"
          placeholder="16"
        />
      </label>
      <FieldChoice
        name="Unit of the measure"
        :value="draft.unit"
        :options="asOptions(['g', 'mL'])"
        @change="draft.unit = $event"
      />
      <button
        type="button"
        class="rung"
        v-off="!measured && 'Weigh some measures first: how many, and what they weigh together.'"
        @click="measured && emit('change', { measure: measured })"
      >
        {{ measured ? `Keep: one is ${figure(measured.per)} ${measured.unit}` : 'Keep' }}
      </button>
      <button
        v-if="product.measure"
        type="button"
        class="pick"
        @click="emit('change', { measure: undefined })"
      >
        No measure
      </button>
    </div>
    <div class="flex flex-wrap items-end gap-3">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Level teaspoons
        <input v-model="spoons.count" class="field !text-ink w-20" inputmode="numeric" />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        weighed, g
        <input v-model="spoons.total" class="field !text-ink w-24" inputmode="decimal" />
      </label>
      <button
        type="button"
        class="rung"
        v-off="!spoon && 'Weigh some level teaspoons first: how many, and their grams together.'"
        @click="spoon && emit('change', { gramsPerTeaspoon: Math.round(spoon.per * 1000) / 1000 })"
      >
        {{ spoon ? `Keep: one is ${figure(spoon.per)} g` : 'Keep' }}
      </button>
      <FieldFigure
        class="w-44"
        label="or typed, g a teaspoon"
        words="Grams a teaspoon"
        :value="product.gramsPerTeaspoon"
        :least="0.01"
        :most="30"
        @change="emit('change', { gramsPerTeaspoon: $event })"
        @clear="emit('change', { gramsPerTeaspoon: undefined })"
        @bad="emit('bad', $event)"
      />
    </div>
  </div>
</template>
