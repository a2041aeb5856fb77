<script setup lang="ts">
/** The head of a column that sorts: which way it does is said and drawn. */
const props = defineProps<{ words: string; order: 'ascending' | 'descending' | 'none' }>()
const emit = defineEmits<{ sort: [] }>()
const ARROWS = { ascending: '↑', descending: '↓', none: '' } as const
const arrow = computed(() => ARROWS[props.order])
</script>

<template>
  <span role="columnheader" :aria-sort="order">
    <button
      type="button"
      class="min-h-[38px] text-sm text-soft hover:text-ink"
      @click="emit('sort')"
    >
      {{ words }}
      {{ arrow }}
    </button>
  </span>
</template>
