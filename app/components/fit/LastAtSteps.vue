<script setup lang="ts">
import type { LastAtStep } from '~/support/fit/last-at-steps'

/** What was felt last time of what lies on today's ladder; a touch shows the step. */
defineProps<{ lines: readonly LastAtStep[] }>()
const emit = defineEmits<{ select: [stepId: string] }>()
</script>

<template>
  <ul v-if="lines.length > 0" aria-label="Last time" class="border-b border-hair py-1">
    <li v-for="line in lines" :key="`${line.stepId} ${line.words}`">
      <button
        type="button"
        class="w-full text-left py-1.5 min-h-[44px] hover:bg-sunk"
        @click="emit('select', line.stepId)"
      >
        <span class="font-semibold">{{ line.title }}</span>{{ ' '
        }}<span :class="line.isMarked ? 'text-mind' : 'text-soft'">{{ line.words }}</span>
      </button>
    </li>
  </ul>
</template>
