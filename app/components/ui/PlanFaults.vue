<script setup lang="ts">
/** What does not hold of a ladder that was fitted on a tablet without a network. */
const props = defineProps<{ faults: readonly string[]; stage: string }>()
const AFTER: Readonly<Record<string, string>> = {
  closed: 'What was performed stands as it was.',
  performing: 'What is left is fitted again on Perform.',
}
const after = computed(() => AFTER[props.stage] ?? 'Fit again before you begin.')
</script>

<template>
  <div
    v-if="faults.length > 0"
    role="alert"
    aria-label="What differs"
    class="px-4 py-2.5 bg-mind-ground border-l-4 border-mind"
  >
    <p>
      <span class="font-semibold text-mind">Fitted on a tablet without a network.</span>
      With what was known elsewhere by then the ladder is another one:
      {{ faults.map((fault) => fault.replace(/\.$/, '')).join('; ') }}.
      {{ after }}
    </p>
  </div>
</template>
