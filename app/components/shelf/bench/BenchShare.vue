<script setup lang="ts">
import type { Product } from '#core/catalog'
import type { Scaled } from '#core/mixing'

/** How much of the bowl one part is, drawn against the most its maker allows; and what is wrong with it. */
const props = defineProps<{
  share: number
  additive: Product['additive']
  fault: Scaled['faults'][number] | undefined
}>()
const emit = defineEmits<{ parts: [most: number] }>()
const WIDTH = 600
const isOver = computed(() => props.fault?.kind === 'limit')
const limitX = computed(() =>
  props.additive ? (WIDTH / 100) * props.additive.mostPercent : undefined,
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} 8`"
    preserveAspectRatio="none"
    class="w-full h-2 mt-1.5"
    aria-hidden="true"
  >
    <rect :width="WIDTH" height="8" fill="var(--sunk)" />
    <rect height="8" :width="WIDTH * share" :fill="isOver ? 'var(--mind)' : 'var(--hands-soft)'" />
    <line
      v-if="limitX !== undefined"
      :x1="limitX"
      :x2="limitX"
      y1="0"
      y2="8"
      stroke="var(--mind)"
      stroke-width="2"
    />
  </svg>
  <p v-if="fault" class="text-sm mt-1" :class="isOver ? 'text-mind font-semibold' : 'text-soft'">
    {{ isOver ? '! ' : '' }}{{ fault.says
    }}<button
      v-if="fault.mostParts"
      type="button"
      class="text-link ml-2 min-h-[32px]"
      @click="emit('parts', fault.mostParts)"
    >
      {{ fault.mostParts }} parts keep it
    </button>
  </p>
</template>
