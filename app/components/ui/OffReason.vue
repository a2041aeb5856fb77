<script setup lang="ts">
/** Why what was touched does nothing: over everything, gone by itself, in nobody's way. */
const { words } = useOffReason()
</script>

<template>
  <Teleport to="body">
    <p
      aria-live="polite"
      class="fixed inset-x-4 top-4 z-[70] mx-auto w-fit max-w-[40rem] pointer-events-none text-lg"
      :class="words && 'bg-ink text-ground px-5 py-3 rounded-sm shadow-lg'"
    >
      {{ words }}
    </p>
  </Teleport>
</template>
