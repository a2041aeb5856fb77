<script setup lang="ts">
import type { PhotosAgainst } from '~/long-ladder/against'
import { viewOf } from '~/skin-map/shapes'

/** Photographs of the same view at two visits; colour is compared in one light alone. */
defineProps<{ photos: readonly PhotosAgainst[] }>()
</script>

<template>
  <section aria-label="Photographs">
    <h3 class="display text-2xl border-b border-line pb-1 mb-3">Photographs</h3>
    <div v-for="pair in photos" :key="pair.view" class="mb-4">
      <p class="font-semibold">{{ viewOf(pair.view).name }}</p>
      <p v-if="!pair.isSameLight" class="text-mind">Not the same light: do not compare colour.</p>
      <div class="grid grid-cols-2 gap-4 max-w-2xl">
        <PhotoFigure
          v-for="photo in [pair.before, pair.after]"
          :key="photo.id"
          :photo="photo"
          :visit-id="photo.visitId"
        />
      </div>
    </div>
  </section>
</template>
