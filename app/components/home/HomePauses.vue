<script setup lang="ts">
import { PAUSE_WORDS, type HomePlan } from '#core/homecare'
import { dateAfter, shortDate } from '~/support/time'

/** What is left alone after today, each as long as it lasts: one column is a day. */
const props = defineProps<{ plan: HomePlan }>()
const DAYS = 14
const longest = computed(() =>
  props.plan.pauses
    .map((pause) => ({ ...pause, days: daysUntil(pause.again) }))
    .sort((a, b) => b.days - a.days),
)
function daysUntil(again: string): number {
  let days = 0
  while (days < DAYS && dateAfter(props.plan.on, days) < again) days++
  return days
}
</script>

<template>
  <section v-if="longest.length > 0" aria-label="Pauses">
    <h2 class="display text-2xl border-b border-line pb-1 mb-2">Left alone, to scale</h2>
    <ul>
      <li v-for="{ what, again, because, basis, days } in longest" :key="what" class="mb-1.5">
        <p class="flex justify-between gap-3" :title="basis">
          <span class="first-letter:uppercase">{{ PAUSE_WORDS[what] }}</span>
          <span class="text-soft whitespace-nowrap">again {{ shortDate(again) }}</span>
        </p>
        <div class="h-1.5 bg-sunk" aria-hidden="true">
          <div class="h-full bg-mind" :style="{ width: `${(days / DAYS) * 100}%` }" />
        </div>
        <p class="sr-only">after {{ because }}: {{ basis }}</p>
      </li>
    </ul>
  </section>
</template>
