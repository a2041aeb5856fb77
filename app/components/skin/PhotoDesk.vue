<script setup lang="ts">
import { MAP_VIEWS, type MapView } from '#core/skin'
import type { Photo } from '~/stores/visit'
import { viewOf } from '~/skin-map/shapes'

const props = defineProps<{
  photos: readonly Photo[]
  visitId: string
  allowed: boolean
  mayPublish: boolean
  disabled: boolean
  add: (file: Blob, view: MapView, moment: Photo['moment'], light: string) => Promise<boolean>
}>()
const VIEWS = MAP_VIEWS.map((view) => ({ value: view, words: viewOf(view).name }))
const MOMENTS = [
  { value: 'start', words: 'Start of the visit' },
  { value: 'end', words: 'End of the visit' },
] as const
const view = ref<MapView>('front')
const moment = ref<Photo['moment']>('start')
const light = ref('ring lamp, 1 m, no window')
const here = computed(() => props.photos.filter((photo) => photo.view === view.value))
const addHere = (file: Blob) => props.add(file, view.value, moment.value, light.value)
</script>

<template>
  <div>
    <p v-if="!allowed" class="px-4 py-3 mb-3 bg-now-ground border-l-4 border-now">
      Photographs for the record need the client’s signature first: Consult, Consent.
    </p>
    <div class="flex flex-wrap items-center gap-3 border-b border-line pb-3 [&_.pick]:text-sm">
      <RadioPicks label="View" :value="view" :options="VIEWS" @change="view = $event" />
      <RadioPicks label="Moment" :value="moment" :options="MOMENTS" @change="moment = $event" />
      <label class="flex items-center gap-2 text-sm text-soft">
        Light
        <input v-model="light" class="field w-56" maxlength="120" />
      </label>
    </div>
    <div
      class="grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[15rem_minmax(0,1fr)] gap-6 mt-4"
    >
      <PhotoTake
        :view="view"
        :may-take="allowed && !disabled"
        :may-publish="mayPublish"
        :add="addHere"
      />
      <PhotoCompare v-if="here.length > 0" :key="view" :photos="here" :visit-id="visitId" />
      <p v-else class="text-soft">No photograph of this view yet.</p>
    </div>
  </div>
</template>
