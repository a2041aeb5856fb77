<script setup lang="ts">
import { canonical } from '#core/perform'
import type { VisitData } from '~/stores/visit-data'

/** While a visit runs, and between its end and the signature, the other stages say so and lead on: nothing there is a dead end. */
const props = defineProps<{ data: VisitData }>()
const route = useRoute()
/** What the stages before and after the clock can still do while it runs. */
const RUNS: Readonly<Record<string, string>> = {
  fit: 'What was fitted stands here; from now on it is fitted again on Perform.',
  prepare: 'The tray stands as it was laid.',
  close: 'It is signed when it is finished there.',
}
const stage = computed(() => route.path.split('/').at(-1) ?? '')
const isOver = computed(() =>
  canonical(props.data.events).some(({ body }) => body.type === 'finish'),
)
const isShown = computed(
  () => props.data.visit.stage === 'performing' && !(isOver.value && stage.value === 'close'),
)
const note = computed(() =>
  isOver.value
    ? {
        title: 'This visit is over.',
        words: 'What stands here was performed.',
        to: 'close',
        button: 'Close it',
      }
    : {
        title: 'This visit runs.',
        words: RUNS[stage.value] ?? 'What you answer here counts for what is left.',
        to: 'perform',
        button: 'Back to the clock',
      },
)
</script>

<template>
  <p
    v-if="isShown"
    role="note"
    aria-label="Where this visit is"
    class="mb-3 px-4 py-2.5 bg-now-ground border-l-4 border-now flex flex-wrap items-center gap-x-4 gap-y-2"
  >
    <span class="min-w-0 flex-1">
      <span class="font-semibold">{{ note.title }}</span> {{ note.words }}
    </span>
    <NuxtLink
      :to="`/visits/${data.visit.id}/${note.to}`"
      class="rung rung-strong !min-h-[48px] no-print"
    >
      {{ note.button }}
    </NuxtLink>
  </p>
</template>
