<script setup lang="ts">
import type { Listed, Product } from '#core/catalog'
import { byName } from '~/support/options'
import {
  substituteAdded,
  substituteRemoved,
  type ProductChange,
} from '~/support/shelf/product-fields'

/** What stands in for a product when it is out, the best first; those of its own kind are offered first. */
const props = defineProps<{ product: Product; list: readonly Listed[] }>()
const emit = defineEmits<{ change: [more: ProductChange] }>()
const chosen = computed(() => props.product.substitutes ?? [])
const isOwnKind = (other: Listed) => Number(other.kind === props.product.kind)
const offered = computed(() =>
  props.list
    .filter(({ id, archived }) => id !== props.product.id && !archived)
    .filter(({ id }) => !chosen.value.includes(id))
    .sort((a, b) => isOwnKind(b) - isOwnKind(a) || a.name.localeCompare(b.name)),
)
const nameOf = (id: string) => props.list.find((other) => other.id === id)?.name ?? id
</script>

<template>
  <section aria-label="Stands in">
    <h2 class="text-xl border-b border-line pb-1 mb-2">What stands in for it</h2>
    <div class="flex flex-wrap items-center gap-2">
      <span
        v-for="(id, at) in chosen"
        :key="id"
        class="border border-line px-3 min-h-[40px] inline-flex items-center gap-2"
      >
        {{ at + 1 }} {{ nameOf(id) }}
        <button
          type="button"
          class="min-w-[32px] min-h-[32px]"
          :aria-label="`Take ${nameOf(id)} out`"
          @click="emit('change', substituteRemoved(product, id))"
        >
          ×
        </button>
      </span>
      <FieldChoice
        beside
        grows
        name="Another that stands in"
        unset="add …"
        value=""
        :options="byName(offered)"
        @change="emit('change', substituteAdded(product, $event))"
      />
    </div>
  </section>
</template>
