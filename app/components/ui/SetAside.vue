<script setup lang="ts">
import { decidedAt, isConflict } from '~/support/sides'
import { visitPath } from '~/support/visit-path'

const outbox = useOutboxStore()
const route = useRoute()
/** What somebody has to decide is shown in its visit; everywhere else it is said where. */
const told = computed(() =>
  outbox.aside.filter(
    (change) => !isConflict(change) || visitPath(change).visitId !== route.params.id,
  ),
)
const now = computed(() => told.value[0])
// Wherever one is: what waits goes, and what was set aside is told.
onMounted(() => void outbox.flush())
</script>

<template>
  <div
    v-if="now"
    role="alert"
    class="flex items-center gap-5 px-7 py-2.5 bg-mind-ground border-b border-mind"
  >
    <p class="flex-1">
      <span class="font-semibold text-mind">One change was not taken.</span>
      {{ now.aside.detail }}
      <span v-if="told.length > 1" class="text-soft"> {{ told.length - 1 }} more after it. </span>
    </p>
    <NuxtLink v-if="isConflict(now)" class="rung" :to="decidedAt(now)"> See both </NuxtLink>
    <button v-else type="button" class="rung" @click="outbox.seen(now.seq)">
      Seen: it may go
    </button>
  </div>
</template>
