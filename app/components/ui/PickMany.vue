<script setup lang="ts" generic="T extends string">
/** Several of a list, each by a touch. Tells the new list; what was there keeps its order. */
const props = defineProps<{
  chosen: readonly T[]
  options: readonly T[]
  words?: (option: T) => string
}>()
const emit = defineEmits<{ change: [chosen: T[]] }>()
const isChosen = (option: T) => props.chosen.includes(option)
function flip(option: T) {
  const others = props.chosen.filter((other) => other !== option)
  emit('change', isChosen(option) ? others : [...props.chosen, option])
}
</script>

<template>
  <button
    v-for="option in options"
    :key="option"
    type="button"
    class="pick"
    :aria-pressed="isChosen(option)"
    @click="flip(option)"
  >
    {{ words ? words(option) : option }}
  </button>
</template>
