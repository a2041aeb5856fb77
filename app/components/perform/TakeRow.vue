<script setup lang="ts">
/** The last row of a sheet that shows what saying something would make of the rest: take it, or leave it as it is. */
const { back = 'Leave it as it is' } = defineProps<{
  words: string
  whyNot: string | undefined
  back?: string
}>()
const emit = defineEmits<{ take: []; close: [] }>()
</script>

<template>
  <div class="flex flex-wrap gap-3 mt-4 *:flex-1 *:basis-40">
    <button
      type="button"
      class="rung rung-strong !min-h-[72px] text-xl"
      v-off="whyNot"
      @click="emit('take')"
    >
      {{ words }}
    </button>
    <button type="button" class="rung !min-h-[72px] text-xl" @click="emit('close')">
      {{ back }}
    </button>
    <slot />
  </div>
</template>
