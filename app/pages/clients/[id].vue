<script setup lang="ts">
import { ageInWords, contactInWords, partsFor, RECORD_PARTS } from '~/support/clients'

const session = useSessionStore()
const route = useRoute()
const kept = useClientRecord(String(route.params.id))
const { record, trouble, done } = kept
const correcting = ref(false)
const merging = ref(false)
const mayWrite = computed(() => session.can('health.write') && !record.value?.mergedInto)
const parts = computed(() => {
  const isOpen = record.value?.restricted === null
  return partsFor({
    visits: isOpen,
    health: isOpen && Boolean(record.value?.health),
    rights: session.can('client.rights'),
  })
})
const part = computed(() => parts.value.find((one) => one === route.query.part) ?? parts.value[0])
const manner = computed(
  () => record.value?.health?.notes.filter(({ kind }) => kind === 'manner') ?? [],
)
</script>

<template>
  <div class="px-7 max-md:px-4 py-5 w-full max-w-[90rem] mx-auto">
    <p v-if="!record && trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else-if="!record" class="text-soft">Opening the record …</p>
    <template v-else>
      <header class="flex items-start gap-4 pb-3">
        <div class="min-w-0 flex-1">
          <h1 class="text-3xl break-words" dir="auto">{{ record.name }}</h1>
          <p class="text-soft">
            {{ ageInWords(record.bornOn, record.today) }}
            <template v-if="record.phone"> · {{ record.phone }}</template>
            <template v-if="record.email"> · {{ record.email }}</template>
            · {{ contactInWords(record.contact) }}
          </p>
          <p v-if="manner.length > 0" class="mt-1">{{
            manner.map(({ body }) => body).join(' · ')
          }}</p>
        </div>
        <template v-if="!record.mergedInto && record.restricted === null">
          <button type="button" class="rung" @click="correcting = true">Name and contact</button>
          <button
            v-if="session.can('client.merge')"
            type="button"
            class="rung"
            @click="merging = true"
          >
            Here twice
          </button>
        </template>
      </header>
      <p v-if="record.mergedInto" class="py-4 text-lg">
        Made one with
        <NuxtLink :to="`/clients/${record.mergedInto.id}`" class="text-link">
          {{ record.mergedInto.name }} </NuxtLink>: everything is there.
      </p>
      <p
        v-if="record.restricted !== null"
        class="mt-4 px-4 py-3 bg-mind-ground border-l-4 border-mind"
      >
        <span class="font-semibold">Closed at the client’s wish:</span> {{ record.restricted }}.
        Nothing of it is read, changed or booked.
      </p>
      <template v-if="!record.mergedInto && part">
        <PartBar
          class="no-print"
          label="Parts of the record"
          :part="part"
          :parts="parts"
          :words="(one) => RECORD_PARTS[one]"
        >
          <SaveState :trouble="trouble" :done="done" />
        </PartBar>
        <LongLadder v-if="part === 'ladder'" :client-id="record.id" />
        <RecordVisits
          v-else-if="part === 'visits'"
          :key="record.visits.length"
          class="mt-4 max-w-3xl"
          :record="record"
        />
        <HealthPart
          v-else-if="part === 'health'"
          :record="record"
          :may-write="mayWrite"
          :kept="kept"
        />
        <RecordPhotos v-else-if="part === 'photographs'" :client-id="record.id" />
        <RecordRights
          v-else
          class="mt-4"
          :record="record"
          :trouble="kept.notErased.value"
          :restrict="kept.restrict"
          :erase="kept.erase"
        />
      </template>
      <CorrectClient
        v-if="correcting"
        :record="record"
        :trouble="trouble"
        :correct="kept.correct"
        @close="correcting = false"
      />
      <MergeDialog
        v-if="merging"
        :record="record"
        :trouble="trouble"
        :merge="kept.merge"
        @close="merging = false"
      />
    </template>
  </div>
</template>
