<script setup lang="ts">
import { ageInWords } from '~/support/clients'
import { shortDate } from '~/support/time'

const session = useSessionStore()
const { find, clients, hasMore, trouble, load, more } = useClientSearch()
const adding = ref(false)
const taking = ref(false)
const today = computed(() => session.salon?.today ?? '')
onMounted(load)
async function taken() {
  taking.value = false
  await load()
}
</script>

<template>
  <div class="px-7 py-6 w-full max-w-6xl mx-auto">
    <header class="flex items-end gap-4 mb-4">
      <h1 class="text-4xl">Clients</h1>
      <div class="ml-auto flex gap-2">
        <template v-if="session.can('client.files')">
          <a class="rung" href="/api/clients/file" download>Take the file</a>
          <button type="button" class="rung" @click="taking = true">Take a file in</button>
        </template>
        <button type="button" class="rung rung-strong" @click="adding = true">New client</button>
      </div>
    </header>
    <label class="flex flex-col gap-1 text-sm text-soft">
      Find
      <input
        v-model="find"
        class="field !text-ink !min-h-[52px] text-lg"
        type="search"
        placeholder="a name, the last digits of a number, a birthday"
        autocomplete="off"
        autofocus
        dir="auto"
      />
    </label>
    <p v-if="trouble" role="alert" class="text-mind mt-3">{{ trouble }}</p>
    <p v-else-if="!clients" class="text-soft mt-4">Opening the list …</p>
    <p v-else-if="clients.length === 0 && find" class="mt-6 text-lg text-soft">
      Nobody here fits “{{ find }}”.
      <button type="button" class="text-link min-h-[44px]" @click="adding = true">
        Add somebody of that name
      </button>
    </p>
    <p v-else-if="clients.length === 0" class="mt-6 text-lg text-soft">
      No clients yet. Add the first one, or take a file in.
    </p>
    <div v-else class="overflow-x-auto" tabindex="0" role="region" aria-label="Clients"
      ><table class="w-full mt-4">
        <thead>
          <tr class="text-left text-sm text-soft border-b border-line">
            <th class="font-normal py-2">Name</th>
            <th class="font-normal">Born</th>
            <th class="font-normal">Telephone</th>
            <th class="font-normal">Last visit</th>
            <th class="font-normal">Next visit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="client in clients" :key="client.id" class="border-b border-hair hover:bg-sunk">
            <td class="max-w-[26rem]">
              <NuxtLink
                :to="`/clients/${client.id}`"
                class="flex items-center min-h-[52px] text-lg font-semibold"
              >
                <span class="truncate" dir="auto">{{ client.name }}</span>
              </NuxtLink>
            </td>
            <td class="text-soft">{{ ageInWords(client.bornOn, today) }}</td>
            <td>{{ client.phone }}</td>
            <td class="text-soft">{{ client.lastOn ? shortDate(client.lastOn) : 'never yet' }}</td>
            <td>{{ client.nextOn ? shortDate(client.nextOn) : '' }}</td>
          </tr>
        </tbody>
      </table></div
    >
    <button v-if="hasMore" type="button" class="rung mt-4" @click="more">More</button>
    <NewClient
      :open="adding"
      :today="today"
      :name="clients?.length === 0 ? find : ''"
      @close="adding = false"
      @made="navigateTo(`/clients/${$event}`)"
    />
    <ClientFile v-if="taking" :today="today" @close="taking = false" @taken="taken" />
  </div>
</template>
