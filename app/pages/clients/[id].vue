<script setup lang="ts">
import { ageInWords, contactInWords } from '~/support/clients'

const session = useSessionStore()
const route = useRoute()
const kept = useClientRecord(String(route.params.id))
const { record, trouble, done } = kept
const correcting = ref(false)
const merging = ref(false)
const mayWrite = computed(() => session.can('health.write') && !record.value?.mergedInto)
const manner = computed(
  () => record.value?.health?.notes.filter(({ kind }) => kind === 'manner') ?? [],
)
</script>

<template>
  <div class="px-7 py-6 w-full max-w-6xl mx-auto">
    <p v-if="!record && trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else-if="!record" class="text-soft">Opening the record …</p>
    <template v-else>
      <header class="flex items-start gap-4 pb-4 border-b border-line">
        <div class="min-w-0 flex-1">
          <h1 class="text-4xl break-words" dir="auto">{{ record.name }}</h1>
          <p class="text-soft mt-1">
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
      <SaveState :trouble="trouble" :done="done" />
      <div
        v-if="!record.mergedInto"
        class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_25rem] gap-10"
      >
        <RecordVisits
          v-if="record.restricted === null"
          :key="record.visits.length"
          :record="record"
        />
        <div v-if="record.health" class="flex flex-col gap-7">
          <RecordHealth :record="record" :may-write="mayWrite" @answer="kept.answer" />
          <RecordProducts
            :record="record"
            :may-write="mayWrite"
            @back="kept.remember($event, false)"
          />
          <GoalRank
            :concerns="record.health.concerns"
            :details="record.health.goalDetails"
            :disabled="!mayWrite"
            @rank="kept.rank"
          />
          <RecordNotes
            :record="record"
            :may-write="mayWrite"
            @add="kept.note"
            @back="kept.takeBack"
          />
          <p class="text-soft">{{ record.health.photos }} photographs, in their visits</p>
        </div>
      </div>
      <RecordRights
        v-if="session.can('client.rights') && !record.mergedInto"
        class="mt-8"
        :record="record"
        :trouble="kept.notErased.value"
        :restrict="kept.restrict"
        :erase="kept.erase"
      />
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
