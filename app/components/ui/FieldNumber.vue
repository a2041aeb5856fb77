<script setup lang="ts">
import { textOf } from '~/support/typed'

/**
 * A figure with its label above, or beside it with its unit behind; told as typed when it is left (an empty one as 0): bounds
 * are kept by whoever takes it. `name`: what it is called where the label alone would not do.
 */
const props = defineProps<{
  label?: string
  name?: string
  unit?: string
  value: number | ''
  min: number
  max: number
  step?: number
  beside?: boolean
}>()
const emit = defineEmits<{ change: [value: number] }>()
const shape = computed(() =>
  props.beside ? 'flex items-center gap-1' : 'flex flex-col gap-1 text-sm text-soft',
)
const field = computed(() => (props.beside ? 'w-16 !px-1.5' : '!px-2 !text-ink'))
</script>

<template>
  <label :class="shape">
    {{ label }}
    <input
      type="number"
      class="field !min-h-[36px]"
      :class="field"
      :min="min"
      :max="max"
      :step="step ?? 1"
      :aria-label="name"
      v-shown="value"
      @change="emit('change', Number(textOf($event)))"
    />
    {{ unit }}
  </label>
</template>
