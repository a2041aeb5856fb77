<script setup lang="ts">
import { call, type Reply } from '~/support/api'
import { figure } from '~/support/shelf/shelf'
import { shortDate } from '~/support/time'

/** Who was treated with a lot. `lot`: asked at once. */
const props = defineProps<{ lot: string }>()
const emit = defineEmits<{ close: [] }>()
const typed = ref(props.lot)
const found = shallowRef<Reply<'/api/shelf/lots'>>()
const { trouble, attempt } = useAttempt()
async function find() {
  const lot = typed.value.trim()
  if (lot === '') return
  found.value = await attempt(() => call('/api/shelf/lots', { query: { lot } }))
}
onMounted(find)
const clients = computed(() => new Set(found.value?.treated.map(({ clientId }) => clientId)).size)
const countWords = computed(() => {
  const visits = found.value?.treated.length ?? 0
  if (visits === 0) return 'Nobody, as far as it was written down.'
  return `${clients.value} ${clients.value === 1 ? 'client' : 'clients'}, used ${visits === 1 ? 'once' : `${visits} times`}.`
})
const amountWords = (amount: number | null, unit: string | null) =>
  amount === null ? '' : `${figure(amount)} ${unit}`
</script>

<template>
  <PlainDialog open wide title="Who was treated with it" @close="emit('close')">
    <form class="flex items-end gap-3 mb-3" @submit.prevent="find">
      <label class="flex flex-col gap-1 flex-1">
        Lot, as it stands on the pack
        <input v-model="typed" class="field" maxlength="60" required />
      </label>
      <button type="submit" class="rung rung-strong">Find</button>
    </form>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <template v-if="found">
      <p class="font-semibold" role="status">Lot {{ found.lot }}: {{ countWords }}</p>
      <table v-if="found.treated.length > 0" class="w-full mt-2">
        <thead class="text-left text-soft">
          <tr>
            <th class="font-normal">Client</th>
            <th class="font-normal">Visit</th>
            <th class="font-normal">What</th>
            <th class="font-normal text-right">Amount</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(one, at) in found.treated"
            :key="at"
            class="border-t border-hair [&>td]:py-1.5"
          >
            <td>
              <NuxtLink
                class="text-link inline-flex items-center min-h-[44px]"
                :to="`/clients/${one.clientId}?part=ladder&visit=${one.visitId}`"
              >
                {{ one.client }}
              </NuxtLink>
            </td>
            <td>{{ shortDate(one.on) }}</td>
            <td>{{ one.what }}</td>
            <td class="text-right text-soft">{{ amountWords(one.amount, one.unit) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <div class="flex justify-end mt-4">
      <button type="button" class="rung" @click="emit('close')">Close</button>
    </div>
  </PlainDialog>
</template>
