<script setup lang="ts">
import type { Scaled } from '#core/mixing'
import type { FieldOption } from '~/support/options'
import type { BenchPart } from '~/support/shelf/bench'
import { figure } from '~/support/shelf/shelf'

/** One part on the bench: what it is, how many parts, how many grams, and what that is in the hand. */
const props = defineProps<{
  part: BenchPart
  nr: number
  name: string
  choices: readonly FieldOption[]
  line: Scaled['lines'][number] | undefined
}>()
const emit = defineEmits<{
  change: [more: Partial<BenchPart>]
  grams: [grams: number]
  weigh: []
  remove: []
  bad: [says: string]
}>()
/** Everything on the bench is above zero. */
const LEAST = 0.001
const FIRST_OFF = 0.1
const { amountOf } = useMeasures()
const inHand = computed(() => {
  const { line } = props
  if (line?.inHand) return line.inHand.words
  return line?.mL === undefined ? 'weigh it' : amountOf(line.mL, 'mL')
})
const isOff = computed(() => (props.line?.inHand?.off ?? 0) > FIRST_OFF)
const scaleWords = computed(() => {
  const grams = props.part.weighedG
  return grams === undefined ? 'Weigh' : `${grams.toFixed(2)} g`
})
</script>

<template>
  <div
    class="grid grid-cols-[minmax(9rem,1fr)_4.5rem_5.5rem_8.5rem_6rem_2.5rem] gap-3 items-center"
  >
    <FieldChoice
      beside
      grows
      class="choice-fills"
      :name="`Part ${nr}`"
      :value="part.productId"
      :options="choices"
      @change="emit('change', { productId: $event, weighedG: undefined })"
    />
    <FieldFigure
      :name="`Parts of ${name}`"
      words="Parts"
      :value="part.parts"
      :least="LEAST"
      @change="emit('change', { parts: $event })"
      @bad="emit('bad', $event)"
    />
    <fieldset :disabled="line?.grams === undefined" class="min-w-0">
      <FieldFigure
        :name="`Grams of ${name}`"
        words="Grams"
        :value="line?.grams"
        :least="LEAST"
        @change="emit('grams', $event)"
        @bad="emit('bad', $event)"
      />
    </fieldset>
    <span>
      {{ inHand }}
      <span v-if="isOff" class="block text-sm text-now">
        gives {{ figure(line!.inHand!.gives) }}
      </span>
    </span>
    <button
      type="button"
      class="pick text-sm whitespace-nowrap"
      v-off="line?.grams === undefined && 'Say how much is mixed first.'"
      @click="emit('weigh')"
    >
      {{ scaleWords }}
    </button>
    <button
      type="button"
      class="min-h-[44px]"
      :aria-label="`Take ${name} out`"
      @click="emit('remove')"
    >
      ×
    </button>
  </div>
</template>
