<script setup lang="ts">
/** Hands are with another client, or back here and not clean yet; what lies on this client's skin stands below. */
defineProps<{ where: 'away' | 'washing' }>()
const { live, titleOf } = useRunning()
const { present } = useRooms()
const resting = computed(() => {
  const part = live.value?.hands ?? live.value?.next
  return part ? titleOf(part.segment.stepId) : ''
})
</script>

<template>
  <template v-if="where === 'washing'">
    <p class="text-xl font-semibold text-now">Before they touch again</p>
    <h1 class="text-4xl max-sm:text-2xl mt-0.5">Wash your hands, new gloves</h1>
    <ul class="mt-3 text-xl list-disc pl-6">
      <li>Hand rub or wash: 20 to 30 seconds, until they are dry.</li>
      <li>New gloves where this step wants them.</li>
      <li v-if="resting">Then: {{ resting }}.</li>
    </ul>
  </template>
  <template v-else>
    <p class="text-xl font-semibold text-now">Hands rest here</p>
    <h1 class="text-4xl max-sm:text-2xl mt-0.5">
      {{ present && !present.isOnScreen ? `You are in ${present.name}` : 'You are away' }}
    </h1>
    <p v-if="resting" class="mt-3 text-xl">When you are back: {{ resting }}.</p>
  </template>
</template>
