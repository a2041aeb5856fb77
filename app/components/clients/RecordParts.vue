<script setup lang="ts">
import { RECORD_PARTS, type RecordPart } from '~/support/clients'

/** The parts of a client's record, as one bar; each has an address of its own. */
defineProps<{ part: RecordPart; parts: readonly RecordPart[] }>()
const route = useRoute()
</script>

<template>
  <nav aria-label="Parts of the record" class="flex flex-wrap border-y border-line">
    <NuxtLink
      v-for="one in parts"
      :key="one"
      :to="{ path: route.path, query: { part: one } }"
      class="inline-flex items-center min-h-[44px] px-4"
      :class="one === part ? 'bg-ink text-ground font-semibold' : 'hover:bg-sunk'"
      :aria-current="one === part ? 'page' : undefined"
    >
      {{ RECORD_PARTS[one] }}
    </NuxtLink>
    <div class="ml-auto self-center"><slot /></div>
  </nav>
</template>
