<script setup lang="ts">
import { answerSensation, SENSATION_WORDS, type Answer, type Layer } from '#core/perform'
import type { Product, Sensation } from '#core/catalog'

const props = defineProps<{
  open: boolean
  layers: readonly Layer[]
  titleOf: (stepId: string) => string
  productOf: (stepId: string) => Product | undefined
  nowMs: number
}>()
const emit = defineEmits<{
  close: []
  felt: [stepId: string, sensation: Sensation]
  off: [layer: Layer]
  comfort: [stepId: string, measure: string]
  emergency: []
}>()
const chosen = ref<string>()
const answer = ref<{ sensation: Sensation; answer: Answer }>()
const layer = computed(
  () => props.layers.find((layer) => layer.stepId === chosen.value) ?? props.layers[0],
)
watch(
  () => props.open,
  () => {
    chosen.value = undefined
    answer.value = undefined
  },
)
const SENSATIONS = Object.keys(SENSATION_WORDS) as Sensation[]
const LEVEL_WORDS = {
  normal: 'That is normal',
  lower: 'Make it less',
  remove: 'Take it off now',
  emergency: 'Stop',
} as const

function felt(sensation: Sensation) {
  const stepId = layer.value?.stepId ?? ''
  const sinceS = layer.value ? (props.nowMs - layer.value.sinceMs) / 1000 : 0
  answer.value = { sensation, answer: answerSensation(sensation, props.productOf(stepId), sinceS) }
  emit('felt', stepId, sensation)
}
function comfort() {
  emit('comfort', layer.value?.stepId ?? '', answer.value!.answer.action)
  emit('close')
}
</script>

<template>
  <PlainDialog
    :open="open"
    wide
    :title="answer ? LEVEL_WORDS[answer.answer.level] : 'What does the client feel?'"
    :alarm="answer !== undefined && answer.answer.level !== 'normal'"
    @close="emit('close')"
  >
    <template v-if="!answer">
      <div
        v-if="layers.length > 1"
        class="flex gap-2 mb-4"
        role="radiogroup"
        aria-label="Which layer"
      >
        <button
          v-for="lying in layers"
          :key="lying.stepId"
          type="button"
          role="radio"
          class="pick !min-h-[64px] flex-1"
          :aria-checked="layer?.stepId === lying.stepId"
          @click="chosen = lying.stepId"
        >
          {{ titleOf(lying.stepId) }}
        </button>
      </div>
      <p v-else-if="layer" class="mb-3 text-soft">{{ titleOf(layer.stepId) }}</p>
      <div class="grid grid-cols-4 gap-2">
        <button
          v-for="sensation in SENSATIONS"
          :key="sensation"
          type="button"
          class="rung !min-h-[64px] text-lg"
          @click="felt(sensation)"
        >
          {{ SENSATION_WORDS[sensation] }}
        </button>
      </div>
    </template>
    <template v-else>
      <p class="text-2xl">{{ answer.answer.says }}</p>
      <p class="text-2xl font-semibold mt-2">{{ answer.answer.action }}</p>
      <div class="flex gap-3 mt-6">
        <button
          v-if="answer.answer.level === 'emergency'"
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg !border-mind text-mind"
          @click="emit('emergency')"
        >
          Open the emergency card
        </button>
        <button
          v-else-if="layer?.removalId"
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg"
          :class="
            answer.answer.level === 'remove' &&
            '!bg-mind !border-mind !text-on-strong !font-semibold'
          "
          @click="emit('off', layer)"
        >
          Take it off now
        </button>
        <button
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg"
          :class="answer.answer.level !== 'remove' && 'rung-strong'"
          @click="comfort"
        >
          {{ answer.answer.level === 'normal' ? 'Done, go on' : 'I did that, go on' }}
        </button>
      </div>
    </template>
  </PlainDialog>
</template>
