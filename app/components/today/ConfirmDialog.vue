<script setup lang="ts">
import { call, refusalOf, type Reply } from '~/support/api'

/** What the client would be told, before it goes; with the calendar file. */
const props = defineProps<{ visitId: string }>()
const emit = defineEmits<{ close: [] }>()
const message = ref<Reply<'/api/visits/:id/message'>>()
const trouble = ref('')
const isSent = ref(false)
const params = { id: props.visitId }
async function attempt(work: () => Promise<unknown>) {
  trouble.value = ''
  try {
    await work()
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
onMounted(() =>
  attempt(async () => {
    message.value = await call('/api/visits/:id/message', { params })
  }),
)
const send = () =>
  attempt(async () => {
    await call('/api/visits/:id/message', { method: 'post', params })
    isSent.value = true
  })
</script>

<template>
  <PlainDialog open wide title="Confirmation" @close="emit('close')">
    <p v-if="trouble" role="alert" class="text-mind mb-3">{{ trouble }}</p>
    <p v-if="!message && !trouble" class="text-soft">Writing …</p>
    <template v-if="message">
      <p class="text-soft">To {{ message.to || 'nobody yet' }}</p>
      <p class="font-semibold mt-1">{{ message.subject }}</p>
      <p class="whitespace-pre-line border-y border-hair py-3 mt-2">{{ message.body }}</p>
      <p v-if="message.whyNot" class="mt-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">
        {{ message.whyNot }}
      </p>
      <p v-else-if="message.isShownOnly" class="mt-3 text-soft">
        No mail server is set: it stands in Settings, Messages, as it would go out.
      </p>
      <p v-if="isSent" role="status" class="mt-3 text-calm font-semibold">
        {{ message.isShownOnly ? 'It stands in the mail box.' : 'On its way.' }}
      </p>
    </template>
    <div class="flex justify-end gap-3 mt-4">
      <a class="rung" :href="`/api/visits/${visitId}/calendar`" download>Calendar file</a>
      <button type="button" class="rung" @click="emit('close')">Close</button>
      <button
        v-if="message && !isSent && !message.whyNot"
        type="button"
        class="rung rung-strong"
        @click="send"
      >
        Send it
      </button>
    </div>
  </PlainDialog>
</template>
