<script setup lang="ts">
import { SENSATION_WORDS, type Layer } from '#core/perform'
import type { Sensation } from '#core/catalog'
import { keyOf } from '~/composables/perform/useSensations'

const props = defineProps<{
  open: boolean
  fitAgain: () => Promise<void>
  takeOff: (layer: Layer) => Promise<void>
}>()
const emit = defineEmits<{ close: []; emergency: [] }>()
const { store, live } = useRunning()
const told = useSensations(props.fitAgain)
const { touches, touch, sensation, strong, answer } = told
watch(
  () => props.open,
  (isOpen) => isOpen && told.open(),
)
const SENSATIONS = Object.keys(SENSATION_WORDS) as Sensation[]
const LEVEL_WORDS = {
  normal: 'That is normal',
  lower: 'Make it less',
  remove: 'Take it off now',
  emergency: 'Stop',
} as const
/** Of what stings it is asked only where it may be more than one thing. */
const isAsked = computed(() => touches.value.length > 1)
const COMES_OFF: ReadonlySet<string> = new Set(['layer', 'going-on', 'device'])
const layer = computed(() =>
  touch.value && COMES_OFF.has(touch.value.kind)
    ? live.value?.layers.find(({ stepId }) => stepId === touch.value!.stepId)
    : undefined,
)
/** It can become strong; what ends anyway need not. */
const mayBeStrong = computed(
  () => strong.value || answer.value?.level === 'normal' || answer.value?.level === 'lower',
)
const title = computed(() =>
  answer.value ? LEVEL_WORDS[answer.value.level] : 'What does the client feel?',
)

function close() {
  emit('close')
  void told.closed()
}
/** Off first: the rest is fitted with what then still lies there. */
async function off() {
  await props.takeOff(layer.value!)
  await told.closed()
}
function emergency() {
  emit('emergency')
  void told.closed()
}
async function goOn() {
  const { stepId } = touch.value!
  const measure = answer.value!.action
  emit('close')
  await store.say({ type: 'comfort', stepId, measure })
  await told.closed()
}
</script>

<template>
  <PlainDialog
    :open="open"
    wide
    :title="title"
    :alarm="answer !== undefined && answer.level !== 'normal'"
    @close="close"
  >
    <div v-if="isAsked" class="flex flex-wrap gap-2 mb-4" role="radiogroup" aria-label="Of what">
      <button
        v-for="one in touches"
        :key="keyOf(one)"
        type="button"
        role="radio"
        class="pick !min-h-[64px] flex-1 min-w-[9rem]"
        :aria-checked="touch === one"
        @click="told.choose(one)"
      >
        {{ one.name }}
      </button>
    </div>
    <p v-else-if="touch" class="mb-3 text-soft">{{ touch.name }}</p>
    <div v-if="!answer" class="grid grid-cols-2 sm:grid-cols-4 gap-2">
      <button
        v-for="one in SENSATIONS"
        :key="one"
        type="button"
        class="rung !min-h-[64px] text-lg"
        @click="told.felt(one)"
      >
        {{ SENSATION_WORDS[one] }}
      </button>
    </div>
    <template v-else>
      <p class="text-soft text-lg">{{ SENSATION_WORDS[sensation!] }}: {{ touch?.name }}</p>
      <p class="text-2xl mt-1">{{ answer.says }}</p>
      <p class="text-2xl font-semibold mt-2">{{ answer.action }}</p>
      <p v-if="answer.beyond" class="mt-3 text-lg text-soft">
        Kept as more than expected. The rest is fitted again when you go on: nothing more that works
        or warms, something soothing.
      </p>
      <div class="flex flex-wrap gap-3 mt-6">
        <button
          v-if="answer.level === 'emergency'"
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg !border-mind text-mind"
          @click="emergency"
        >
          Open the emergency card
        </button>
        <button
          v-else-if="layer?.removalId"
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg"
          :class="
            answer.level === 'remove' && '!bg-mind !border-mind !text-on-strong !font-semibold'
          "
          @click="off"
        >
          Take it off now
        </button>
        <button
          v-if="mayBeStrong"
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg"
          :aria-pressed="strong"
          @click="told.toggleStrong"
        >
          {{ strong ? 'Not that strong' : 'It is strong' }}
        </button>
        <button
          type="button"
          class="rung !min-h-[72px] flex-1 text-lg"
          :class="answer.level !== 'remove' && 'rung-strong'"
          @click="goOn"
        >
          {{ answer.level === 'normal' ? 'Done, go on' : 'I did that, go on' }}
        </button>
      </div>
    </template>
  </PlainDialog>
</template>
