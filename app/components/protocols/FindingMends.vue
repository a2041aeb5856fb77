<script setup lang="ts">
import type { Sketch } from '#core/adapt'

/** What is wrong or better otherwise at one rung, and the touch that mends it. */
defineProps<{ findings: Sketch['findings']; mayWrite: boolean }>()
const emit = defineEmits<{ mend: [stepId: string | undefined] }>()
const GROUNDS = { wrong: 'border-mind bg-mind-ground', advice: 'border-line bg-sunk' } as const
</script>

<template>
  <div
    v-for="finding in findings"
    :key="finding.id"
    class="mb-2 px-3 py-2 border-l-4 flex items-center gap-3"
    :class="finding.level === 'wrong' ? GROUNDS.wrong : GROUNDS.advice"
  >
    <span class="flex-1 text-sm">
      {{ finding.says }} <span class="text-soft">{{ finding.fix }}</span>
    </span>
    <button
      v-if="finding.mended && mayWrite"
      type="button"
      class="pick text-sm bg-ground"
      :aria-label="`Mend: ${finding.says}`"
      @click="emit('mend', finding.stepId)"
    >
      Mend
    </button>
  </div>
</template>
