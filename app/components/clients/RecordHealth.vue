<script setup lang="ts">
import { QUESTIONS, type Fact } from '#core/client'
import { factLine, factsToShow } from '~/support/record'
import type { ClientRecord } from '~/support/clients'
import { shortDate } from '~/support/time'

/** What somebody said of their health, with its day: what is yes first, then what is not known. New answers are appended. */
const props = defineProps<{ record: ClientRecord; mayWrite: boolean }>()
const emit = defineEmits<{ answer: [fact: Fact] }>()
const health = computed(() => props.record.health!)
const shown = computed(() => factsToShow(health.value.facts))
const code = ref('')
const note = ref('')
const OPTIONS = QUESTIONS.map((question) => ({ value: question.code, words: question.word }))
const ANSWERS = [
  { value: 'yes', words: 'Yes' },
  { value: 'no', words: 'No' },
  { value: 'unknown', words: 'Does not know' },
] as const
function say(answer: Fact['answer']) {
  const more = note.value.trim() ? { note: note.value.trim() } : {}
  emit('answer', { code: code.value, answer, askedOn: props.record.today, ...more })
  code.value = ''
  note.value = ''
}
</script>

<template>
  <section aria-label="Health">
    <h2 class="text-2xl mb-2">Health</h2>
    <ul>
      <li
        v-for="fact in shown.yes"
        :key="fact.code"
        class="flex items-baseline gap-3 border-b border-hair py-1.5"
      >
        <span class="text-mind" aria-hidden="true">●</span>
        <span class="flex-1 font-semibold">{{ factLine(fact) }}</span>
        <span class="text-sm text-soft">{{ shortDate(fact.askedOn) }}</span>
      </li>
      <li
        v-for="fact in shown.unknown"
        :key="fact.code"
        class="flex items-baseline gap-3 border-b border-hair py-1.5"
      >
        <span class="text-now" aria-hidden="true">?</span>
        <span class="flex-1">{{ factLine(fact) }}: does not know, counts as yes</span>
        <span class="text-sm text-soft">{{ shortDate(fact.askedOn) }}</span>
      </li>
      <li
        v-for="clearance in health.clearances"
        :key="clearance.clearance"
        class="border-b border-hair py-1.5"
      >
        Cleared by {{ clearance.by }}: {{ clearance.clearance }}
        <span class="text-sm text-soft">{{ shortDate(clearance.on) }}</span>
      </li>
    </ul>
    <p class="text-soft py-1.5">
      {{ shown.no.length }} {{ shown.no.length === 1 ? 'answer' : 'answers' }} no.
      <template v-if="shown.yes.length === 0 && shown.no.length === 0"
        >Nothing was asked yet.</template
      >
    </p>
    <form v-if="mayWrite" class="flex flex-col gap-2" @submit.prevent>
      <FieldChoice
        grows
        label="Told between visits"
        unset="a word of the question"
        :value="code"
        :options="OPTIONS"
        @change="code = $event"
      />
      <template v-if="code">
        <input
          v-model="note"
          class="field"
          maxlength="500"
          placeholder="in their words, if it helps"
          aria-label="In their words"
        />
        <div class="flex gap-2">
          <button
            v-for="one in ANSWERS"
            :key="one.value"
            type="button"
            class="pick"
            @click="say(one.value)"
          >
            {{ one.words }}
          </button>
        </div>
      </template>
    </form>
  </section>
</template>
