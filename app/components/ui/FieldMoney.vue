<script setup lang="ts">
import { minorTyped, moneyField } from '~/support/money'
import { textOf } from '~/support/typed'

/** An amount of money, typed in the salon’s currency and told in its smallest unit. What is no price is told in a sentence. */
const props = defineProps<{
  label?: string
  name?: string
  words?: string
  value: number | undefined
  currency: string
  beside?: boolean
  disabled?: boolean
}>()
const emit = defineEmits<{ change: [minor: number]; bad: [says: string] }>()
const shape = computed(() =>
  props.beside ? 'flex items-center gap-2' : 'flex flex-col gap-1 text-sm text-soft',
)
function onChange(event: Event) {
  const typed = textOf(event)
  const minor = minorTyped(typed, props.currency)
  const subject = props.words ? `${props.words}: ` : ''
  if (typeof minor !== 'number')
    return emit('bad', `${subject}“${typed}” is not a price. The old one stays.`)
  emit('bad', '')
  emit('change', minor)
}
</script>

<template>
  <label :class="shape">
    {{ label }}
    <input
      class="field"
      :class="beside ? '!min-h-[38px] w-28' : 'w-full !text-ink'"
      inputmode="decimal"
      :disabled="disabled ?? false"
      :aria-label="name"
      v-shown="moneyField(value, currency)"
      @change="onChange"
    />
  </label>
</template>
