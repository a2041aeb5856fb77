<script setup lang="ts" generic="T extends string">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/vue'
import { textOf } from '~/support/typed'
import { optionsFor, widestOf, wordsOf, type FieldOption } from '~/support/options'

/** A choice among many: a few letters are enough. */
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
const typed = ref('')
const button = ref<{ el: HTMLButtonElement | undefined }>()
const box = ref<HTMLElement>()
const list = ref<InstanceType<typeof ComboboxOptions>>()
const placed = usePlaced(
  computed(() => box.value ?? null),
  computed(() => list.value ?? null),
)
const found = computed(() => optionsFor(props.options, typed.value))
const widest = computed(() => widestOf(props.options))
const displayed = (value: unknown) => wordsOf(props.options, String(value))
function choose(chosen: T) {
  typed.value = ''
  emit('change', chosen)
}
const selectAll = (event: FocusEvent) => (event.target as HTMLInputElement).select()
/** Leaving the field chooses nothing by itself: what happens to be lit is not what was meant. */
const close = (input: EventTarget | null) =>
  input?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
function onBlur(event: FocusEvent) {
  if (!box.value?.contains(event.relatedTarget as Node | null)) close(event.target)
}
function onTab(event: KeyboardEvent) {
  if (typed.value === '') close(event.target)
}
</script>

<template>
  <Combobox
    v-slot="{ open }"
    as="div"
    :model-value="value"
    :disabled="disabled"
    @update:model-value="choose"
  >
    <ComboboxLabel v-if="label && !name">{{ label }}</ComboboxLabel>
    <template v-else-if="name">
      <span v-if="label" aria-hidden="true">{{ label }}</span>
      <ComboboxLabel class="sr-only">{{ name }}</ComboboxLabel>
    </template>
    <!-- Heard before the field itself hears it: its own answer to Tab and to being left is to take what is lit. -->
    <div
      ref="box"
      class="choice choice-search"
      :class="field"
      :data-widest="widest"
      @keydown.tab.capture="onTab"
      @blur.capture="onBlur"
    >
      <ComboboxInput
        class="min-w-0 w-full bg-transparent"
        size="1"
        autocomplete="off"
        spellcheck="false"
        :display-value="displayed"
        :placeholder="unset"
        @focus="selectAll"
        @click="!open && button?.el?.click()"
        @change="typed = textOf($event)"
      />
      <ComboboxButton ref="button" class="choice-mark" aria-hidden="true">▾</ComboboxButton>
    </div>
    <ComboboxOptions ref="list" class="choices" :style="placed" @vue:unmounted="typed = ''">
      <!-- A new key for every letter: what is lit is always the best match, not what was lit before. -->
      <ComboboxOption
        v-for="option in found"
        :key="`${typed}·${option.value}`"
        v-slot="{ active, selected }"
        :value="option.value"
        as="template"
      >
        <li class="choices-line" :class="active && 'bg-now-ground'">
          <span :class="selected && 'font-semibold'">{{ option.words }}</span>
          <span v-if="selected" aria-hidden="true" class="text-hands">✓</span>
        </li>
      </ComboboxOption>
      <li v-if="found.length === 0" class="choices-line text-soft">Nothing is called so.</li>
    </ComboboxOptions>
  </Combobox>
</template>
