<script setup lang="ts">
import type { LiveSegment } from '#core/perform'

/** What waits for a word, a first touch or the lot of a cartridge: everything it needs is here, its clock stands until that is said. */
const props = defineProps<{ at: LiveSegment; lastsMs: number; words: string }>()
const { live, titleOf, cautionOf, feltBefore, guideAt } = useRunning()
const segment = computed(() => props.at.segment)
const guide = computed(() => guideAt(segment.value))
const isCrowded = computed(() => (live.value?.layers.length ?? 0) > 0)
</script>

<template>
  <p class="text-xl text-now font-semibold">{{ words }}</p>
  <h1 class="text-4xl max-sm:text-2xl mt-0.5">{{ titleOf(segment.stepId) }}</h1>
  <div class="grid sm:grid-cols-[minmax(0,1fr)_auto] gap-x-6">
    <div class="min-w-0">
      <BigClock :left-s="lastsMs / 1000" :small="isCrowded" over-class="" />
      <GuideLines
        v-if="guide"
        :guide="guide"
        :stroke="[]"
        :caution="cautionOf(segment.stepId)"
        :before="feltBefore(segment.stepId)"
      />
    </div>
    <MuscleFace
      v-if="guide?.muscles"
      class="mt-2"
      :muscles="guide.muscles"
      :left-out="guide.leftOut"
    />
    <WhereFace v-else-if="guide" class="mt-2" :where="guide.where" :left-out="guide.leftOut" />
  </div>
</template>
