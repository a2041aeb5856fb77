<script setup lang="ts">
import { clockTime } from '~/support/time'

const store = useVisitStore()
const outbox = useOutboxStore()
const route = useRoute()
const saved = computed(() => {
  if (outbox.waiting > 0 && !outbox.busy) return `${outbox.waiting} kept on this tablet`
  if (store.saving > 0 || outbox.busy) return 'Saving …'
  return store.locked ? 'Signed and locked' : 'Saved'
})
const trouble = computed(() => store.trouble || (outbox.waiting > 0 ? outbox.trouble : ''))
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
        <p class="ml-auto text-sm text-soft pb-3 whitespace-nowrap" aria-live="polite">{{
          saved
        }}</p>
        <StageStrip :visit-id="store.data.visit.id" />
      </header>
      <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">
        {{ trouble }}
      </p>
      <RunningNote :data="store.data" />
      <slot :data="store.data" />
    </template>
    <p v-else-if="store.trouble" role="alert" class="text-mind pt-8">
      {{ store.trouble }} <NuxtLink to="/" class="text-link">Back to Today</NuxtLink>
    </p>
    <p v-else class="text-soft pt-8">Opening the visit …</p>
  </div>
</template>
