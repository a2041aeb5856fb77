<script setup lang="ts">
const outbox = useOutboxStore()
const now = computed(() => outbox.aside[0])
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
      {{ now.aside }}
      <span v-if="outbox.aside.length > 1" class="text-soft">
        {{ outbox.aside.length - 1 }} more after it.
      </span>
    </p>
    <button type="button" class="rung" @click="outbox.seen(now.seq)">Seen: it may go</button>
  </div>
</template>
