<script setup lang="ts">
import type { Fact, Question } from '#core/client'
import { shortDate } from '~/support/time'

/** One question, three answers; after a yes the day, where the rules need one. */
const props = defineProps<{ question: Question; before: Fact | undefined; today: string }>()
const emit = defineEmits<{ answer: [fact: Fact] }>()
const ANSWERS = [
  { value: 'no', word: 'No' },
  { value: 'yes', word: 'Yes' },
  { value: 'unknown', word: 'I do not know' },
] as const
const DAY_WORDS = {
  since: 'Since when?',
  stopped: 'Do you still take or have it? If not: when did it stop?',
  done: 'When was it done?',
  ahead: 'When is it?',
} as const
const isDay = ref(false)
const day = ref('')

function say(answer: Fact['answer']) {
  if (answer === 'yes' && props.question.date) isDay.value = true
  else keep(answer)
}
const keep = (answer: Fact['answer'], on = '') =>
  emit('answer', {
    code: props.question.code,
    answer,
    askedOn: props.today,
    ...(on ? { on } : {}),
  })
const wordOf = (answer: Fact['answer']) => ANSWERS.find(({ value }) => value === answer)!.word
</script>

<template>
  <section class="flex flex-col gap-8" :aria-label="question.ask">
    <h1 class="text-5xl leading-tight max-w-[24ch]" aria-live="polite">{{ question.ask }}?</h1>
    <p v-if="before" class="text-xl text-soft">
      On {{ shortDate(before.askedOn) }} you said: {{ wordOf(before.answer) }}
    </p>
    <div v-if="!isDay" class="flex flex-col gap-3 max-w-xl">
      <button
        v-for="{ value, word } in ANSWERS"
        :key="value"
        type="button"
        class="rung !min-h-[88px] text-2xl !justify-start"
        @click="say(value)"
      >
        {{ word }}
      </button>
    </div>
    <form
      v-else-if="question.date"
      class="flex flex-col gap-4 max-w-xl"
      @submit.prevent="keep('yes', day)"
    >
      <label class="flex flex-col gap-2 text-2xl">
        {{ DAY_WORDS[question.date] }}
        <input
          v-model="day"
          class="field !min-h-[72px] text-2xl"
          type="date"
          :min="question.date === 'ahead' ? today : undefined"
          :max="question.date === 'ahead' ? undefined : today"
        />
      </label>
      <button
        type="submit"
        class="rung rung-strong !min-h-[88px] text-2xl"
        v-off="day === '' && 'Choose the day first.'"
      >
        {{ day === '' ? 'Choose the day' : 'On' }}
      </button>
      <button type="button" class="rung !min-h-[72px] text-xl" @click="keep('yes')">
        {{ question.date === 'stopped' ? 'It has not stopped' : 'I do not know the day' }}
      </button>
    </form>
  </section>
</template>
