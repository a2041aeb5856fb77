<script setup lang="ts">
import type { Listed, Product } from '#core/catalog'
import { CONCERNS } from '#core/client'
import type { ProductChange } from '~/support/shelf/product-fields'

/** Everything that is written of one product, in the order in which its label is read. */
defineProps<{ product: Product; list: readonly Listed[]; unit: 'g' | 'mL'; isNew: boolean }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const put = (more: ProductChange) => emit('change', more)
const bad = (says: string) => emit('bad', says)
const H2 = 'text-xl border-b border-line pb-1'
</script>

<template>
  <ProductBasics :product="product" :unit="unit" :is-new="isNew" @change="put" @bad="bad" />
  <ProductActives :product="product" @change="put" @bad="bad" />
  <section aria-label="For">
    <div class="flex flex-wrap items-center gap-1.5">
      <span class="text-soft mr-2">For</span>
      <PickMany
        :chosen="product.concerns"
        :options="CONCERNS"
        @change="put({ concerns: $event })"
      />
    </div>
  </section>
  <section v-if="!product.recipe" aria-label="Ingredients">
    <h2 :class="H2" class="mb-2">Ingredient list, as printed</h2>
    <FieldText
      name="Ingredient list, as printed"
      placeholder="Aqua, Glycerin, …"
      class="[&>textarea]:text-base"
      :lines="4"
      :value="product.inci ?? ''"
      @change="put({ inci: $event || undefined })"
    />
  </section>
  <section aria-label="Uses">
    <h2 :class="H2">Uses</h2>
    <ProductUses :product="product" @change="put({ uses: $event })" @bad="bad" />
  </section>
  <ProductOnSkin :product="product" @change="put" />
  <ProductMaker :product="product" @change="put" @bad="bad" />
  <ProductFeel :product="product" @change="put" @bad="bad" />
  <section aria-label="Mixing">
    <h2 :class="H2" class="mb-2">Mixing</h2>
    <ProductMixing :product="product" @change="put" @bad="bad" />
  </section>
  <section aria-label="Measures">
    <h2 :class="H2" class="mb-2">Measures</h2>
    <MeasureHelper :product="product" @change="put" @bad="bad" />
  </section>
  <ProductStandIns :product="product" :list="list" @change="put" />
  <section aria-label="Note">
    <FieldText
      label="Its maker says"
      :lines="3"
      :maxlength="2000"
      :value="product.note ?? ''"
      @change="put({ note: $event || undefined })"
    />
  </section>
</template>
