<script setup lang="ts">
import { ZONE_GROUPS, type ZoneGroup, type ZoneId } from '#core/skin'

/** Where on the face, by the places a client names; each touch gives all zones that are then chosen. */
const props = defineProps<{ zones: readonly ZoneId[]; disabled?: boolean }>()
const emit = defineEmits<{ change: [zones: ZoneId[]] }>()
const NAMED = ['forehead', 'eyes', 'cheeks', 'nose', 'neck']
const places = ZONE_GROUPS.filter(({ id }) => NAMED.includes(id))
const isIn = (place: ZoneGroup) => place.zones.every((zone) => props.zones.includes(zone))
const others = (place: ZoneGroup) => props.zones.filter((zone) => !place.zones.includes(zone))
const flip = (place: ZoneGroup) =>
  emit('change', isIn(place) ? others(place) : [...others(place), ...place.zones])
</script>

<template>
  <button
    v-for="place in places"
    :key="place.id"
    type="button"
    class="pick"
    :aria-pressed="isIn(place)"
    :disabled="disabled"
    @click="flip(place)"
  >
    {{ place.name }}
  </button>
</template>
