<script setup lang="ts">
import type { LiveSegment } from '#core/perform'

/** How the hands go on by themselves: stroke by stroke, or place by place. Never scrolled away. */
const props = defineProps<{ hands: LiveSegment }>()
const { isPlayed, inHand, then, place, leftS, say } = usePlaying(() => props.hands)
const { areas, at, area, next } = useExtraction()
</script>

<template>
  <ExtractRow
    v-if="area"
    class="shrink-0"
    :area="area"
    :next="next"
    :at="at"
    :of="areas.length"
    :left-s="leftS"
  />
  <StrokeRow v-else-if="isPlayed" class="shrink-0" :now="inHand" :then="then" @say="say" />
  <WayRow v-else-if="place" class="shrink-0" :way="place" />
</template>
