<script setup lang="ts">
import { shortDate } from '~/support/time'

/** One photograph as it is looked at beside another: the picture, and when, at which moment and in which light it was taken. */
const props = defineProps<{
  photo: {
    readonly id: string
    readonly on: string
    readonly moment: string
    readonly light?: string | null | undefined
  }
  visitId: string
}>()
const words = computed(() =>
  [shortDate(props.photo.on), props.photo.moment, props.photo.light].filter(Boolean).join(', '),
)
</script>

<template>
  <figure>
    <img
      :src="`/api/visits/${visitId}/photos/${photo.id}`"
      :alt="words"
      class="w-full aspect-[3/4] object-cover border border-line"
    />
    <figcaption class="text-sm text-soft">{{ words }}</figcaption>
  </figure>
</template>
