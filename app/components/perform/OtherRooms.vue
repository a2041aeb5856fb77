<script setup lang="ts">
import { clashWords, isUrgent, nextWords } from '~/ladder/room-words'
import { clockTime } from '~/support/time'

/** Rooms that take turns with this one: a line each, with what is due there next and a touch to change over. */
const { now, timeZone } = useRunning()
const { lines, unfitted, ask, present } = useRooms()
/** Who leads says where hands go. */
const { follows } = useLead()
const bookedFor = (startsAt: string) => `booked for ${clockTime(startsAt, timeZone.value)}`
const fitted = computed(() =>
  lines.value.map(({ room, next, clash, isThere }) => ({
    place: room,
    isThere,
    words: next
      ? nextWords(next, room.titleOf, now.value)
      : `not begun, ${bookedFor(room.run.head.startsAt)}`,
    isUrgent: next ? isUrgent(next) : false,
    clash:
      clash && present.value
        ? clashWords(clash, [room.titleOf, present.value.titleOf], timeZone.value)
        : '',
  })),
)
const shown = computed(() => [
  ...fitted.value,
  ...unfitted.value.map((place) => ({
    ...{ place, isThere: false, isUrgent: false, clash: '' },
    words: `not fitted yet, ${bookedFor(place.startsAt)}`,
  })),
])
</script>

<template>
  <ul v-if="shown.length > 0" aria-label="Other rooms" class="border-b border-line">
    <li v-for="line in shown" :key="line.place.visitId" class="flex items-center gap-4 py-2">
      <p class="flex-1 min-w-0 text-lg leading-snug" :class="line.isUrgent && 'text-now'">
        <span class="font-semibold">{{ line.place.name }}</span>
        <span v-if="line.isThere" class="text-soft"> · you are there</span>
        · <span class="tabular-nums">{{ line.words }}</span>
        <span v-if="line.clash" class="block text-base text-mind">⊘ {{ line.clash }}.</span>
      </p>
      <button
        v-if="!follows"
        type="button"
        class="rung !min-h-[64px] shrink-0 text-lg"
        :aria-label="`Change over to ${line.place.name}`"
        @click="ask(line.place)"
      >
        Change over …
      </button>
    </li>
  </ul>
</template>
