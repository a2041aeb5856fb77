<script setup lang="ts">
import { HOME_ROLES, HOME_TIMES, type Product } from '#core/catalog'
import { HOME_ROLE_NAMES } from '#core/homecare'
import { homeChanged, type ProductChange } from '~/support/shelf/product-fields'

/** Whether it goes home, as what, and in which pack: only what stands here is put into a plan for home. */
const props = defineProps<{ product: Product; currency: string; disabled: boolean }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const put = (more: ProductChange) => emit('change', more)
const unit = computed(() => props.product.unit ?? props.product.uses[0]?.dose?.unit ?? 'g')
const roles = HOME_ROLES.map((value) => ({ value, words: HOME_ROLE_NAMES[value] }))
</script>

<template>
  <section aria-label="For home">
    <h2 class="text-xl border-b border-line pb-1 mb-2">For home</h2>
    <button
      v-if="!product.takeHome"
      type="button"
      class="rung w-full"
      :disabled="disabled"
      @click="put(homeChanged(product, {}))"
    >
      It is sold for home too
    </button>
    <fieldset v-else :disabled="disabled" class="grid grid-cols-2 gap-2">
      <FieldChoice
        class="col-span-2"
        label="As"
        :value="product.takeHome.role"
        :options="roles"
        :disabled="disabled"
        @change="put(homeChanged(product, { role: $event }))"
      />
      <div role="group" aria-label="Goes on in the" class="col-span-2 flex gap-1">
        <PickMany
          :chosen="product.takeHome.times"
          :options="HOME_TIMES"
          @change="put($event.length > 0 ? homeChanged(product, { times: $event }) : {})"
        />
      </div>
      <FieldFigure
        :label="`A pack holds, ${unit}`"
        words="A pack for home holds"
        :value="product.takeHome.amount"
        :least="0.1"
        :most="10000"
        @change="put(homeChanged(product, { amount: $event }))"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        :label="`At once, ${unit}`"
        words="At once, at home"
        :value="product.takeHome.dose"
        :least="0.01"
        :most="100"
        @change="put(homeChanged(product, { dose: $event }))"
        @clear="put(homeChanged(product, { dose: undefined }))"
        @bad="emit('bad', $event)"
      />
      <FieldMoney
        :label="`Costs, ${currency}`"
        words="A pack for home costs"
        :value="product.takeHome.priceMinor"
        :currency="currency"
        @change="put(homeChanged(product, { priceMinor: $event }))"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        whole
        label="Packs here"
        words="Packs for home"
        :value="product.takeHome.count"
        :least="0"
        :most="100000"
        @change="put(homeChanged(product, { count: $event }))"
        @bad="emit('bad', $event)"
      />
      <button
        type="button"
        class="rung col-span-2"
        :disabled="disabled"
        @click="put({ takeHome: undefined })"
      >
        It stays in the salon
      </button>
    </fieldset>
  </section>
</template>
