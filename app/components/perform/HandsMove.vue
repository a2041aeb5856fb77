<script setup lang="ts">
import { loopNow, type LiveSegment } from '#core/perform'

/** How the hands go on by themselves: stroke by stroke, or place by place. Never scrolled away. */
const props = defineProps<{ hands: LiveSegment }>()
const emit = defineEmits<{ again: [] }>()
const { isPlayed, inHand, then, place, leftS, say } = usePlaying(() => props.hands)
const { areas, at, area, next } = useExtraction()
const { store } = useRunning()
const { may } = useLead()
/** A tablet that follows shows it and touches nothing, unless this part is its own. */
const drives = computed(() => may(props.hands.segment.id))
const loop = computed(() => loopNow(store.state?.passes ?? [], props.hands.segment))
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
  <StrokeRow
    v-else-if="isPlayed"
    class="shrink-0"
    :now="inHand"
    :then="then"
    :drives="drives"
    @say="say"
  />
  <LoopRow
    v-else-if="loop"
    class="shrink-0"
    :loop="loop"
    :hands="hands"
    :drives="drives"
    @again="emit('again')"
  />
  <WayRow v-else-if="place" class="shrink-0" :way="place" />
</template>
