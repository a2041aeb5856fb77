<script setup lang="ts">
import { startOfSeed } from '~/support/seed'

const store = useVisitStore()
const photos = ref(false)
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_17.5rem] gap-7 flex-1"
    >
      <div>
        <SkinReader
          v-if="!photos"
          :model-value="data.input.reading"
          :last-reading="data.lastReading"
          :disabled="store.locked"
          :probe-seed="startOfSeed(data.visit.clientId)"
          @update:model-value="store.read($event)"
        />
        <PhotoDesk
          v-else
          :photos="data.photos"
          :visit-id="data.visit.id"
          :allowed="data.consents.some((one) => one.kind === 'photo-record' && !one.withdrawnOn)"
          :may-publish="
            data.consents.some((one) => one.kind === 'photo-publish' && !one.withdrawnOn)
          "
          :disabled="store.locked"
          :add="store.addPhoto"
        />
      </div>
      <div class="sticky top-4 self-start flex flex-col gap-4">
        <button type="button" class="rung" :aria-pressed="photos" @click="photos = !photos">{{
          photos ? 'Back to the map' : `Photographs ${data.photos.length || ''}`
        }}</button>
        <ConsequencePanel :plan="store.preview" :slot-name="data.visit.protocol" narrow />
        <WhyNot :input="data.input" />
        <NuxtLink class="rung rung-strong w-full" :to="`/visits/${data.visit.id}/fit`">
          Fit the ladder
        </NuxtLink>
      </div>
    </div>
  </VisitFrame>
</template>
