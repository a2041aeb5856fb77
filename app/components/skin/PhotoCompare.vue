<script setup lang="ts">
import type { Photo } from '~/stores/visit'
import { shortDate } from '~/support/time'

/** Two photographs of one view: side by side, or one slid over the other. */
const props = defineProps<{ photos: readonly Photo[]; visitId: string }>()
const WAYS = [
  { value: 'side', words: 'Side by side' },
  { value: 'slide', words: 'Slide over' },
] as const
const way = ref<'side' | 'slide'>('side')
const slide = ref(50)
const chosen = ref<readonly string[]>([])
/** The two that were chosen; otherwise the first and the last. */
const pair = computed(() => {
  const picked = chosen.value.flatMap((id) => props.photos.find((photo) => photo.id === id) ?? [])
  if (picked.length === 2) return picked
  return props.photos.length < 2 ? props.photos : [props.photos[0]!, props.photos.at(-1)!]
})
const isPair = computed(() => pair.value.length === 2)
const isSameLight = computed(() => !isPair.value || pair.value[0]!.light === pair.value[1]!.light)
const urlOf = (photo: Photo) => `/api/visits/${props.visitId}/photos/${photo.id}`
const wordsOf = ({ on, moment, light }: Photo) =>
  [shortDate(on), moment, ...(light ? [light] : [])].join(', ')
const shortWordsOf = ({ on, moment }: Photo) => `${shortDate(on)}, ${moment}`
function pick(id: string) {
  const others = chosen.value.filter((other) => other !== id)
  chosen.value = others.length < chosen.value.length ? others : [...others.slice(-1), id]
}
</script>

<template>
  <div>
    <RadioPicks
      class="mb-2 [&>.pick]:text-sm"
      label="Compare"
      :value="way"
      :options="WAYS"
      @change="way = $event"
    />
    <div v-if="way === 'side' || !isPair" class="grid grid-cols-2 gap-3 max-w-[34rem]">
      <PhotoFigure v-for="photo in pair" :key="photo.id" :photo="photo" :visit-id="visitId" />
    </div>
    <template v-else>
      <div class="relative h-[27rem] aspect-[3/4] border border-line overflow-hidden">
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
      <label class="grid grid-cols-2 gap-x-3 mt-2 text-sm w-[20.25rem]">
        <span>{{ shortWordsOf(pair[0]!) }}</span>
        <input
          v-model.number="slide"
          type="range"
          min="0"
          max="100"
          class="col-span-2 row-start-1"
          aria-label="Slide between the two"
        />
        <span class="text-right">{{ shortWordsOf(pair[1]!) }}</span>
      </label>
    </template>
    <p v-if="!isSameLight" class="text-sm text-mind mt-1">
      Not the same light: do not compare colour.
    </p>
    <div class="flex flex-wrap gap-2 mt-3" role="group" aria-label="Choose two to compare">
      <button
        v-for="photo in photos"
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
</template>
