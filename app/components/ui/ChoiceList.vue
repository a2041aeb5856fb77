<script setup lang="ts" generic="T extends string">
import {
  Listbox,
  ListboxButton,
  ListboxLabel,
  ListboxOption,
  ListboxOptions,
} from '@headlessui/vue'
import { widestOf, wordsOf, type FieldOption } from '~/support/options'

/** A choice among few: all of them are seen at once. */
const props = defineProps<{
  label: string
  name: string
  value: T
  options: readonly FieldOption<T>[]
  unset: string
  disabled: boolean
  field: string
}>()
const emit = defineEmits<{ change: [value: T] }>()
const button = ref<InstanceType<typeof ListboxButton>>()
const list = ref<InstanceType<typeof ListboxOptions>>()
const placed = usePlaced(
  computed(() => button.value ?? null),
  computed(() => list.value ?? null),
)
const widest = computed(() => widestOf(props.options))
const chosen = computed(() => wordsOf(props.options, props.value))
</script>

<template>
  <Listbox
    as="div"
    :model-value="value"
    :disabled="disabled"
    @update:model-value="(value: T) => emit('change', value)"
  >
    <ListboxLabel v-if="label && !name">{{ label }}</ListboxLabel>
    <template v-else-if="name">
      <span v-if="label" aria-hidden="true">{{ label }}</span>
      <ListboxLabel class="sr-only">{{ name }}</ListboxLabel>
    </template>
    <ListboxButton
      ref="button"
      class="choice"
      :class="field"
      :data-widest="widest"
      :data-value="value"
    >
      <span class="truncate" :class="!chosen && 'text-soft'">{{ chosen || unset }}</span>
      <span aria-hidden="true" class="choice-mark">▾</span>
    </ListboxButton>
    <ListboxOptions ref="list" class="choices" :style="placed">
      <ListboxOption
        v-for="option in options"
        :key="option.value"
        v-slot="{ active, selected }"
        :value="option.value"
        as="template"
      >
        <li class="choices-line" :class="active && 'bg-now-ground'">
          <span :class="selected && 'font-semibold'">{{ option.words }}</span>
          <span v-if="selected" aria-hidden="true" class="text-hands">✓</span>
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
