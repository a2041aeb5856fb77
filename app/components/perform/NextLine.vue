<script setup lang="ts">
const { live, titleOf, guideAt, fetching } = useRunning()
const { said } = useMeasures()
const next = computed(() => live.value?.next?.segment)
/** What the hands do next, with what it comes off with: it is fetched before it is needed. */
const words = computed(() => {
  const guide = next.value && guideAt(next.value)
  if (!guide) return ''
  const tool = next.value?.kind === 'remove' ? guide.with : []
  return said([guide.verb.toLowerCase(), ...tool].join(', '))
})
</script>

<template>
  <p v-if="next && !fetching" class="text-lg text-soft"
    >Then: {{ words }}: {{ titleOf(next.stepId) }}</p
  >
</template>
