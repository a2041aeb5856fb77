<script setup lang="ts">
/** Asks why a change is not made: the decision is hers, and the reason stays with the visit. */
export interface Keeping {
  readonly ruleId: string
  readonly stepId: string
  readonly what: string
}
const props = defineProps<{ keeping: Keeping | undefined }>()
const emit = defineEmits<{ close: []; keep: [reason: string] }>()
const reason = ref('')
watch(
  () => props.keeping,
  () => {
    reason.value = ''
  },
)
</script>

<template>
  <PlainDialog :open="keeping !== undefined" title="Keep as written" @close="emit('close')">
    <p class="mb-3">
      {{ keeping?.what }}. The decision is yours; say why, and it is kept with the visit under your
      name.
    </p>
    <form @submit.prevent="emit('keep', reason)">
      <label class="flex flex-col gap-1">
        Reason
        <input v-model="reason" class="field" required minlength="3" maxlength="300" />
      </label>
      <div class="flex justify-end gap-3 mt-5">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Keep as written</button>
      </div>
    </form>
  </PlainDialog>
</template>
