<script setup lang="ts">
import type { Lesion } from '#core/skin'

/** A lesion as it is drawn: a ring to work on, a cross to leave, a triangle to refer; a dot where something came of it. */
defineProps<{ lesion: Pick<Lesion, 'decision' | 'outcome'> }>()
</script>

<template>
  <g>
    <circle
      v-if="lesion.decision === 'ready'"
      r="6"
      fill="var(--raised)"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <path
      v-else-if="lesion.decision === 'leave'"
      d="M-6 -6 L6 6 M6 -6 L-6 6"
      stroke="var(--ink)"
      stroke-width="2.4"
    />
    <path
      v-else
      d="M0 -8 L8 6 L-8 6 Z"
      fill="var(--mind)"
      stroke="var(--raised)"
      stroke-width="1"
    />
    <circle v-if="lesion.outcome" r="2.4" fill="var(--ink)" />
  </g>
</template>
