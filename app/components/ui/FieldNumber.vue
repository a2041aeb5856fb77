<script setup lang="ts">
import { textOf } from '~/support/typed'

/** A figure with its label above; told as typed when it is left (an empty one as 0): bounds are kept by whoever takes it. */
defineProps<{ label: string; value: number | ''; min: number; max: number; step?: number }>()
const emit = defineEmits<{ change: [value: number] }>()
</script>

<template>
  <label class="flex flex-col gap-1 text-sm text-soft">
    {{ label }}
    <input
      type="number"
      class="field !min-h-[36px] !px-2 !text-ink"
      :min="min"
      :max="max"
      :step="step ?? 1"
      v-shown="value"
      @change="emit('change', Number(textOf($event)))"
    />
  </label>
</template>
