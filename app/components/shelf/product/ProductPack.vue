<script setup lang="ts">
import type { Product } from '#core/catalog'
import { money } from '~/support/money'
import { packChanged, packUnitMinor, type ProductChange } from '~/support/shelf/product-fields'

/** What a pack holds and costs, and how long it keeps once it is opened. */
const props = defineProps<{ product: Product; unit: string; currency: string; disabled: boolean }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const put = (more: ProductChange) => emit('change', more)
const perUnit = computed(() => {
  const { pack } = props.product
  return pack ? `${money(packUnitMinor(pack), props.currency)} a ${props.unit}` : ''
})
</script>

<template>
  <section aria-label="Pack">
    <h2 class="text-xl border-b border-line pb-1 mb-2">Pack</h2>
    <fieldset :disabled="disabled" class="grid grid-cols-2 gap-2">
      <FieldFigure
        :label="`Holds, ${product.unit ?? 'g'}`"
        words="A pack holds"
        :value="product.pack?.amount"
        :least="0.001"
        @change="put(packChanged(product, { amount: $event }))"
        @bad="emit('bad', $event)"
      />
      <FieldMoney
        :label="`Costs, ${currency}`"
        :value="product.pack?.priceMinor"
        :currency="currency"
        @change="put(packChanged(product, { priceMinor: $event }))"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        class="col-span-2"
        whole
        label="Keeps once opened, months"
        words="Months"
        :value="product.afterOpeningMonths"
        :least="1"
        :most="60"
        @change="put({ afterOpeningMonths: $event })"
        @clear="put({ afterOpeningMonths: undefined })"
        @bad="emit('bad', $event)"
      />
    </fieldset>
    <p class="text-soft text-sm mt-1">{{ perUnit }}</p>
  </section>
</template>
