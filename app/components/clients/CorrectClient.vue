<script setup lang="ts">
import { ageInWords, detailsOf, type ClientDetails, type ClientRecord } from '~/support/clients'
import { shortDate } from '~/support/time'

/** Corrects who somebody is. How it read before stays, and is shown. */
const props = defineProps<{
  record: ClientRecord
  trouble: string
  correct: (details: ClientDetails) => Promise<boolean | undefined>
}>()
const emit = defineEmits<{ close: [] }>()
const details = ref<ClientDetails>(detailsOf(props.record))
async function save() {
  if (await props.correct(details.value)) emit('close')
}
</script>

<template>
  <PlainDialog open wide title="Name and contact" @close="emit('close')">
    <form @submit.prevent="save">
      <ClientFields v-model="details" :today="record.today" />
      <AlikeList :details="details" :today="record.today" :not="record.id" />
      <section v-if="record.was.length > 0" class="mt-4 text-soft" aria-label="As it was">
        <p v-for="was in record.was" :key="String(was.until)">
          Until {{ shortDate(String(was.until)) }}: {{ was.name }},
          {{ ageInWords(was.bornOn, record.today) }} {{ was.phone }} {{ was.email }}
        </p>
      </section>
      <p v-if="trouble" role="alert" class="mt-3 text-mind font-medium">{{ trouble }}</p>
      <div class="flex justify-end gap-3 mt-5">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Save</button>
      </div>
    </form>
  </PlainDialog>
</template>
