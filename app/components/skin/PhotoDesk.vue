<script setup lang="ts">
import { MAP_VIEWS, type MapView } from '#core/skin'
import type { Photo } from '~/stores/visit'
import { viewOf } from '~/skin-map/shapes'
import { shortDate } from '~/support/time'

const props = defineProps<{
  photos: readonly Photo[]
  visitId: string
  allowed: boolean
  mayPublish: boolean
  disabled: boolean
  add: (file: Blob, view: MapView, moment: Photo['moment'], light: string) => Promise<boolean>
}>()
const view = ref<MapView>('front')
const moment = ref<Photo['moment']>('start')
const light = ref('ring lamp, 1 m, no window')
const busy = ref(false)
const dragging = ref(false)
const slide = ref(50)
const how = ref<'side' | 'slide'>('side')
const chosen = ref<string[]>([])
const guide = ref<{ url: string; file: Blob }>()
const MOMENTS = [
  { value: 'start', word: 'Start of the visit' },
  { value: 'end', word: 'End of the visit' },
] as const

const here = computed(() => props.photos.filter((photo) => photo.view === view.value))
const pair = computed(() => {
  const picked = chosen.value.flatMap((id) => here.value.find((photo) => photo.id === id) ?? [])
  return picked.length === 2
    ? picked
    : [here.value[0], here.value.at(-1)]
        .filter((photo, at, all) => photo && all.indexOf(photo) === at)
        .map((photo) => photo!)
})
const urlOf = (photo: Photo) => `/api/visits/${props.visitId}/photos/${photo.id}`
const wordsOf = (photo: Photo) =>
  `${shortDate(photo.on)}, ${photo.moment}${photo.light ? `, ${photo.light}` : ''}`
const sameLight = computed(
  () => pair.value.length < 2 || pair.value[0]!.light === pair.value[1]!.light,
)
const pick = (id: string) => {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((one) => one !== id)
    : [...chosen.value.slice(-1), id]
}

function look(file: Blob | undefined) {
  drop()
  if (file) guide.value = { url: URL.createObjectURL(file), file }
}
function drop() {
  if (guide.value) URL.revokeObjectURL(guide.value.url)
  guide.value = undefined
}
async function keep() {
  busy.value = true
  const saved = await props.add(guide.value!.file, view.value, moment.value, light.value)
  busy.value = false
  if (saved) drop()
}
function dropped(event: DragEvent) {
  dragging.value = false
  look(event.dataTransfer?.files[0])
}
const chose = (event: Event) => {
  const input = event.target as HTMLInputElement
  look(input.files?.[0])
  input.value = ''
}
onBeforeUnmount(drop)
</script>

