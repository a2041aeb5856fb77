<script setup lang="ts">
import type { Product } from '#core/catalog'
import {
  activeAdded,
  activeChanged,
  activeRemoved,
  USUAL_ACTIVES,
  type ProductChange,
} from '~/support/shelf/product-fields'
import { textOf } from '~/support/typed'

/** The actives as the label states them; those of a house mix follow from its parts. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
function rename(at: number, event: Event) {
  const name = textOf(event).trim().toLowerCase()
  if (name) emit('change', activeChanged(props.product, at, { name }))
}
</script>

<template>
  <section aria-label="Actives">
    <h2 class="text-xl border-b border-line pb-1 mb-2">Actives</h2>
    <p v-if="product.recipe" class="text-soft">
      They follow from the parts of the mix.
      <NuxtLink class="text-link" :to="`/shelf/bench?mix=${product.id}`"
        >Open it on the bench</NuxtLink
      >
    </p>
    <div v-else class="flex flex-wrap gap-3">
      <div v-for="(active, at) in product.actives" :key="at" class="flex items-center gap-1">
        <input
          class="field w-36"
          v-shown="active.name"
          list="actives"
          :aria-label="`Active ${at + 1}`"
          @change="rename(at, $event)"
        />
        <FieldFigure
          beside
          unit="%"
          :name="`Percent of ${active.name}`"
          :value="active.percent"
          :least="0"
          :most="100"
          @change="emit('change', activeChanged(product, at, { percent: $event }))"
          @bad="emit('bad', $event)"
        />
        <button
          type="button"
          class="pick"
          :aria-label="`Take ${active.name} out`"
          @click="emit('change', activeRemoved(product, at))"
        >
          ×
        </button>
      </div>
      <button type="button" class="rung" @click="emit('change', activeAdded(product))">
        Another active
      </button>
    </div>
    <datalist id="actives">
      <option v-for="active in USUAL_ACTIVES" :key="active" :value="active" />
    </datalist>
  </section>
</template>
