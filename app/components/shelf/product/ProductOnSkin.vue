<script setup lang="ts">
import { CASTS, EMERGENCY_OFF, GREASES, LEAVES, SKIN_STATES, type Product } from '#core/catalog'
import { propertyWords } from '#core/protocol'
import { asOptions } from '~/support/options'
import {
  COMMON_PROPERTIES,
  finishChanged,
  RARE_PROPERTIES,
  type ProductChange,
} from '~/support/shelf/product-fields'

/** What a product does on the skin: what it needs there, what it leaves behind, and what the rules mind. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange] }>()
const isSunFilter = computed(() => props.product.properties.includes('sun-filter'))
const put = (more: ProductChange) => emit('change', more)
</script>

<template>
  <section aria-label="On the skin">
    <h2 class="text-xl border-b border-line pb-1 mb-2">On the skin</h2>
    <div class="grid grid-cols-4 gap-3">
      <FieldChoice
        label="Goes on skin that is"
        :value="product.skin"
        :options="asOptions(SKIN_STATES)"
        @change="put({ skin: $event })"
      />
      <FieldChoice
        label="Leaves behind"
        :value="product.leaves"
        :options="asOptions(LEAVES)"
        @change="put({ leaves: $event })"
      />
      <FieldChoice
        label="Off in an emergency"
        :value="product.emergencyOff"
        :options="asOptions(EMERGENCY_OFF)"
        @change="put({ emergencyOff: $event })"
      />
      <FieldTick
        class="self-end !min-h-[44px]"
        :checked="product.openSkinUse"
        @change="put({ openSkinUse: $event })"
      >
        its maker states open skin
      </FieldTick>
      <FieldChoice
        label="Cast"
        :value="product.finish?.cast ?? 'none'"
        :options="asOptions(CASTS)"
        @change="put(finishChanged(product, { cast: $event }))"
      />
      <FieldChoice
        label="Finish"
        :value="product.finish?.grease ?? 'satin'"
        :options="asOptions(GREASES)"
        @change="put(finishChanged(product, { grease: $event }))"
      />
      <template v-if="isSunFilter">
        <FieldNumber
          label="SPF on the label"
          :value="product.spf ?? ''"
          :min="2"
          :max="100"
          @change="put({ spf: $event })"
        />
        <FieldTick
          class="self-end !min-h-[44px]"
          :checked="product.broadSpectrum ?? false"
          @change="put({ broadSpectrum: $event })"
        >
          broad: against UVA too
        </FieldTick>
      </template>
      <FieldTick
        class="self-end !min-h-[44px]"
        :checked="product.finish?.tint ?? false"
        @change="put(finishChanged(product, { tint: $event }))"
      >
        tinted
      </FieldTick>
    </div>
    <div class="flex flex-wrap gap-1.5 mt-3 [&>.pick]:min-h-[38px] [&>.pick]:text-sm">
      <PickMany
        :chosen="product.properties"
        :options="COMMON_PROPERTIES"
        :words="propertyWords"
        @change="put({ properties: $event })"
      />
    </div>
    <FoldAway class="mt-2">
      <template #summary>
        <span class="min-h-[40px] inline-flex items-center text-soft">
          Every property a rule knows
        </span>
      </template>
      <div class="flex flex-wrap gap-1.5 [&>.pick]:min-h-[38px] [&>.pick]:text-sm">
        <PickMany
          :chosen="product.properties"
          :options="RARE_PROPERTIES"
          :words="propertyWords"
          @change="put({ properties: $event })"
        />
      </div>
    </FoldAway>
  </section>
</template>
