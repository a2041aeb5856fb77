<script setup lang="ts" generic="T extends string">
import type { FieldOption } from '~/support/options'

/**
 * One of several, with its label above or beside it: a list, or, where more than a dozen or a growing list stands behind it,
 * a field to search in. `name`: what it is called where the label alone would not do. `unset`: shown where nothing is chosen. `plain`: the label in
 * the size of the text around it.
 */
const LONGEST_LIST = 12
const props = defineProps<{
  label?: string
  name?: string
  value: T
  options: readonly FieldOption<T>[]
  unset?: string
  beside?: boolean
  plain?: boolean
  small?: boolean
  grows?: boolean
  disabled?: boolean
}>()
const emit = defineEmits<{ change: [value: T] }>()
const searched = computed(() => props.grows || props.options.length > LONGEST_LIST)
const shape = computed(() => {
  if (props.beside) return 'flex items-center gap-2'
  return props.plain ? 'flex flex-col gap-1' : 'flex flex-col gap-1 text-sm text-soft'
})
const field = computed(() =>
  ['field', props.small && '!min-h-[36px] !px-2', !props.beside && '!text-ink']
    .filter(Boolean)
    .join(' '),
)
const tell = (value: T) => value !== props.value && emit('change', value)
</script>

<template>
  <ChoiceSearch
    v-if="searched"
    :label="label ?? ''"
    :name="name ?? ''"
    :value="value"
    :options="options"
    :unset="unset ?? ''"
    :disabled="disabled ?? false"
    :class="shape"
    :field="field"
    @change="tell"
  />
  <ChoiceList
    v-else
    :label="label ?? ''"
    :name="name ?? ''"
    :value="value"
    :options="options"
    :unset="unset ?? ''"
    :disabled="disabled ?? false"
    :class="shape"
    :field="field"
    @change="tell"
  />
</template>
