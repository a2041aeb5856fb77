<script setup lang="ts">
import type { plannedAgainstActual } from '~/ladder/actual'
import { halfMinutes } from '~/support/time'

/** What was planned against what was done, step by step. */
type Actual = ReturnType<typeof plannedAgainstActual>
defineProps<{ actual: Actual }>()
const FIRST_OVER_S = 60
const isOver = ({ actualS, plannedS }: Actual['rows'][number]) =>
  actualS !== undefined && actualS > plannedS + FIRST_OVER_S
function actualWords({ skipped, actualS }: Actual['rows'][number]) {
  if (skipped) return 'skipped'
  return actualS === undefined ? '–' : `${halfMinutes(actualS)} min`
}
</script>

<template>
  <div class="flex items-baseline border-b border-line pb-2">
    <h2 class="text-xl flex-1">Planned against actual</h2>
    <p>
      <span class="display text-2xl">
        {{ actual.actualS === undefined ? 'running' : halfMinutes(actual.actualS) }} </span>{{ ' '
      }}<span class="text-soft">min, planned {{ halfMinutes(actual.plannedS) }}</span>
    </p>
  </div>
  <table class="w-full">
    <thead class="sr-only">
      <tr><th>Step</th><th>Planned</th><th>Actual</th></tr>
    </thead>
    <tbody>
      <tr v-for="row in actual.rows" :key="row.stepId" class="border-b border-hair">
        <td class="py-1.5">
          {{ row.title }}
        </td>
        <td class="text-right text-soft w-16">
          {{ halfMinutes(row.plannedS) }}
        </td>
        <td class="text-right w-20" :class="isOver(row) ? 'text-mind font-semibold' : ''">
          {{ actualWords(row) }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
