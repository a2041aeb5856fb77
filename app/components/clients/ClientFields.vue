<script setup lang="ts">
import { CONTACT_WORDS, type ClientDetails } from '~/support/clients'

/** Who somebody is and how they are reached. `brief`: what a new client needs, in one line. */
const details = defineModel<ClientDetails>({ required: true })
defineProps<{ today: string; brief?: boolean }>()
const WAYS = Object.keys(CONTACT_WORDS) as ClientDetails['contact'][number][]
</script>

<template>
  <div class="grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[1fr_10rem_12rem] gap-3">
    <label class="flex flex-col gap-1">
      Name
      <input
        v-model="details.name"
        class="field"
        minlength="2"
        maxlength="120"
        autocomplete="off"
        dir="auto"
        required
      />
    </label>
    <label class="flex flex-col gap-1">
      Born on
      <input
        v-model="details.bornOn"
        class="field"
        type="date"
        min="1900-01-01"
        :max="today"
        required
      />
    </label>
    <label class="flex flex-col gap-1">
      Telephone
      <input v-model="details.phone" class="field" type="tel" maxlength="40" autocomplete="off" />
    </label>
    <template v-if="!brief">
      <label class="flex flex-col gap-1">
        E-mail
        <input
          v-model.trim="details.email"
          class="field"
          type="email"
          maxlength="200"
          autocomplete="off"
        />
      </label>
      <label class="flex flex-col gap-1 col-span-2">
        Address
        <input
          v-model="details.address"
          class="field"
          maxlength="300"
          autocomplete="off"
          dir="auto"
        />
      </label>
      <fieldset class="sm:col-span-3">
        <legend class="mb-1">Agreed to be contacted by</legend>
        <div class="flex gap-2">
          <PickMany
            :chosen="details.contact"
            :options="WAYS"
            :words="(way) => CONTACT_WORDS[way]"
            @change="details.contact = $event"
          />
        </div>
      </fieldset>
    </template>
  </div>
</template>
