<script setup lang="ts">
/** "Not again": a product that the client does not want any more; touched again, it is taken back. */
const props = defineProps<{
  memories: ReturnType<typeof useMemories>
  productId: string
  name: string
}>()
const isRefused = computed(() => props.memories.isHeld(props.productId, 'refused'))
const flip = () =>
  props.memories.remember({ productId: props.productId, memory: 'refused' }, !isRefused.value)
</script>

<template>
  <button
    v-if="memories.mayWrite.value"
    type="button"
    class="pick !px-2 text-sm whitespace-nowrap"
    :aria-pressed="isRefused"
    :aria-label="`Not again: ${name}`"
    @click="flip"
  >
    Not again
  </button>
</template>
