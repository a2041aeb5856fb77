<script setup lang="ts">
/** Asks what changed, and says what is still marked wrong, before a version is published. */
const props = defineProps<{
  open: boolean
  version: number
  wrong: number
  rhythm: string | undefined
  trouble: string
}>()
const emit = defineEmits<{ close: []; publish: [note: string] }>()
const note = ref('')
watch(
  () => props.open,
  (open) => {
    if (open) note.value = ''
  },
)
const wrongWords = computed(() => {
  const many = `${props.wrong} orders are still marked wrong`
  const marked = props.wrong === 1 ? 'One order is still marked wrong' : many
  return `${marked}. You may publish; the mark stays.`
})
</script>

<template>
  <PlainDialog :open="open" :title="`Publish version ${version}`" @close="emit('close')">
    <form class="flex flex-col gap-3" @submit.prevent="emit('publish', note)">
      <p v-if="wrong > 0" class="text-mind">{{ wrongWords }}</p>
      <p v-if="rhythm" class="text-mind">{{ rhythm }}</p>
      <label class="flex flex-col gap-1">
        What changed
        <input v-model="note" class="field" required maxlength="500" />
      </label>
      <p v-if="trouble" role="alert" class="text-mind">
        {{ trouble }}
      </p>
      <div class="flex justify-end gap-3">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Publish</button>
      </div>
    </form>
  </PlainDialog>
</template>
