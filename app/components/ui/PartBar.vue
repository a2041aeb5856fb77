<script setup lang="ts" generic="Part extends string">
/** The parts of one page as a bar, each with an address of its own; the first is the page itself. What stands at the end comes as its slot. */
const props = defineProps<{
  label: string
  parts: readonly Part[]
  part: Part
  words: (part: Part) => string
}>()
const query = (part: Part) => (part === props.parts[0] ? {} : { part })
</script>

<template>
  <nav :aria-label="label" class="flex flex-wrap border-y border-line">
    <NuxtLink
      v-for="one in parts"
      :key="one"
      :to="{ query: query(one) }"
      class="inline-flex items-center min-h-[44px] px-4"
      :class="one === part ? 'bg-ink text-ground font-semibold' : 'hover:bg-sunk'"
      :aria-current="one === part ? 'page' : undefined"
    >
      {{ words(one) }}
    </NuxtLink>
    <div class="ml-auto self-center"><slot /></div>
  </nav>
</template>
