<script setup lang="ts">
import type { Product } from '#core/catalog'
import { calibrate, MEASURES, type SalonMeasure } from '#core/quantity'
import { figure } from '~/support/shelf/shelf'
import { takeNumber } from '~/support/typed'

const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: Partial<Product>]; bad: [says: string] }>()
const draft = ref({
  name: props.product.measure?.name ?? ('pump' as SalonMeasure['name']),
  unit: props.product.measure?.unit ?? ('mL' as 'g' | 'mL'),
  count: String(props.product.measure?.calibration?.count ?? 20),
  total: String(props.product.measure?.calibration?.total ?? ''),
})
const spoons = ref({ count: '5', total: '' })
const made = computed(() =>
  weighed(draft.value.name, draft.value.unit, draft.value.count, draft.value.total),
)
const spoon = computed(() => weighed('teaspoon', 'g', spoons.value.count, spoons.value.total))
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
      {{
        product.measure
          ? `One ${product.measure.name} of this is ${figure(product.measure.per)} ${product.measure.unit}${product.measure.calibration ? `, from ${product.measure.calibration.count} that came to ${product.measure.calibration.total} ${product.measure.unit}` : ''}.`
          : 'Dosed in grams and millilitres only.'
      }}
      {{
        product.gramsPerTeaspoon
          ? `One level teaspoon weighs ${figure(product.gramsPerTeaspoon)} g.`
          : ''
      }}
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Measure
        <select v-model="draft.name" class="field !text-ink">
          <option v-for="one in MEASURES" :key="one">{{ one }}</option>
        </select>
      </label>
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
      <select v-model="draft.unit" class="field" aria-label="Unit of the measure">
        <option>g</option>
        <option>mL</option>
      </select>
      <button
        type="button"
        class="rung"
        :disabled="!made"
        @click="made && emit('change', { measure: made })"
      >
        {{ made ? `Keep: one is ${figure(made.per)} ${made.unit}` : 'Keep' }}
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
        :disabled="!spoon"
        @click="spoon && emit('change', { gramsPerTeaspoon: Math.round(spoon.per * 1000) / 1000 })"
      >
        {{ spoon ? `Keep: one is ${figure(spoon.per)} g` : 'Keep' }}
      </button>
      <label class="flex flex-col gap-1 text-sm text-soft">
        or typed, g a teaspoon
        <input
          class="field !text-ink w-28"
          inputmode="decimal"
          v-shown="product.gramsPerTeaspoon ?? ''"
          @change="
            takeNumber(
              $event,
              'Grams a teaspoon',
              (says) => emit('bad', says),
              (gramsPerTeaspoon) => emit('change', { gramsPerTeaspoon }),
              0.01,
              30,
            )
          "
        />
      </label>
    </div>
  </div>
</template>
