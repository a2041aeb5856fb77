<script setup lang="ts">
import { call, refusalOf } from '~/support/api'
import { NO_DETAILS, type ClientDetails } from '~/support/clients'

/** Somebody new in one line, the rest later. */
const props = defineProps<{ open: boolean; today: string; name: string }>()
const emit = defineEmits<{ close: []; made: [id: string] }>()
const details = ref<ClientDetails>({ ...NO_DETAILS })
const trouble = ref('')
watch(
  () => props.open,
  (open) => {
    if (open) details.value = { ...NO_DETAILS, name: props.name }
    trouble.value = ''
  },
)
async function add() {
  try {
    const { id } = await call('/api/clients', { method: 'post', body: details.value })
    emit('made', id)
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
</script>

<template>
  <PlainDialog wide :open="open" title="New client" @close="emit('close')">
    <form @submit.prevent="add">
      <ClientFields v-model="details" brief :today="today" />
      <AlikeList :details="details" :today="today" />
      <p v-if="trouble" role="alert" class="mt-3 text-mind font-medium">{{ trouble }}</p>
      <div class="flex justify-end gap-3 mt-5">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Add</button>
      </div>
    </form>
  </PlainDialog>
</template>
