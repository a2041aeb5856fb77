<script setup lang="ts">
import type { Change } from '#core/adapt'
import { causeWords, glyphOf } from '~/support/fit/consequences'
import { clockTime } from '~/support/time'

/** What it would make of the rest: when it is done before and after, what goes or changes, and why. */
defineProps<{
  shown: {
    readonly trouble: string
    readonly isBusy: boolean
    readonly beforeMs: number
    readonly afterMs: number | undefined
    readonly changes: readonly Change[]
  }
  /** The name of the list. */
  name: string
  /** What stands there where nothing goes. */
  none: string
}>()
const { timeZone } = useRunning()
const { said } = useMeasures()
const clock = (ms: number) => clockTime(ms, timeZone.value)
</script>

<template>
  <div class="border-t border-hair pt-4 min-h-[13rem]" aria-live="polite">
    <p v-if="shown.isBusy" class="text-lg text-soft">Fitting what is left …</p>
    <p v-else-if="shown.trouble" role="alert" class="text-lg text-mind">{{ shown.trouble }}</p>
    <template v-else-if="shown.afterMs">
      <p class="text-2xl tabular-nums">
        {{ clock(shown.beforeMs) }} →
        <span class="font-semibold">{{ clock(shown.afterMs) }}</span>
      </p>
      <slot />
      <ul class="mt-3 grid gap-1.5 text-lg" :aria-label="name">
        <li v-for="change in shown.changes" :key="change.what">
          <span class="text-mind font-bold" aria-hidden="true">
            {{ glyphOf(change.kind).glyph }}
          </span>
          {{ change.what }}
          <span v-if="change.why[0]" class="block text-sm text-soft">
            {{ said(causeWords(change.why[0])) }}
          </span>
        </li>
        <li v-if="shown.changes.length === 0" class="text-soft">{{ none }}</li>
      </ul>
    </template>
  </div>
</template>
