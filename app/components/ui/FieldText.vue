<script setup lang="ts">
import { textOf } from '~/support/typed'

/** A line of text with its label; told when it is left, trimmed. A needed one is never told empty. */
const props = defineProps<{
  label?: string
  name?: string
  value: string
  placeholder?: string
  maxlength?: number
  needed?: boolean
  lines?: number
  small?: boolean
  inputId?: string
}>()
const emit = defineEmits<{ change: [value: string] }>()
function onChange(event: Event) {
  const value = textOf(event).trim()
  if (value || !props.needed) emit('change', value)
}
const size = computed(() => (props.small ? '!min-h-[36px] !px-2 !text-ink' : '!text-ink'))
</script>

<template>
  <label class="flex flex-col gap-1 text-sm text-soft">
    {{ label }}
    <textarea
      v-if="lines"
      class="field !text-ink py-2 resize-y"
      spellcheck="false"
      :rows="lines"
      :maxlength="maxlength"
      :placeholder="placeholder"
      :aria-label="name"
      v-shown="value"
      @change="onChange"
    />
    <input
      v-else
      :id="inputId"
      class="field"
      :class="size"
      :maxlength="maxlength"
      :placeholder="placeholder"
      :aria-label="name"
      v-shown="value"
      @change="onChange"
    />
  </label>
</template>
