<script setup lang="ts">
import type { LadderPhoto, PhotosAgainst } from '~/long-ladder/against'
import { viewOf } from '~/skin-map/shapes'
import { shortDate } from '~/support/time'

/** Photographs of the same view at two visits; colour is compared in one light alone. */
defineProps<{ photos: readonly PhotosAgainst[] }>()
const urlOf = ({ visitId, id }: LadderPhoto) => `/api/visits/${visitId}/photos/${id}`
const wordsOf = ({ on, moment, light }: LadderPhoto) =>
  [shortDate(on), moment, light].filter(Boolean).join(', ')
</script>

<template>
  <section aria-label="Photographs">
    <h3 class="display text-2xl border-b border-line pb-1 mb-3">Photographs</h3>
    <div v-for="pair in photos" :key="pair.view" class="mb-4">
      <p class="font-semibold">{{ viewOf(pair.view).name }}</p>
      <p v-if="!pair.isSameLight" class="text-mind">Not the same light: do not compare colour.</p>
      <div class="grid grid-cols-2 gap-4 max-w-2xl">
        <figure v-for="photo in [pair.before, pair.after]" :key="photo.id">
          <img
            :src="urlOf(photo)"
            :alt="wordsOf(photo)"
            class="w-full aspect-[3/4] object-cover border border-line"
          />
          <figcaption class="text-sm text-soft">{{ wordsOf(photo) }}</figcaption>
        </figure>
      </div>
    </div>
  </section>
</template>
