<script setup lang="ts">
import { SLOWER, type RunBody } from '#core/perform'
import { clockTime } from '~/support/time'

/** Arrived late, or has to go: what ending by a time costs, before anything is said. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; take: [said: readonly RunBody[]]; pause: [] }>()
const { store, paused, timeZone } = useRunning()
const end = useEndBy()
const { endMs, slowerBy, shown, bookedMs, beforeMs, isTooLate, whyNotTake, takeWords } = end
const clock = (ms: number) => clockTime(ms, timeZone.value)
const nextMs = computed(() => (store.run?.next ? Date.parse(store.run.next.startsAt) : undefined))
const nowWords = computed(() => {
  const booked = bookedMs.value === undefined ? '' : ` Booked until ${clock(bookedMs.value)}.`
  const next = nextMs.value === undefined ? '' : ` The next client comes at ${clock(nextMs.value)}.`
  return `As it goes it is done at ${clock(beforeMs.value)}.${booked}${next}`
})
watch(
  () => props.open,
  (isOpen) => {
    if (isOpen) void end.open()
  },
)
</script>

<template>
  <PlainDialog :open="open" wide title="Has to end by" @close="emit('close')">
    <p class="text-lg text-soft">{{ nowWords }}</p>
    <div class="flex items-center gap-4 mt-4">
      <button type="button" class="rung !min-h-[64px] w-28 text-lg" @click="end.earlier">
        − 5 min
      </button>
      <p class="display text-5xl tabular-nums min-w-[9rem] text-center" aria-live="polite">
        {{ clock(endMs) }}
      </p>
      <button type="button" class="rung !min-h-[64px] w-28 text-lg" @click="end.later">
        + 5 min
      </button>
      <button
        v-if="bookedMs"
        type="button"
        class="rung !min-h-[64px] text-lg"
        @click="end.choose(bookedMs)"
      >
        As booked
      </button>
    </div>
    <div
      class="mt-4 flex flex-wrap items-center gap-2"
      role="radiogroup"
      aria-label="How fast hands are today"
    >
      <button
        v-for="percent in SLOWER"
        :key="percent"
        type="button"
        role="radio"
        class="pick !min-h-[64px] flex-1 text-lg"
        :aria-checked="slowerBy === percent"
        @click="end.slower(percent)"
      >
        {{ percent === 0 ? 'Hands as usual' : `Slower, + ${percent} %` }}
      </button>
    </div>
    <FitPreview class="mt-5" :shown="shown" name="What goes" none="Nothing has to go.">
      <p v-if="isTooLate" class="text-mind mt-1">
        No earlier: what lies on the skin and what has to be in it take until then.
      </p>
    </FitPreview>
    <TakeRow
      :words="takeWords"
      :why-not="whyNotTake"
      @take="emit('take', end.said())"
      @close="emit('close')"
    >
      <button
        type="button"
        class="rung !min-h-[72px] text-xl"
        v-off="paused && 'Your clock stands already: Go on ends it.'"
        @click="emit('pause')"
      >
        {{ paused ? 'Paused already' : 'Pause' }}
      </button>
    </TakeRow>
  </PlainDialog>
</template>
