<script setup lang="ts">
import { money } from '~/support/money'
import type { BenchResult } from '~/support/shelf/bench'
import { figure } from '~/support/shelf/shelf'

/** What the mix becomes: how much, with which actives, what it is for the rules, and what it costs. */
const props = defineProps<{ result: BenchResult; currency: string }>()
const emit = defineEmits<{ adopt: [] }>()
const { amountOf } = useMeasures()
/** The same amount in the other unit, where the parts' densities are known. */
const otherUnit = computed(() => {
  const { grams, mL, total } = props.result.scaled
  if (grams === undefined || mL === undefined) return ''
  return total.unit === 'g' ? `about ${amountOf(mL, 'mL')}` : `about ${amountOf(grams, 'g')}`
})
const unweighable = computed(() =>
  props.result.scaled.faults.filter((fault) => fault.kind === 'weigh'),
)
const overAsWeighed = computed(() =>
  (props.result.weighed?.faults ?? []).filter((fault) => fault.kind === 'limit'),
)
const H2 = 'text-xl border-b border-line pb-1'
</script>

<template>
  <section>
    <h2 :class="H2">In the bowl</h2>
    <p class="mt-2">
      <span class="display text-4xl">{{ result.scaled.total.amount }}</span>
      {{ result.scaled.total.unit }}
      <span class="text-soft">{{ otherUnit }}</span>
    </p>
    <p v-for="fault in unweighable" :key="fault.says" class="text-now mt-1">
      {{ fault.says }}
    </p>
  </section>
  <section aria-label="Actives of the mix">
    <h2 :class="H2">Actives</h2>
    <p
      v-for="active in result.actives"
      :key="active.name"
      class="flex justify-between border-b border-hair py-1.5"
    >
      <span>
        {{ active.name }}
        <span class="block text-sm text-soft">{{ active.from.join(', ') }}</span>
      </span>
      <span class="font-semibold">{{ figure(active.percent) }} %</span>
    </p>
    <p v-if="result.actives.length === 0" class="py-1.5 text-soft">
      None that are written on the parts.
    </p>
    <p class="text-sm text-soft pt-1">
      The pH of a mix is not predicted; the stricter rule of its parts counts.
    </p>
  </section>
  <section v-if="result.weighed" aria-label="As weighed">
    <h2 :class="H2">As weighed</h2>
    <p class="py-1.5">
      {{ result.weighed.grams.toFixed(2) }} g<span
        v-for="active in result.weighed.actives"
        :key="active.name"
      >
        · {{ active.name }} {{ figure(active.percent) }} %</span
      >
    </p>
    <p v-for="fault in overAsWeighed" :key="fault.says" class="text-mind font-semibold">
      ! {{ fault.says }}
    </p>
    <button type="button" class="pick text-sm" @click="emit('adopt')">
      Make these weights the recipe
    </button>
  </section>
  <section aria-label="What it is">
    <h2 :class="H2">For the rules it is</h2>
    <p class="py-1.5">
      {{ result.is.join(', ') || 'nothing they mind' }}
    </p>
    <p v-if="result.unread" class="text-mind">
      <span class="font-semibold">Not checked:</span> a part has no ingredient list.
    </p>
    <p v-else-if="result.allergens.length" class="text-soft text-sm">
      In it: {{ result.allergens.join(', ') }}
    </p>
  </section>
  <p class="border-t border-line pt-2 flex justify-between">
    <span>Costs</span>
    <span class="font-semibold">{{ money(result.costMinor, currency) }}</span>
  </p>
  <p v-if="result.unpriced.length" class="text-sm text-now">
    No price: {{ result.unpriced.join(', ') }}
  </p>
</template>
