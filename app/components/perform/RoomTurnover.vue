<script setup lang="ts">
import { isTurned, type RoomTask } from '#core/perform'
import { clockTime, minutesSeconds } from '~/support/time'

/** The room's own ladder after the visit: what hands do, what lies wet meanwhile, and when the next client can be led in. */
const { now, timeZone } = useRunning()
const { turnover, bookedMs, tick } = useTurnover()
const clock = (ms: number) => clockTime(ms, timeZone.value)
const isLate = computed(
  () => bookedMs.value !== undefined && (turnover.value?.freeMs ?? 0) > bookedMs.value,
)
function stateWords({ status, fromMs, readyMs }: RoomTask): string {
  if (status === 'wet') return `wet ${minutesSeconds((readyMs - now.value) / 1000)} more`
  if (status === 'waits') return `in ${minutesSeconds((fromMs - now.value) / 1000)}`
  return status === 'done' ? 'done' : ''
}
</script>

<template>
  <section v-if="turnover" aria-label="Turnover of the room">
    <p class="text-xl" aria-live="polite">
      <span v-if="turnover.isDone" class="font-semibold">The room is free.</span>
      <template v-else>
        Room free at <span class="display text-3xl tabular-nums">{{ clock(turnover.freeMs) }}</span>
      </template>
      <span v-if="bookedMs && isLate" class="text-mind font-semibold">
        · booked until {{ clock(bookedMs) }}</span
      >
    </p>
    <ul class="mt-2 border-t border-hair">
      <li v-for="task in turnover.tasks" :key="task.id" class="border-b border-hair">
        <button
          type="button"
          role="checkbox"
          class="w-full min-h-[56px] py-1.5 flex items-center gap-4 text-left"
          :aria-checked="isTurned(task)"
          @click="tick(task)"
        >
          <span
            class="shrink-0 w-7 h-7 border-2 rounded-sm grid place-items-center text-lg"
            :class="task.status === 'next' ? 'border-now' : 'border-line'"
            aria-hidden="true"
            >{{ isTurned(task) ? '✓' : '' }}</span
          >
          <span class="flex-1 min-w-0 leading-tight">
            <span
              class="block text-lg"
              :class="task.status === 'next' ? 'text-now font-semibold' : ''"
              >{{ task.title }}</span
            >
            <span v-if="!isTurned(task)" class="block text-soft">{{ task.how }}</span>
          </span>
          <span class="shrink-0 text-lg tabular-nums text-now">{{ stateWords(task) }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>
