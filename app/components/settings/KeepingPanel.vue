<script setup lang="ts">
import { call } from '~/support/api'
import { shortDate } from '~/support/time'

/** How long what is kept of clients is kept; what has served its time is listed, and goes only when it was chosen. */
const { settings, trouble: notKept, done: kept, saveChoices } = useSettings()
const { shown: due, trouble, done, change, reread } = useChanges(() => call('/api/retention'))
const clients = ref<string[]>([])
const photosOf = ref<string[]>([])
const password = ref('')
const keep = computed(() => settings.value?.choices.keep)
type Keep = NonNullable<typeof keep.value>
async function set(wish: Partial<Keep>) {
  await saveChoices({ keep: { ...keep.value!, ...wish } })
  await reread()
}
function flip(list: string[], id: string): string[] {
  return list.includes(id) ? list.filter((one) => one !== id) : [...list, id]
}
const chosen = computed(() => clients.value.length + photosOf.value.length)
async function go() {
  const body = { clients: clients.value, photosOf: photosOf.value, password: password.value }
  const gone = await change(
    () => call('/api/retention', { method: 'post', body }),
    'They are gone.',
  )
  password.value = ''
  if (!gone) return
  clients.value = []
  photosOf.value = []
}
</script>

<template>
  <div class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble || notKept" :done="done || kept" />
    <section v-if="keep" aria-label="For how long">
      <div class="grid grid-cols-2 gap-4 max-w-xl">
        <FieldNumber
          label="Records: years after the last visit"
          :value="keep.recordYears"
          :min="1"
          :max="50"
          @change="set({ recordYears: $event })"
        />
        <FieldNumber
          label="Photographs: years after they were taken"
          :value="keep.photoYears"
          :min="1"
          :max="50"
          @change="set({ photoYears: $event })"
        />
      </div>
      <p class="text-soft text-sm mt-2">
        Local law says how long you have to, and how long you may. Nothing goes by itself.
      </p>
    </section>
    <section aria-label="Has served its time" class="border-t border-line pt-3">
      <h3 class="text-xl mb-1">Has served its time</h3>
      <FieldTick
        v-for="client in due?.clients ?? []"
        :key="client.id"
        class="!min-h-[48px] border-b border-hair"
        :checked="clients.includes(client.id)"
        @change="clients = flip(clients, client.id)"
      >
        <span class="flex-1" dir="auto">{{ client.name }}</span>
        <span class="text-soft">
          last here {{ shortDate(client.lastOn) }} · {{ client.visits }} visits ·
          {{ client.photos }} photographs: the whole record
        </span>
      </FieldTick>
      <FieldTick
        v-for="row in due?.photos ?? []"
        :key="row.clientId"
        class="!min-h-[48px] border-b border-hair"
        :checked="photosOf.includes(row.clientId)"
        @change="photosOf = flip(photosOf, row.clientId)"
      >
        <span class="flex-1" dir="auto">{{ row.name }}</span>
        <span class="text-soft">
          {{ row.ids.length }} photographs, the oldest of {{ shortDate(row.oldest) }}: they alone
        </span>
      </FieldTick>
      <p v-if="due && due.clients.length + due.photos.length === 0" class="text-soft py-2">
        Nothing yet.
      </p>
      <form v-if="chosen > 0" class="flex gap-3 items-end mt-4" @submit.prevent="go">
        <OwnPassword v-model="password" class="w-72" />
        <button
          type="submit"
          class="rung !border-mind text-mind"
          v-off="!password && 'Type your password first.'"
        >
          {{ password ? `Erase the ${chosen} chosen, for good` : 'Type your password first' }}
        </button>
      </form>
    </section>
  </div>
</template>
