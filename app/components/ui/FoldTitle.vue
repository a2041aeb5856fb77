<script setup lang="ts">
/** What stands on a folded part: its name, and what is in it. */
defineProps<{ name: string; holds?: string }>()
</script>

<template>
  <span class="font-semibold min-h-[36px] inline-flex items-center">
    {{ name }}
    <span v-if="holds" class="text-soft font-normal ml-2">{{ holds }}</span>
  </span>
</template>
