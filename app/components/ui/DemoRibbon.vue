<script setup lang="ts">
/** Says that nothing here is real, and leads to a salon of one's own. */
const session = useSessionStore()
const words = computed(() => (session.isNew ? 'Start your own salon' : 'To your own salon'))
async function leave() {
  await session.enterOwn()
  await navigateTo(session.isNew ? '/set-up' : '/')
}
</script>

<template>
  <aside
    aria-label="Demo"
    class="no-print flex items-center gap-4 px-7 min-h-[32px] bg-now-ground border-b border-now text-sm"
  >
    <span><strong>Demo data.</strong> Everybody here is invented.</span>
    <button
      type="button"
      class="ml-auto min-h-[44px] -my-1.5 font-semibold underline"
      @click="leave"
    >
      {{ words }}
    </button>
  </aside>
</template>
