<script setup lang="ts">
import { textOf } from '~/support/typed'

/** One of several, with its label above or beside it. `name` is what it is called where the label alone would not do. */
interface Option {
  readonly value: string | number
  readonly words: string
}
const props = defineProps<{
  label?: string
  name?: string
  value: string | number
  options: readonly Option[]
  beside?: boolean
  small?: boolean
}>()
const emit = defineEmits<{ change: [value: string] }>()
const labelClass = computed(() =>
  props.beside ? 'flex items-center gap-2' : 'flex flex-col gap-1 text-sm text-soft',
)
const fieldClass = computed(() => [
  props.small && '!min-h-[36px] !px-2',
  !props.beside && '!text-ink',
])
</script>

<template>
  <label :class="labelClass">
    {{ label }}
    <select
      class="field"
      :class="fieldClass"
      :value="value"
      :aria-label="name"
      @change="emit('change', textOf($event))"
    >
      <option v-for="option in options" :key="option.value" :value="option.value">{{
        option.words
      }}</option>
    </select>
  </label>
</template>
