<script setup lang="ts">
import type { LiveSegment } from '#core/perform'
import { wayWords } from '~/ladder/perform-words'

const props = defineProps<{ hands: LiveSegment }>()
const { live, paused, stepOf, titleOf, cautionOf, feltBefore, guideAt } = useRunning()
const segment = computed(() => props.hands.segment)
const guide = computed(() => guideAt(segment.value))
const way = computed(() => wayWords(stepOf(segment.value.stepId), segment.value))
const { areas, area } = useExtraction()
const { movements, isPlayed, inHand, place, leftS } = usePlaying(() => props.hands)
const lesions = computed(() => areas.value.flatMap(({ ready, leave }) => [...ready, ...leave]))
/** Two layers and more have clocks of their own below, a device what it is set to, a massage its strokes: they need the room. */
const isCrowded = computed(
  () =>
    isPlayed.value ||
    areas.value.length > 0 ||
    (live.value?.layers.length ?? 0) > 1 ||
    stepOf(segment.value.stepId)?.deviceLevel !== undefined,
)
</script>

<template>
  <p v-if="guide" class="text-xl text-now font-semibold">
    {{ paused ? 'Paused: your clock stands, what lies on the skin goes on' : guide.verb }}
  </p>
  <h1 class="text-4xl max-sm:text-2xl mt-0.5">{{ titleOf(segment.stepId) }}</h1>
  <div class="grid sm:grid-cols-[minmax(0,1fr)_auto] gap-x-6">
    <div class="min-w-0">
      <BigClock :left-s="leftS" :small="isCrowded" over-class="text-now" />
      <GuideLines
        v-if="guide"
        :guide="guide"
        :stroke="way"
        :caution="cautionOf(segment.stepId)"
        :before="feltBefore(segment.stepId)"
      />
    </div>
    <StrokeFace v-if="isPlayed && inHand" class="mt-2" :now="inHand" :of="movements.length" />
    <MuscleFace
      v-else-if="guide?.muscles"
      class="mt-2"
      :muscles="guide.muscles"
      :left-out="guide.leftOut"
    />
    <WhereFace
      v-else-if="guide"
      class="mt-2"
      :where="guide.where"
      :left-out="guide.leftOut"
      :in-hand="area?.zones ?? place?.place.zones"
      :lesions="lesions"
      :large="areas.length > 0"
    />
  </div>
  <NextLine />
</template>
