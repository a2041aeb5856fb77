<script setup lang="ts">
import { nextDue } from '#core/perform'
import { nextWords, stayWords } from '~/ladder/room-words'
import type { Room } from '~/composables/perform/useRooms'

/** From one client to another: what waits there, what has to be minded here, and the call bell. */
const { now, timeZone } = useRunning()
const { move, go, forget } = useRooms()
const wordsOf = (room: Room | undefined) =>
  room?.state.startedMs === undefined
    ? 'nothing has begun'
    : nextWords(nextDue(room.live, now.value), room.titleOf, now.value)
const whyNot = computed(() => {
  const { from, stay } = move.value ?? {}
  return from && stay ? stayWords(stay, from.titleOf, timeZone.value) : ''
})
const goWords = computed(() =>
  move.value && move.value.from.live.layers.length > 0
    ? `The call bell is within reach: go to ${move.value.to.name}`
    : `Go to ${move.value?.to.name ?? ''}`,
)
</script>

<template>
  <PlainDialog :open="move !== undefined" wide title="Change over" @close="forget">
    <template v-if="move">
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-5 gap-y-2 text-xl">
        <dt class="font-semibold">{{ move.to.name }}</dt>
        <dd class="tabular-nums">{{ wordsOf(move.room) }}</dd>
        <dt class="font-semibold">{{ move.from.name }}</dt>
        <dd class="tabular-nums">{{ wordsOf(move.from) }}. Hands rest here until you are back.</dd>
      </dl>
      <p v-if="whyNot" role="status" class="mt-3 text-lg text-mind font-semibold">⊘ {{ whyNot }}</p>
      <p class="mt-3 text-lg text-soft">
        Take the gloves off here; there your hands are washed and gloved anew before they touch.
      </p>
      <TakeRow
        :words="goWords"
        :why-not="whyNot"
        back="Stay"
        @take="go(move.from, move.to)"
        @close="forget"
      />
    </template>
  </PlainDialog>
</template>
