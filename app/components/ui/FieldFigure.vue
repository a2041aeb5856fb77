<script setup lang="ts">
import { takeNumber } from '~/support/typed'

/**
 * A figure typed with comma or point, its label above or beside it, its unit behind. What is no number, or not between the
 * bounds, is told in a sentence (`bad`; empty when it is good again) and the old figure stays. `clear`: the field was emptied.
 */
const props = defineProps<{
  label?: string
  name?: string
  words?: string
  unit?: string
  value: number | undefined
  least?: number
  most?: number
  whole?: boolean
  beside?: boolean
  small?: boolean
  disabled?: boolean
}>()
const emit = defineEmits<{ change: [value: number]; clear: []; bad: [says: string] }>()
const shape = computed(() =>
  props.beside ? 'flex items-center gap-1' : 'flex flex-col gap-1 text-sm text-soft',
)
const size = computed(() => [
  props.beside ? 'w-20 text-base' : 'w-full',
  props.small && '!min-h-[38px]',
])
function tell(value: number | undefined) {
  if (value === undefined) emit('clear')
  else emit('change', props.whole ? Math.round(value) : value)
}
const onChange = (event: Event) =>
  takeNumber(
    event,
    props.words ?? props.name ?? props.label ?? '',
    (says) => emit('bad', says),
    tell,
    props.least,
    props.most,
  )
</script>

<template>
  <label :class="shape">
    {{ label }}
    <input
      class="field !text-ink"
      :class="size"
      :inputmode="whole ? 'numeric' : 'decimal'"
      :disabled="disabled ?? false"
      :aria-label="name"
      v-shown="value ?? ''"
      @change="onChange"
    />
    {{ unit }}
  </label>
</template>
