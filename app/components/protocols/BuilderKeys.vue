<script setup lang="ts">
const KEYS = [
  ['a', 'add a step (two letters, Enter; Esc back to the ladder)'],
  ['↑ ↓', 'to another rung'],
  ['Shift ↑ ↓', 'pick several'],
  ['Space', 'pick or unpick this one'],
  ['Alt ↑ ↓', 'move what is picked'],
  ['Enter', 'its details'],
  ['m', 'mend what is marked'],
  ['c', 'copy what is picked'],
  ['Delete', 'take out'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['Ctrl S', 'publish'],
  ['?', 'these keys'],
] as const
</script>

<template>
  <dl class="grid grid-cols-[9rem_1fr] gap-y-2">
    <template v-for="[key, does] in KEYS" :key="key">
      <dt class="font-semibold">
        {{ key }}
      </dt>
      <dd>{{ does }}</dd>
    </template>
  </dl>
</template>
