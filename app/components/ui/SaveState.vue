<script setup lang="ts">
/** What became of the last change: kept, or refused and why. */
defineProps<{ trouble: string; done: string }>()
</script>

<template>
  <p v-if="trouble" role="alert" class="text-mind font-medium min-h-[28px]">{{ trouble }}</p>
  <p v-else class="text-calm min-h-[28px]" role="status">{{ done }}</p>
</template>
