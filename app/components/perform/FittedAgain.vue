<script setup lang="ts">
import type { Change } from '#core/adapt'
import { causeWords, glyphOf } from '~/support/fit/consequences'
import { changesOfLastFit } from '~/support/perform/running'

const SHOWN_MOST = 5
const FAULTS_MOST = 2
const { store, now } = useRunning()
const fit = computed(() =>
  store.run ? changesOfLastFit(store.state?.events ?? [], store.run, now.value) : undefined,
)
function reasonOf({ why: [why] }: Change) {
  return why && causeWords(why)
}
const { said } = useMeasures()
</script>

<template>
  <section
    v-if="fit"
    aria-label="Fitted again"
    class="mt-3 border-l-4 border-now bg-now-ground px-3 py-2"
  >
    <p class="font-semibold">
      {{ fit.faults.length > 0 ? 'The server fitted the rest again' : 'Fitted again from now'
      }}{{ fit.changes.length === 0 ? ': nothing changes' : '' }}
    </p>
    <p v-if="fit.faults.length > 0" class="text-mind">
      This tablet’s ladder did not hold{{
        fit.changes.length === 0 ? `: ${fit.faults.slice(0, FAULTS_MOST).join('; ')}.` : '.'
      }}
    </p>
    <p v-for="why in fit.refer" :key="why.ruleId" class="text-mind">
      <span class="font-semibold">▲ Refer: {{ why.because }}.</span> {{ said(why.instead) }}
    </p>
    <p v-for="(change, at) in fit.changes.slice(0, SHOWN_MOST)" :key="at" class="truncate">
      <span class="text-mind font-bold">{{ glyphOf(change.kind).glyph }}</span>
      {{ change.what }}
      <span class="text-sm text-soft">{{ reasonOf(change) }}</span>
    </p>
    <p v-if="fit.changes.length > SHOWN_MOST" class="text-soft">
      and {{ fit.changes.length - SHOWN_MOST }} more on the ladder
    </p>
  </section>
</template>
