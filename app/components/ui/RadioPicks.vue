<script setup lang="ts" generic="T extends string | number">
/** One of a few, all of them seen, chosen by one touch. */
interface Pick {
  readonly value: T
  readonly words: string
  /** What it is called where the words are short. */
  readonly name?: string
}
defineProps<{ label: string; value: T | undefined; options: readonly Pick[]; disabled?: boolean }>()
const emit = defineEmits<{ change: [value: T] }>()
</script>

<template>
  <div class="flex gap-1" role="radiogroup" :aria-label="label">
    <button
      v-for="option in options"
      :key="option.value"
      type="button"
      role="radio"
      class="pick"
      :aria-checked="value === option.value"
      :aria-label="option.name"
      :disabled="disabled ?? false"
      @click="emit('change', option.value)"
    >
      {{ option.words }}
    </button>
  </div>
</template>
