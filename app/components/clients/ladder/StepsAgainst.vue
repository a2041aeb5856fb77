<script setup lang="ts">
import type { RungPair } from '#core/record'
import type { ActualRow } from '~/ladder/actual'
import type { Pair } from '~/long-ladder/against'
import { halfMinutes, shortDate } from '~/support/time'

/** Two ladders rung by rung: the same steps stand level, what only one had stands alone. */
defineProps<{ steps: readonly RungPair<ActualRow>[]; pair: Pair }>()
function minutes(row: ActualRow | undefined): string {
  if (!row) return ''
  if (row.skipped) return 'left out'
  return row.actualS === undefined ? '–' : `${halfMinutes(row.actualS)} min`
}
</script>

<template>
  <section aria-label="Ladders">
    <h3 class="display text-2xl border-b border-line pb-1">Rung by rung</h3>
    <table class="w-full">
      <thead>
        <tr class="text-left text-soft">
          <th v-for="rung in pair" :key="rung.id" colspan="2" class="font-normal py-1.5">
            {{ shortDate(rung.on) }}, {{ rung.protocol }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ before, after }, at) in steps" :key="at" class="border-b border-hair">
          <td class="py-1.5 pr-3 w-[38%]" :class="!before && 'text-soft'">
            {{ before?.title }}
          </td>
          <td class="w-[12%] text-soft">{{ minutes(before) }}</td>
          <td class="pr-3 w-[38%]" :class="!after && 'text-soft'">{{ after?.title }}</td>
          <td class="w-[12%] text-right" :class="before ? 'text-soft' : ''">{{
            minutes(after)
          }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
