<script setup lang="ts">
import { call, type Reply } from '~/support/api'
import { ageInWords, type ClientDetails } from '~/support/clients'

/** Who may be here already. Asked while one types; an answer that comes late is not shown. */
const props = defineProps<{ details: ClientDetails; today: string; not?: string | undefined }>()
const alike = ref<Reply<'/api/clients/alike'>>([])
const LEAST = 2
let asked = 0
async function ask() {
  const number = ++asked
  const { name, bornOn, phone } = props.details
  if (name.trim().length < LEAST) return void (alike.value = [])
  const born = bornOn ? { bornOn } : {}
  const but = props.not ? { not: props.not } : {}
  // Nobody waits for it: without an answer nothing is suggested.
  const found = await call('/api/clients/alike', { query: { name, phone, ...born, ...but } }).catch(
    () => [],
  )
  if (number === asked) alike.value = found
}
watch(() => [props.details.name, props.details.bornOn, props.details.phone], ask)
</script>

<template>
  <section v-if="alike.length > 0" aria-label="Perhaps here already" class="mt-4">
    <p class="text-now font-semibold">Perhaps here already:</p>
    <NuxtLink
      v-for="client in alike"
      :key="client.id"
      :to="`/clients/${client.id}`"
      class="flex items-baseline gap-3 min-h-[44px] py-2 border-b border-hair hover:bg-sunk"
    >
      <span class="font-semibold" dir="auto">{{ client.name }}</span>
      <span class="text-soft">{{ ageInWords(client.bornOn, today) }}</span>
      <span class="text-soft ml-auto">{{ client.phone }}</span>
    </NuxtLink>
  </section>
</template>
