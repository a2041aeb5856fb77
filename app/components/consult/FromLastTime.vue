<script setup lang="ts">
import { lastLines } from '~/support/consult/last-time'
import { shortDate } from '~/support/time'

/** The first lines of a consultation: what was noted for this time, until each is ticked; and what was felt and done otherwise last time. */
const store = useVisitStore()
const session = useSessionStore()
const notes = computed(() => store.data?.nextNotes ?? [])
const last = computed(() => store.data?.lastVisit)
const lines = computed(() => (last.value?.told ? lastLines(last.value.told) : []))
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
        v-if="!store.locked && session.can('health.write')"
        type="button"
        class="rung mr-2"
        :aria-label="`Seen to: ${text}`"
        @click="store.tickNote(visitId)"
      >
        Seen to
      </button>
    </li>
  </ul>
  <section v-if="last && lines.length > 0" aria-label="Last time" class="mb-4">
    <h2 class="text-sm text-soft mb-1">On {{ shortDate(last.on) }}</h2>
    <ul class="grid md:grid-cols-2 gap-x-8">
      <li
        v-for="{ kind, title, words } in lines"
        :key="`${kind}${title}${words}`"
        class="flex gap-3 py-1 border-b border-hair"
      >
        <span class="w-16 shrink-0 text-soft">{{ kind }}</span>
        <span :class="kind === 'felt' && 'font-semibold'">{{ title }}: {{ words }}</span>
      </li>
    </ul>
  </section>
</template>
