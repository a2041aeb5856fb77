<script setup lang="ts">
import type { ConsultPart } from '~/support/consult/parts'

/** The parts of the consultation, and how each stands. */
defineProps<{ parts: readonly ConsultPart[] }>()
const chosen = defineModel<string>({ required: true })
function stateClass({ id, isOpen }: ConsultPart) {
  if (id === chosen.value) return ''
  return isOpen ? 'text-mind' : 'text-soft'
}
</script>

<template>
  <nav aria-label="Parts of the consultation" class="flex flex-wrap border-b border-line mb-4">
    <button
      v-for="part in parts"
      :key="part.id"
      type="button"
      class="flex gap-2 min-h-[48px] items-center px-3"
      :class="chosen === part.id && 'bg-ink text-ground font-semibold'"
      :aria-current="chosen === part.id ? 'true' : undefined"
      @click="chosen = part.id"
    >
      <span>
        {{ part.name }}
      </span>
      <span v-if="part.state" class="text-sm whitespace-nowrap" :class="stateClass(part)">
        {{ part.state }}
      </span>
    </button>
  </nav>
</template>
