<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { medicinesFor, noneOfThese, type Fact, type Known, type Question } from '#core/client'
import type { AskedGroup } from '~/support/consult/consult'
import { changesBecause } from '~/support/fit/consequences'

/** One group of questions: all its words to be touched, and one touch for none of them. */
const props = defineProps<{
  group: AskedGroup
  facts: ReadonlyMap<string, Fact>
  known: readonly Known[]
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
// Settled when the screen opens, and then by hand only: nothing may move away from under a finger.
const isFolded = ref(
  props.group.isDone || (props.group.questions.length > 0 && props.group.open.length === 0),
)
const details = computed(() =>
  props.group.questions.filter((question) => ['yes', 'unknown'].includes(answerOf(question) ?? '')),
)
const answerOf = ({ code }: Question) => props.facts.get(code)?.answer
const namesFor = (code: string) =>
  medicinesFor(code, props.facts, props.known)
    .map((medicine) => medicine.known.name)
    .join(', ')
const SIGNS = { yes: '✓', no: '–', unknown: '?' } as const
const STATES = { yes: 'yes', no: 'no', unknown: 'does not know' } as const
const signOf = (question: Question) => SIGNS[answerOf(question) ?? 'no']
const stateOf = (question: Question) => {
  const answer = answerOf(question)
  return answer ? STATES[answer] : 'not asked'
}
const isOld = (question: Question) => props.group.again.includes(question)
const touch = (question: Question) =>
  emit('answer', [
    {
      code: question.code,
      answer: answerOf(question) === 'yes' ? 'no' : 'yes',
      askedOn: props.today,
    },
  ])
/** Folded, only what was asked before is confirmed. */
const none = () => {
  const { questions, again } = props.group
  const meant = isFolded.value ? again : questions
  emit('answer', noneOfThese(meant, props.facts, props.today, props.known))
}
const noneWord = computed(() => {
  if (props.group.isDone) return '✓ Asked'
  if (isFolded.value) return 'Nothing new'
  return details.value.length > 0 ? 'Nothing else' : 'None of these'
})
</script>

<template>
  <section class="border-b border-hair py-2.5" :aria-label="group.name" :data-group="group.id">
    <div class="flex gap-2">
      <div class="min-w-0 flex-1" :class="isFolded && 'self-center'">
        <h3 class="flex items-baseline gap-2">
          <span class="font-semibold whitespace-nowrap">{{ group.name }}</span>
          <span class="text-sm truncate" :class="group.yes.length > 0 ? 'text-mind' : 'text-soft'">
            {{ group.told }}
          </span>
        </h3>
        <div v-if="!isFolded" class="flex flex-wrap gap-1.5 mt-1.5">
          <slot name="words">
            <button
              v-for="question in group.questions"
              :key="question.code"
              type="button"
              class="pick pick-mind !px-2.5"
              :class="{
                'text-soft': answerOf(question) === 'no',
                'border-dashed': isOld(question) || answerOf(question) === 'unknown',
              }"
              :aria-pressed="answerOf(question) === 'yes'"
              :title="question.ask"
              :data-question="question.code"
              :disabled="disabled"
              @click="touch(question)"
            >
              <span v-if="answerOf(question)" aria-hidden="true">{{ signOf(question) }}</span>
              {{ question.word }}<span class="sr-only">: {{ stateOf(question) }}</span>
            </button>
          </slot>
        </div>
      </div>
      <button
        v-if="isFolded"
        type="button"
        class="pick self-start"
        :aria-expanded="false"
        @click="isFolded = false"
      >
        Change …
      </button>
      <slot v-if="!isFolded || group.again.length > 0" name="none">
        <button
          type="button"
          class="pick self-start w-36"
          :class="!isFolded && 'min-h-[56px]'"
          :aria-pressed="group.isDone"
          :disabled="disabled"
          @click="none"
        >
          {{ noneWord }}
        </button>
      </slot>
    </div>
    <template v-if="!isFolded">
      <slot name="more" />
      <FactDetail
        v-for="question in details"
        :key="question.code"
        :question="question"
        :fact="facts.get(question.code)!"
        :medicines="namesFor(question.code)"
        :changes="changesBecause(plan, question.code)"
        :today="today"
        :disabled="disabled"
        @answer="emit('answer', [$event])"
      />
    </template>
  </section>
</template>
