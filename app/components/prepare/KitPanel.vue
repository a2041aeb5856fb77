<script setup lang="ts">
import type { Kit } from '#core/catalog'
import type { VisitData } from '~/stores/visit'

/** Kits something of today is in: opened here, with what goes home. */
const props = defineProps<{
  kits: readonly Kit[]
  openings: VisitData['openings']
  nameOf: (productId: string) => string
  disabled: boolean
}>()
const emit = defineEmits<{ open: [kitId: string] }>()
const openingOf = (kit: Kit) => props.openings.find(({ kitId }) => kitId === kit.id)
</script>

<template>
  <section aria-label="Kits">
    <h2 class="text-xl mb-1">Kits</h2>
    <div v-for="kit in kits" :key="kit.id" class="border-b border-hair py-1.5">
      <p class="flex items-center gap-2">
        <span class="flex-1">
          {{ kit.name }}
          <span class="block text-sm text-soft">{{ kit.stock }} left</span>
        </span>
        <span v-if="openingOf(kit)" class="text-calm font-semibold">opened</span>
        <button
          v-else
          type="button"
          class="pick text-sm"
          :disabled="disabled"
          v-off="kit.stock < 1 && 'None is left on the shelf.'"
          @click="emit('open', kit.id)"
        >
          Open it
        </button>
      </p>
      <ul v-if="openingOf(kit)" class="text-sm mt-1">
        <li v-for="rest in openingOf(kit)!.rest" :key="rest.productId">
          home:
          {{ nameOf(rest.productId) }}, {{ rest.amount
          }}<span class="text-soft"> · {{ rest.home }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>
