<script setup lang="ts">
/** Lines that make a face of a map: eyes, ear, hairline. */
withDefaults(defineProps<{ lines: readonly string[]; width?: number }>(), { width: 1.4 })
</script>

<template>
  <g fill="none" stroke="var(--line)" stroke-linecap="round" class="pointer-events-none">
    <path v-for="line in lines" :key="line" :d="line" :stroke-width="width" />
  </g>
</template>
