<script setup lang="ts">
import type { Change } from '#core/adapt'
import type { Fact, Question } from '#core/client'
import { zonesInWords, type ZoneId } from '#core/skin'
import { shortDate } from '~/support/time'

const props = defineProps<{ question: Question; fact: Fact | undefined; changes: readonly Change[]; today: string; disabled: boolean }>()
const emit = defineEmits<{ answer: [fact: Fact] }>()
const ANSWERS = [{ value: 'no', word: 'No' }, { value: 'yes', word: 'Yes' }, { value: 'unknown', word: 'Not asked' }] as const
const DATE_WORDS = { since: 'Since', stopped: 'Stopped on (leave empty if still taken)', done: 'Done on' } as const

const value = computed(() => props.fact?.answer ?? 'unknown')
function say(change: Partial<Fact>) {
  const { on, zones, ...kept } = { ...props.fact, ...change }
  emit('answer', { ...kept, code: props.question.code, answer: change.answer ?? value.value, askedOn: props.today, ...(on ? { on } : {}), ...(zones && zones.length > 0 ? { zones } : {}) })
}
const flip = (zone: ZoneId) => say({ zones: props.fact?.zones?.includes(zone) ? props.fact.zones.filter((one) => one !== zone) : [...(props.fact?.zones ?? []), zone] })
</script>

<template>
  <div class="py-2 border-b border-hair">
    <div class="flex items-center gap-4">
      <p :id="`q-${question.code}`" class="flex-1">{{ question.ask }}<span v-if="fact && fact.answer !== 'unknown' && fact.askedOn !== today" class="text-sm text-soft"> · told {{ shortDate(fact.askedOn) }}</span></p>
      <div role="radiogroup" :aria-labelledby="`q-${question.code}`" class="flex gap-1 shrink-0">
        <button v-for="one in ANSWERS" :key="one.value" type="button" role="radio" class="pick" :class="one.value === 'yes' && 'pick-mind'" :aria-checked="value === one.value" :disabled="disabled" @click="say({ answer: one.value })">{{ one.word }}</button>
      </div>
    </div>
    <div v-if="value === 'yes' && (question.date || question.zones)" class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2 pl-4 border-l-2 border-mind">
      <label v-if="question.date" class="flex items-center gap-2 text-sm text-soft">{{ DATE_WORDS[question.date] }}<input type="date" class="field" :max="today" :value="fact?.on ?? ''" :disabled="disabled" @change="say({ on: ($event.target as HTMLInputElement).value })"></label>
      <div v-if="question.zones" class="flex flex-wrap gap-1" role="group" :aria-label="`Where: ${question.ask}`">
        <button v-for="zone in question.zones" :key="zone" type="button" class="pick text-sm" :aria-pressed="fact?.zones?.includes(zone) ?? false" :disabled="disabled" @click="flip(zone)">{{ zonesInWords([zone]) }}</button>
      </div>
    </div>
    <p v-for="(change, at) in changes" :key="at" class="mt-1.5 pl-4 border-l-2 border-mind text-sm"><span class="font-semibold">{{ change.what }}.</span> {{ change.why[0]?.reason }} {{ change.why[0]?.instead }}</p>
  </div>
</template>
