<script setup lang="ts">
import { MAP_VIEWS, type MapView } from '#core/skin'
import type { LongLadderData } from '~/long-ladder/drawn'
import { viewOf } from '~/skin-map/shapes'
import { call } from '~/support/api'

/** Every photograph of a client by view, two of them at a time. */
const props = defineProps<{ clientId: string }>()
const photos = shallowRef<LongLadderData['photos']>()
const { trouble, attempt } = useAttempt()
onMounted(async () => {
  const params = { id: props.clientId }
  photos.value = (await attempt(() => call('/api/clients/:id/ladder', { params })))?.photos
})
const views = computed(() =>
  MAP_VIEWS.filter((view) => photos.value?.some((photo) => photo.view === view)).map((value) => ({
    ...{ value, words: viewOf(value).name },
  })),
)
const picked = ref<MapView>()
const view = computed(() => picked.value ?? views.value[0]?.value)
const shown = computed(() => (photos.value ?? []).filter((photo) => photo.view === view.value))
</script>

<template>
  <section aria-label="Photographs" class="mt-4">
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else-if="!photos" class="text-soft">Opening the photographs …</p>
    <p v-else-if="photos.length === 0" class="text-soft">
      None yet. They are taken at <em>Read skin</em> and at <em>Close</em>, once the client has
      signed for them.
    </p>
    <template v-else>
      <RadioPicks
        v-if="views.length > 1"
        class="mb-3"
        label="View"
        :value="view"
        :options="views"
        @change="picked = $event"
      />
      <PhotoCompare :key="view ?? ''" :photos="shown" :visit-id="shown[0]!.visitId" />
    </template>
  </section>
</template>
