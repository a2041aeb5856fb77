<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { clockTime } from '~/support/time'

const store = useVisitStore()
const outbox = useOutboxStore()
const route = useRoute()
const saved = computed(() => {
  if (outbox.waiting > 0 && !outbox.busy) return `${outbox.waiting} kept on this tablet`
  if (store.saving > 0 || outbox.busy) return 'Saving …'
  return store.locked ? 'Signed and locked' : 'Saved'
})
// That there is no connection is said once.
const trouble = computed(
  () => store.trouble || (outbox.waiting > 0 && store.heldMs === undefined ? outbox.trouble : ''),
)
// What had waited has gone: what became of it elsewhere is shown.
watch(
  () => outbox.late,
  () => store.load(String(route.params.id)),
)
// Without a connection the server is asked again from time to time.
const ASK_MS = 15_000
const askAgain = () => store.heldMs !== undefined && void store.load(String(route.params.id))
useIntervalFn(askAgain, ASK_MS)
useEventListener(window, 'online', askAgain)
/** What is shown is what this tablet had; all that is done here goes later. */
const heldWords = computed(() => {
  if (store.heldMs === undefined || !store.data) return ''
  const at = clockTime(store.heldMs, store.data.visit.timeZone)
  const kept = outbox.waiting > 0 ? `${outbox.waiting} kept here, sent later.` : 'Go on.'
  return `No connection: as this tablet had it at ${at}. ${kept}`
})
watch(
  () => route.params.id,
  (id) => store.load(String(id)),
  { immediate: true },
)
</script>

<template>
  <div class="flex-1 flex flex-col px-7 max-md:px-4 pt-4 pb-6 w-full max-w-[1400px] mx-auto">
    <template v-if="store.data">
      <header class="flex flex-wrap items-end gap-x-6 gap-y-2 mb-4">
        <div class="min-w-0">
          <p class="text-sm text-soft">
            {{ clockTime(store.data.visit.startsAt, store.data.visit.timeZone) }} to
            {{ clockTime(store.data.visit.endsAt, store.data.visit.timeZone) }} ·
            {{ store.data.visit.room }} · {{ store.data.visit.practitioner }}
          </p>
          <h1 class="text-3xl truncate">{{ store.data.visit.client }}</h1>
        </div>
        <p
          v-if="heldWords"
          role="status"
          class="ml-auto text-sm text-now font-semibold pb-1 max-w-[17rem] xl:text-right"
        >
          {{ heldWords }}
        </p>
        <p v-else class="ml-auto text-sm text-soft pb-3 whitespace-nowrap" aria-live="polite">
          {{ saved }}
        </p>
        <StageStrip :visit-id="store.data.visit.id" />
      </header>
      <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">
        {{ trouble }}
      </p>
      <BothSides :data="store.data" />
      <PlanFaults
        v-if="store.data.plan"
        :faults="store.data.plan.faults"
        :stage="store.data.visit.stage"
        class="mb-3"
      />
      <RunningNote :data="store.data" />
      <slot :data="store.data" />
    </template>
    <p v-else-if="store.trouble" role="alert" class="text-mind pt-8">
      {{ store.trouble }} <NuxtLink to="/" class="text-link">Back to Today</NuxtLink>
    </p>
    <p v-else class="text-soft pt-8">Opening the visit …</p>
  </div>
</template>
