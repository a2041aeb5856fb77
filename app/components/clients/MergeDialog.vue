<script setup lang="ts">
import { ageInWords, type ClientRecord } from '~/support/clients'
import type { ListedClient } from '~/composables/clients/useClientSearch'

/** Makes one client of two: whom to take in is searched for, then both are shown. */
const props = defineProps<{
  record: ClientRecord
  trouble: string
  merge: (other: string) => Promise<boolean | undefined>
}>()
const emit = defineEmits<{ close: [] }>()
const { find, clients, load } = useClientSearch()
const other = ref<ListedClient>()
const MOST_SHOWN = 6
const found = computed(() =>
  (clients.value ?? []).filter(({ id }) => id !== props.record.id).slice(0, MOST_SHOWN),
)
onMounted(() => {
  find.value = props.record.name.split(' ')[0]!
  void load()
})
async function make() {
  if (await props.merge(other.value!.id)) emit('close')
}
</script>

<template>
  <PlainDialog open wide title="Make one client of two" @close="emit('close')">
    <div v-if="!other" class="flex flex-col gap-3">
      <p>Who is the same person as {{ record.name }}?</p>
      <input v-model="find" class="field" type="search" aria-label="Find the other" dir="auto" />
      <button
        v-for="client in found"
        :key="client.id"
        type="button"
        class="rung !justify-start"
        @click="other = client"
      >
        <span dir="auto">{{ client.name }}</span>
        <span class="text-soft font-normal">{{ ageInWords(client.bornOn, record.today) }}</span>
        <span class="text-soft font-normal ml-auto">{{ client.phone }}</span>
      </button>
      <p v-if="found.length === 0" class="text-soft">Nobody else fits.</p>
    </div>
    <div v-else class="flex flex-col gap-3">
      <p>
        Everything of <strong>{{ other.name }}</strong> ({{
          ageInWords(other.bornOn, record.today)
        }}) becomes part of <strong>{{ record.name }}</strong> ({{
          ageInWords(record.bornOn, record.today)
        }}): visits, answers, consents, photographs.
      </p>
      <p class="text-mind font-semibold">This is not undone. Look at both birthdays first.</p>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <div class="flex justify-end gap-3">
        <button type="button" class="rung" @click="other = undefined">Somebody else</button>
        <button type="button" class="rung rung-strong" @click="make">Make them one</button>
      </div>
    </div>
    <div v-if="!other" class="flex justify-end mt-5">
      <button type="button" class="rung" @click="emit('close')">Cancel</button>
    </div>
  </PlainDialog>
</template>
