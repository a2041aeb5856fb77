<script setup lang="ts">
/** A box to tick, with its words behind it. */
defineProps<{ checked: boolean; disabled?: boolean }>()
const emit = defineEmits<{ change: [checked: boolean] }>()
const isChecked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <label class="flex items-center gap-2 min-h-[36px]">
    <input
      type="checkbox"
      :checked="checked"
      :disabled="disabled ?? false"
      @change="emit('change', isChecked($event))"
    />
    <slot />
  </label>
</template>
