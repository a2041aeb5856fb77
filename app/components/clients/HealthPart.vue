<script setup lang="ts">
import type { ClientRecord } from '~/support/clients'

/** What is known of a client's health, what they want and will not have, and what was noted of them. */
defineProps<{
  record: ClientRecord
  mayWrite: boolean
  kept: Pick<
    ReturnType<typeof useClientRecord>,
    'answer' | 'remember' | 'rank' | 'note' | 'takeBack'
  >
}>()
</script>

<template>
  <div
    v-if="record.health"
    class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-2 gap-x-10 gap-y-7 mt-4"
  >
    <RecordHealth :record="record" :may-write="mayWrite" @answer="kept.answer" />
    <div class="flex flex-col gap-7 min-w-0">
      <GoalRank
        :concerns="record.health.concerns"
        :details="record.health.goalDetails"
        :disabled="!mayWrite"
        @rank="kept.rank"
      />
      <RecordProducts :record="record" :may-write="mayWrite" @back="kept.remember($event, false)" />
      <RecordNotes :record="record" :may-write="mayWrite" @add="kept.note" @back="kept.takeBack" />
    </div>
  </div>
</template>