<template>
  <div>
    <p v-if="!allowed" class="px-4 py-3 mb-3 bg-now-ground border-l-4 border-now">
      Photographs for the record need the client’s signature first: Consult, Consent.
    </p>
    <div class="flex flex-wrap items-center gap-3 border-b border-line pb-3">
      <div class="flex gap-1" role="radiogroup" aria-label="View">
        <button
          v-for="one in MAP_VIEWS"
          :key="one"
          type="button"
          role="radio"
          class="pick text-sm"
          :aria-checked="view === one"
          @click="view = one"
        >
          {{ viewOf(one).name }}
        </button>
      </div>
      <div class="flex gap-1" role="radiogroup" aria-label="Moment">
        <button
          v-for="one in MOMENTS"
          :key="one.value"
          type="button"
          role="radio"
          class="pick text-sm"
          :aria-checked="moment === one.value"
          @click="moment = one.value"
        >
          {{ one.word }}
        </button>
      </div>
      <label class="flex items-center gap-2 text-sm text-soft">
        Light
        <input v-model="light" class="field w-56" maxlength="120" />
      </label>
    </div>
    <div class="grid grid-cols-[15rem_minmax(0,1fr)] gap-6 mt-4">
      <div>
        <label
          class="relative block border border-dashed border-line h-72 cursor-pointer overflow-hidden"
          :class="dragging && 'bg-now-ground'"
          @dragover.prevent="dragging = true"
          @dragleave="dragging = false"
          @drop.prevent="dropped"
        >
          <img
            v-if="guide"
            :src="guide.url"
            alt="The photograph to be kept"
            class="absolute inset-0 w-full h-full object-cover"
          />
          <svg
            viewBox="0 0 400 520"
            class="absolute inset-0 w-full h-full pointer-events-none"
            aria-hidden="true"
          >
            <path
              :d="viewOf(view).outline"
              fill="none"
              stroke="var(--now)"
              stroke-width="3"
              stroke-dasharray="8 6"
            />
            <path
              d="M0 198 H400 M200 0 V520"
              stroke="var(--now)"
              stroke-width="1"
              stroke-dasharray="3 6"
            />
          </svg>
          <span v-if="!guide" class="absolute inset-x-0 top-24 text-center">
            <span class="bg-ground px-2 py-1">Drag one in,<br />or touch for the camera</span>
          </span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            class="sr-only"
            aria-label="Photograph"
            :disabled="disabled || !allowed"
            @change="chose"
          />
        </label>
        <p class="text-sm text-soft mt-1">Eyes on the line, face within the outline.</p>
        <div v-if="guide" class="flex gap-2 mt-2">
          <button type="button" class="rung rung-strong flex-1" :disabled="busy" @click="keep">
            {{ busy ? 'Keeping …' : 'Keep it' }}
          </button>
          <button type="button" class="rung" @click="drop">Take again</button>
        </div>
        <p class="text-sm text-soft mt-3">{{
          mayPublish
            ? 'May be shown to others: signed.'
            : 'For the record only: not to be shown to others.'
        }}</p>
      </div>
      <div v-if="here.length > 0">
        <div class="flex gap-1 mb-2" role="radiogroup" aria-label="Compare">
          <button
            type="button"
            role="radio"
            class="pick text-sm"
            :aria-checked="how === 'side'"
            @click="how = 'side'"
          >
            Side by side
          </button>
          <button
            type="button"
            role="radio"
            class="pick text-sm"
            :aria-checked="how === 'slide'"
            @click="how = 'slide'"
          >
            Slide over
          </button>
        </div>
        <div v-if="how === 'side' || pair.length < 2" class="grid grid-cols-2 gap-3 max-w-[34rem]">
          <figure v-for="photo in pair" :key="photo.id">
            <img
              :src="urlOf(photo)"
              :alt="wordsOf(photo)"
              class="w-full aspect-[3/4] object-cover border border-line"
            />
            <figcaption class="text-sm text-soft">{{ wordsOf(photo) }}</figcaption>
          </figure>
        </div>
        <div v-else class="relative h-[27rem] aspect-[3/4] border border-line overflow-hidden">
          <img
            :src="urlOf(pair[1]!)"
            :alt="wordsOf(pair[1]!)"
            class="absolute inset-0 w-full h-full object-cover"
          />
          <img
            :src="urlOf(pair[0]!)"
            :alt="wordsOf(pair[0]!)"
            class="absolute inset-0 w-full h-full object-cover"
            :style="{ clipPath: `inset(0 ${100 - slide}% 0 0)` }"
          />
          <div class="absolute inset-y-0 w-0.5 bg-now" :style="{ left: `${slide}%` }" />
        </div>
        <label
          v-if="how === 'slide' && pair.length === 2"
          class="grid grid-cols-2 gap-x-3 mt-2 text-sm w-[20.25rem]"
        >
          <span>{{ shortDate(pair[0]!.on) }}, {{ pair[0]!.moment }}</span>
          <input
            v-model.number="slide"
            type="range"
            min="0"
            max="100"
            class="col-span-2 row-start-1"
            aria-label="Slide between the two"
          />
          <span class="text-right">{{ shortDate(pair[1]!.on) }}, {{ pair[1]!.moment }}</span>
        </label>
        <p v-if="!sameLight" class="text-sm text-mind mt-1">
          Not the same light: do not compare colour.
        </p>
        <div class="flex flex-wrap gap-2 mt-3" role="group" aria-label="Choose two to compare">
          <button
            v-for="photo in here"
            :key="photo.id"
            type="button"
            class="border-2"
            :class="pair.includes(photo) ? 'border-now' : 'border-hair'"
            :aria-pressed="pair.includes(photo)"
            :aria-label="wordsOf(photo)"
            @click="pick(photo.id)"
          >
            <img :src="urlOf(photo)" alt="" class="w-16 h-20 object-cover" />
          </button>
        </div>
      </div>
      <p v-else class="text-soft">No photograph of this view yet.</p>
    </div>
  </div>
</template>
