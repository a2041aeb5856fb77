<script setup lang="ts">
/** Another tablet leads this visit: whoever is signed in here takes it over by PIN, and that one is told. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; taken: [] }>()
</script>

<template>
  <PlainDialog :open="open" title="Take the lead" @close="emit('close')">
    <p class="text-lg mb-5">
      Another tablet leads this visit. From here on this one does, and that one follows.
    </p>
    <TakeBack
      may-skip
      deed="Take the lead"
      back="Go on following"
      @opened="emit('taken')"
      @other="emit('close')"
    />
  </PlainDialog>
</template>
