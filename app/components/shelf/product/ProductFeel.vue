<script setup lang="ts">
import { SENSATIONS, type Product } from '#core/catalog'
import { asOptions } from '~/support/options'
import {
  expectedAdded,
  expectedChanged,
  expectedRemoved,
  type ProductChange,
} from '~/support/shelf/product-fields'
import { textOf } from '~/support/typed'

/** What the client should feel, from when until when, and what helps against it. */
defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const put = (more: ProductChange) => emit('change', more)
</script>

<template>
  <section aria-label="What it should feel like">
    <h2 class="text-xl border-b border-line pb-1 mb-2">What it should feel like</h2>
    <div
      v-for="(expected, at) in product.expected"
      :key="at"
      class="flex flex-wrap items-center gap-2 py-1"
    >
      <FieldChoice
        beside
        :name="`Sensation ${at + 1}`"
        :value="expected.sensation"
        :options="asOptions(SENSATIONS)"
        @change="put(expectedChanged(product, at, { sensation: $event }))"
      />
      <FieldFigure
        beside
        whole
        class="text-sm text-soft"
        label="from"
        unit="s"
        words="Begins after, seconds"
        :value="expected.onsetS"
        @change="put(expectedChanged(product, at, { onsetS: $event }))"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        beside
        whole
        class="text-sm text-soft"
        label="until"
        unit="s"
        words="Over after, seconds"
        :value="expected.fadeS"
        @change="put(expectedChanged(product, at, { fadeS: $event }))"
        @bad="emit('bad', $event)"
      />
      <input
        class="field flex-1"
        v-shown="expected.comfort"
        maxlength="160"
        placeholder="what helps"
        :aria-label="`What helps against ${expected.sensation}`"
        @change="put(expectedChanged(product, at, { comfort: textOf($event) }))"
      />
      <button
        type="button"
        class="pick"
        :aria-label="`Take ${expected.sensation} out`"
        @click="put(expectedRemoved(product, at))"
      >
        ×
      </button>
    </div>
    <button type="button" class="rung mt-1" @click="put(expectedAdded(product))">
      Another sensation
    </button>
    <div class="flex flex-wrap items-center gap-4 mt-2 text-sm text-soft">
      <span>After it the client is told of</span>
      <FieldFigure
        beside
        whole
        label="redness"
        unit="hours"
        words="Redness, hours"
        :least="0"
        :most="240"
        :value="product.aftermath?.rednessHours"
        @change="put({ aftermath: { flakingDays: 0, ...product.aftermath, rednessHours: $event } })"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        beside
        whole
        label="flaking"
        unit="days"
        words="Flaking, days"
        :least="0"
        :most="30"
        :value="product.aftermath?.flakingDays"
        @change="put({ aftermath: { rednessHours: 0, ...product.aftermath, flakingDays: $event } })"
        @bad="emit('bad', $event)"
      />
    </div>
  </section>
</template>
