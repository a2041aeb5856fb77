<script setup lang="ts">
import { clashWords, isUrgent, nextWords } from '~/ladder/room-words'
import type { Room } from '~/composables/perform/useRooms'
import { clockTime } from '~/support/time'

/** Rooms that take turns with this one: a line each, with what is due there next and a touch to change over. */
const { now, timeZone } = useRunning()
const { lines, ask, present } = useRooms()
const titlesOf = (room: Room) => (stepId: string) =>
  room.state.plan.steps.find(({ id }) => id === stepId)?.title ?? ''
const shown = computed(() =>
  lines.value.map(({ room, next, clash, isThere }) => ({
    room,
    isThere,
    words: next
      ? nextWords(next, titlesOf(room), now.value)
      : `not begun, booked for ${clockTime(Date.parse(room.run.head.startsAt), timeZone.value)}`,
    isUrgent: next ? isUrgent(next) : false,
    clash:
      clash && present.value
        ? clashWords(clash, [titlesOf(room), titlesOf(present.value)], timeZone.value)
        : '',
  })),
)
</script>

<template>
  <ul v-if="shown.length > 0" aria-label="Other rooms" class="border-b border-line">
    <li v-for="line in shown" :key="line.room.visitId" class="flex items-center gap-4 py-2">
      <p class="flex-1 min-w-0 text-lg leading-snug" :class="line.isUrgent && 'text-now'">
        <span class="font-semibold">{{ line.room.name }}</span>
        <span v-if="line.isThere" class="text-soft"> · you are there</span>
        · <span class="tabular-nums">{{ line.words }}</span>
        <span v-if="line.clash" class="block text-base text-mind">⊘ {{ line.clash }}.</span>
      </p>
      <button
        type="button"
        class="rung !min-h-[64px] shrink-0 text-lg"
        :aria-label="`Change over to ${line.room.name}`"
        @click="ask(line.room)"
      >
        Change over …
      </button>
    </li>
  </ul>
</template>
