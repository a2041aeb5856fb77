<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { call, refusalOf } from '~/support/api'

/** A link that sets a password: to be copied, or printed and handed over. */
const props = defineProps<{ name: string; url: string; hours: number; personId?: string }>()
const said = ref('')
async function mail() {
  try {
    await call('/api/people/:id/messages', {
      ...{ method: 'post', params: { id: props.personId! } },
      body: { path: new URL(props.url).pathname },
    })
    said.value = 'It is among the messages.'
  } catch (error) {
    said.value = refusalOf(error).detail
  }
}
const { copy, copied } = useClipboard({ legacy: true })
const print = () => window.print()
const select = (event: Event) => (event.target as HTMLInputElement).select()
</script>

<template>
  <section class="border border-now bg-now-ground p-4 mt-2" aria-label="The link">
    <p class="mb-2">
      For <strong>{{ props.name }}</strong>: this link sets the password. It works once, within
      {{ hours }} hours.
    </p>
    <div class="flex gap-2">
      <input class="field flex-1 min-w-0" readonly aria-label="Link" :value="url" @focus="select" />
      <button type="button" class="rung no-print" @click="copy(url)">
        {{ copied ? 'Copied' : 'Copy' }}
      </button>
      <button type="button" class="rung no-print" @click="print">Print</button>
      <button v-if="personId" type="button" class="rung no-print" @click="mail">By e-mail</button>
    </div>
    <p v-if="said" role="status" class="mt-2">{{ said }}</p>
  </section>
</template>
