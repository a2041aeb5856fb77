<script setup lang="ts">
import { dequal } from 'dequal'
import {
  answerInWords,
  CALM_ANSWER,
  leavingInWords,
  type CheckIn,
  type LeavingSkin,
  type SkinAnswer,
} from '#core/climb'
import { MOST_TRIES } from '#core/board'
import { dayIn, shortDate } from '~/support/time'

/** How the skin answered after a visit: a day or more after, for before that nobody knows. */
const props = defineProps<{
  visit: {
    id: string
    on: string
    answer: SkinAnswer | null
    leaving?: LeavingSkin | null | undefined
    checkIns?: readonly CheckIn[] | undefined
  }
  disabled: boolean
  /** How often the client was asked for and not reached; left out where nobody is called. */
  tries?: number | undefined
}>()
const emit = defineEmits<{
  checkIn: [visitId: string, answer: SkinAnswer]
  notReached: [visitId: string]
}>()
const isOpen = ref(false)
const skin = ref<SkinAnswer>({ ...CALM_ANSWER })
// The same visit read again is another object: what is being filled in stays.
watch(
  () => JSON.stringify([props.visit.id, props.visit.answer]),
  () => {
    skin.value = { ...CALM_ANSWER, ...props.visit.answer }
  },
  { immediate: true },
)
const told = computed(() => {
  const { answer, leaving } = props.visit
  if (answer) return answerInWords(answer)
  if (props.tries) return triesWords(props.tries)
  return leaving ? `on leaving: ${leavingInWords(leaving)}; since then not told` : 'not told'
})
function triesWords(tries: number): string {
  if (tries >= MOST_TRIES) return `not reached ${tries} times: unknown, and every lever holds`
  return tries === 1 ? 'asked for once, not reached' : `asked for ${tries} times, not reached`
}
const timeZone = useVisitStore().data?.visit.timeZone ?? 'UTC'
const today = dayIn(timeZone, new Date())
/** Where somebody is called, they are asked again on another day. */
const isTold = computed(
  () =>
    props.visit.answer !== null &&
    (props.tries === undefined || (props.visit.checkIns?.at(-1)?.askedOn ?? '') >= today),
)
const whyNotCalm = computed(() => {
  if (isTold.value) return 'It was told already.'
  return today <= props.visit.on ? 'Too early to know: it is told a day or more after.' : undefined
})
const calmWords = computed(() => {
  if (isTold.value) return '✓ Told'
  return props.visit.answer ? 'Nothing since' : 'It was calm'
})
const isUntouched = computed(() => dequal(skin.value, { ...CALM_ANSWER, ...props.visit.answer }))
function keep(answer: SkinAnswer) {
  emit('checkIn', props.visit.id, answer)
  isOpen.value = false
}
</script>

<template>
  <section class="border-b border-hair py-3" aria-label="Reaction after last visit">
    <div class="flex flex-wrap items-center gap-2">
      <h3 class="flex-1 min-w-[19rem] max-sm:min-w-full flex flex-wrap items-baseline gap-x-2">
        <span class="font-semibold">Skin after {{ shortDate(visit.on) }}</span>
        <span class="text-sm text-soft">{{ told }}</span>
      </h3>
      <button type="button" class="pick" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        Something …
      </button>
      <button
        v-if="tries !== undefined && !isTold"
        type="button"
        class="pick"
        :disabled="disabled"
        @click="emit('notReached', visit.id)"
      >
        Not reached
      </button>
      <button
        type="button"
        class="pick w-36 max-sm:flex-1"
        :aria-pressed="isTold"
        :disabled="disabled"
        v-off="whyNotCalm"
        @click="keep({ ...CALM_ANSWER })"
      >
        {{ calmWords }}
      </button>
    </div>
    <div v-if="isOpen" class="pb-1 pl-4 mt-2 border-l-2 border-mind max-w-xl">
      <AnswerForm v-model="skin" :disabled="disabled" />
      <button
        type="button"
        class="rung rung-strong mt-3"
        :disabled="disabled"
        v-off="isUntouched && 'Say first what it was.'"
        @click="keep(skin)"
      >
        Keep as a check-in
      </button>
    </div>
  </section>
</template>
