<script setup lang="ts">
import { shortDate } from '~/support/time'

/** What was noted at earlier visits for the next one: the first lines of a consultation, until each is ticked. */
const store = useVisitStore()
const notes = computed(() => store.data?.nextNotes ?? [])
</script>

<template>
  <ul v-if="notes.length > 0" aria-label="Noted for this time" class="mb-4">
    <li
      v-for="{ visitId, on, text } in notes"
      :key="visitId"
      class="flex items-center gap-4 pl-4 py-2 mb-1 border-l-4 border-now bg-now-ground"
    >
      <p class="flex-1 min-w-0 text-lg">
        {{ text }}
        <span class="text-sm text-soft whitespace-nowrap">noted {{ shortDate(on) }}</span>
      </p>
      <button
        v-if="!store.locked"
        type="button"
        class="rung mr-2"
        :aria-label="`Seen to: ${text}`"
        @click="store.tickNote(visitId)"
      >
        Seen to
      </button>
    </li>
  </ul>
</template>
