<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { medicinesFor, type Fact, type Known, type Question } from '#core/client'
import { nothingNew } from '~/support/consult/consult'
import { changesBecause } from '~/support/fit/consequences'

/** Questions one under the other, each with what its answer changes; one touch answers all that are open. */
const props = defineProps<{
  title: string
  allWords: string
  questions: readonly Question[]
  facts: ReadonlyMap<string, Fact>
  known: readonly Known[]
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const medicineNames = (code: string) =>
  medicinesFor(code, props.facts, props.known)
    .map(({ known }) => known.name)
    .join(', ')
const answerAll = () =>
  emit('answer', nothingNew(props.questions, props.facts, props.today, props.known))
</script>

<template>
  <div class="flex items-center gap-4 border-b border-line pb-2">
    <h2 class="text-xl flex-1">{{ title }}</h2>
    <button type="button" class="rung" :disabled="disabled" @click="answerAll">
      {{ allWords }}
    </button>
  </div>
  <slot />
  <FactRow
    v-for="question in questions"
    :key="question.code"
    :question="question"
    :fact="facts.get(question.code)"
    :medicines="medicineNames(question.code)"
    :changes="changesBecause(plan, question.code)"
    :today="today"
    :disabled="disabled"
    @answer="emit('answer', [$event])"
  />
</template>
