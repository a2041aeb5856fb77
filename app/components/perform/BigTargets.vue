<script setup lang="ts">
import type { LiveSegment } from '#core/perform'
import { UNDO_MS } from '~/composables/perform/useTaps'
import type { Primary } from '~/ladder/perform-words'

const props = defineProps<{
  primary: Primary
  /** How far a hold has come, 0 … 1. */
  progress: number
  undoable: { atMs: number } | undefined
  inferred: LiveSegment | undefined
  /** Another tablet leads, and this part was not handed over. */
  follows?: boolean
}>()
const emit = defineEmits<{
  tapped: []
  press: []
  letGo: []
  stings: []
  checkStings: []
  undo: []
}>()
const { now, startedMs, titleOf } = useRunning()
const isCheck = computed(
  () => props.primary.kind === 'gate' && props.primary.gate === 'quick-check',
)
const undoWords = computed(() => {
  if (props.undoable)
    return `Undo ${Math.ceil((UNDO_MS - (now.value - props.undoable.atMs)) / 1000)}`
  return props.inferred ? `Still at ${titleOf(props.inferred.segment.stepId)}` : 'Nothing to undo'
})
</script>

<template>
  <div class="grid grid-cols-2 sm:grid-cols-[minmax(0,1fr)_9rem_9rem] gap-3">
    <button
      id="primary"
      type="button"
      class="rung rung-strong max-sm:col-span-2 !min-h-[120px] max-sm:!min-h-[88px] max-sm:text-xl text-2xl !font-semibold relative overflow-hidden !bg-now !border-now !text-on-strong px-6 select-none touch-none"
      @click="emit('tapped')"
      @pointerdown="emit('press')"
      @pointerup="emit('letGo')"
      @pointerleave="emit('letGo')"
      @contextmenu.prevent
    >
      <span
        class="absolute inset-y-0 left-0 bg-ink/30"
        :style="{ width: `${progress * 100}%` }"
        aria-hidden="true"
      />
      <span v-if="follows" class="relative">
        Take the lead
        <span class="block text-base font-normal">There it says: {{ primary.words }}</span>
      </span>
      <span v-else class="relative">{{ primary.words }}</span>
    </button>
    <button
      v-if="isCheck"
      type="button"
      class="rung !min-h-[120px] max-sm:!min-h-[72px] text-xl !border-mind text-mind"
      @click="emit('checkStings')"
    >
      It stings
    </button>
    <button
      v-else
      type="button"
      class="rung !flex-col !gap-0 !min-h-[120px] max-sm:!min-h-[72px] text-xl"
      v-off="startedMs === undefined && 'Nothing is on the skin before the visit has begun.'"
      @click="emit('stings')"
    >
      Stings
      <span v-if="startedMs === undefined" class="block text-sm">once it runs</span>
    </button>
    <button
      type="button"
      class="rung !min-h-[120px] max-sm:!min-h-[72px] text-lg"
      v-off="!undoable && !inferred && 'What was tapped can be taken back for ten seconds.'"
      @click="emit('undo')"
    >
      {{ undoWords }}
    </button>
  </div>
</template>
