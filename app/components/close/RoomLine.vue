<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { isTurned, reduceRun, roomAfter } from '#core/perform'
import { clockTime } from '~/support/time'

/** How far the room is, beside what is written down: the next client waits for it. */
const store = useVisitStore()
const now = useNow({ interval: 1000 })
const state = computed(() => {
  const { plan, events } = store.data ?? {}
  return plan && events ? reduceRun(plan.plan, events) : undefined
})
const room = computed(
  () => store.data && state.value && roomAfter(store.data.input, state.value, now.value.getTime()),
)
const words = computed(() => {
  if (!room.value) return ''
  const { tasks, freeMs, isDone } = room.value
  if (isDone) return 'The room is turned over.'
  const done = tasks.filter(isTurned).length
  const free = clockTime(freeMs, store.data!.visit.timeZone)
  return `The room: ${done} of ${tasks.length} done, free at ${free}.`
})
</script>

<template>
  <p v-if="words && !store.locked" class="mb-3 flex items-baseline gap-3">
    <span class="flex-1 tabular-nums">{{ words }}</span>
    <NuxtLink class="text-link" :to="`/visits/${store.data!.visit.id}/perform`"
      >Turn it over</NuxtLink
    >
  </p>
</template>
