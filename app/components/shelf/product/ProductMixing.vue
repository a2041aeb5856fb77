<script setup lang="ts">
import { BOWLS, CONSISTENCIES, PRODUCT_KINDS, type Mixing, type Product } from '#core/catalog'
import { asOptions, orNone } from '~/support/options'
import {
  additiveInto,
  additiveUpTo,
  mixingChanged,
  waterChanged,
  WATER_LIMITS,
} from '~/support/shelf/mixing-fields'
import type { ProductChange } from '~/support/shelf/product-fields'

/** How a product is mixed: its water, its rest, its bowl; when it sets; and how much of it goes into others. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const mixing = computed<Mixing>(() => props.product.mixing ?? {})
const put = (more: Parameters<typeof mixingChanged>[1]) =>
  emit('change', mixingChanged(mixing.value, more))
const bad = (says: string) => emit('bad', says)
</script>

<template>
  <div class="flex flex-col gap-3">
    <div class="flex flex-wrap items-end gap-3 [&>label]:w-28">
      <FieldFigure
        label="Water, mL to 1 g"
        words="Water to 1 g"
        :value="mixing.waterMlPerG"
        :least="0.01"
        :most="20"
        @change="put({ waterMlPerG: $event })"
        @clear="put({ waterMlPerG: undefined })"
        @bad="bad"
      />
      <FieldHeat
        v-for="key in WATER_LIMITS"
        :key="key"
        :label="`Water ${key}, `"
        :words="`Water ${key}`"
        :value="mixing.waterC?.[key]"
        :least="0"
        :most="60"
        @change="put(waterChanged(mixing, key, $event))"
        @bad="bad"
      />
      <FieldFigure
        label="Rests, s"
        words="Rests"
        whole
        :value="mixing.restS"
        :least="0"
        :most="3600"
        @change="put({ restS: $event })"
        @clear="put({ restS: undefined })"
        @bad="bad"
      />
      <FieldChoice
        label="Bowl"
        :value="mixing.bowl ?? ''"
        :options="orNone(asOptions(BOWLS))"
        @change="put({ bowl: $event || undefined })"
      />
      <FieldChoice
        label="Consistency"
        :value="mixing.consistency ?? ''"
        :options="orNone(asOptions(CONSISTENCIES), '–')"
        @change="put({ consistency: $event || undefined })"
      />
    </div>
    <MixingSets :sets="mixing.sets" @change="put({ sets: $event })" @bad="bad" />
    <div class="flex flex-wrap items-end gap-3">
      <FieldFigure
        class="w-52"
        label="Stirred into others, at most %"
        words="Stirred into others"
        :value="product.additive?.mostPercent"
        :least="0.01"
        :most="100"
        @change="emit('change', additiveUpTo(product, $event))"
        @clear="emit('change', { additive: undefined })"
        @bad="bad"
      />
      <FieldChoice
        v-if="product.additive"
        label="Only into"
        :value="product.additive.into?.[0] ?? ''"
        :options="orNone(asOptions(PRODUCT_KINDS), 'anything')"
        @change="emit('change', additiveInto(product.additive, $event))"
      />
    </div>
  </div>
</template>
