<script setup lang="ts">
import type { Change } from '#core/adapt'
import type { Fact, Question } from '#core/client'
import { ZONE_GROUPS, zoneName, type ZoneId } from '#core/skin'
import { shortDate } from '~/support/time'

/** What is known of one word that was touched: yes or not known, when, where, and what it changes. */
const props = defineProps<{
  question: Question
  fact: Fact
  /** Medicines that answer it, in words. */ medicines?: string
  changes: readonly Change[]
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [fact: Fact] }>()
const ANSWERS = [
  { value: 'yes', word: 'Yes' },
  { value: 'unknown', word: 'Does not know' },
  { value: 'no', word: 'No' },
] as const
const DATE_WORDS = {
  since: 'Since',
  stopped: 'Stopped on (empty: still taken)',
  done: 'Done on',
  ahead: 'When',
} as const

function say(change: Partial<Fact>) {
  const { on, zones, ...kept } = { ...props.fact, ...change }
  emit('answer', {
    ...kept,
    code: props.question.code,
    askedOn: props.today,
    ...(on ? { on } : {}),
    ...(zones && zones.length > 0 ? { zones } : {}),
  })
}
/** Places in few touches: groups where the question allows all of them, single zones for the rest. */
const GROUPS = ['forehead', 'eyes', 'nose', 'cheek-left', 'cheek-right', 'neck']
const places = computed(() => {
  const zones = props.question.zones ?? []
  const groups = ZONE_GROUPS.filter(
    (group) => GROUPS.includes(group.id) && group.zones.every((zone) => zones.includes(zone)),
  )
  const rest = zones.filter((zone) => !groups.some((group) => group.zones.includes(zone)))
  return [
    ...groups,
    ...rest.map((zone) => ({ id: zone, name: zoneName(zone), zones: [zone] as readonly ZoneId[] })),
  ]
})
const isIn = (zones: readonly ZoneId[]) =>
  zones.every((zone) => props.fact.zones?.includes(zone) ?? false)
const flip = (zones: readonly ZoneId[]) =>
  say({
    zones: isIn(zones)
      ? (props.fact.zones ?? []).filter((zone) => !zones.includes(zone))
      : [...new Set([...(props.fact.zones ?? []), ...zones])],
  })
const isOlder = computed(() => props.fact.askedOn < props.today)
</script>

<template>
  <div class="mt-2 pl-4 border-l-2 border-mind" :data-detail="question.code">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p :id="`q-${question.code}`" class="flex-1 min-w-48">
        {{ question.ask }}<span v-if="medicines" class="text-sm text-mind"> · {{ medicines }}</span>
        <span v-if="isOlder" class="text-sm text-soft"> · told {{ shortDate(fact.askedOn) }} </span>
      </p>
      <div role="radiogroup" :aria-labelledby="`q-${question.code}`" class="flex gap-1 shrink-0">
        <button
          v-for="answer in ANSWERS"
          :key="answer.value"
          type="button"
          role="radio"
          class="pick"
          :class="answer.value === 'yes' && 'pick-mind'"
          :aria-checked="fact.answer === answer.value"
          :disabled="disabled"
          @click="say({ answer: answer.value })"
        >
          {{ answer.word }}
        </button>
      </div>
    </div>
    <div
      v-if="fact.answer === 'yes' && (question.date || question.zones)"
      class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2"
    >
      <label v-if="question.date" class="flex items-center gap-2 text-sm text-soft">
        {{ DATE_WORDS[question.date] }}
        <input
          type="date"
          class="field"
          :max="question.date === 'ahead' ? undefined : today"
          v-shown="fact.on ?? ''"
          :disabled="disabled"
          @change="say({ on: ($event.target as HTMLInputElement).value })"
        />
      </label>
      <div
        v-if="question.zones"
        class="flex flex-wrap gap-1"
        role="group"
        :aria-label="`Where: ${question.ask}`"
      >
        <button
          v-for="place in places"
          :key="place.id"
          type="button"
          class="pick text-sm"
          :aria-pressed="isIn(place.zones)"
          :disabled="disabled"
          @click="flip(place.zones)"
        >
          {{ place.name }}
        </button>
      </div>
    </div>
    <p v-for="(change, at) in changes" :key="at" class="mt-1.5 text-sm">
      <span class="font-semibold">{{ change.what }}.</span> {{ change.why[0]?.reason }}
      {{ change.why[0]?.instead }}
    </p>
  </div>
</template>
