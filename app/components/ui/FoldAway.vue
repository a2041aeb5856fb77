<script setup lang="ts">
// What is folded away is drawn when it is first opened: a panel of many parts stays quick.
const props = defineProps<{ open?: boolean }>()
const shown = ref(props.open ?? false)
watch(
  () => props.open,
  (now) => {
    if (now) shown.value = true
  },
)
const onToggle = (event: Event) => {
  if ((event.target as HTMLDetailsElement).open) shown.value = true
}
</script>

<template>
  <details :open="open ?? false" @toggle="onToggle">
    <summary><slot name="summary" /></summary>
    <slot v-if="shown" />
  </details>
</template>
