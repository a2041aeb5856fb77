<script setup lang="ts">
import type { LiveSegment } from '#core/perform'
import { strokeWords } from '~/ladder/perform-words'

const props = defineProps<{ hands: LiveSegment }>()
const { plan, live, now, stepOf, titleOf, cautionOf, guideAt } = useRunning()
const segment = computed(() => props.hands.segment)
const elapsedS = computed(() => (now.value - props.hands.fromMs) / 1000)
const leftS = computed(() => segment.value.endS - segment.value.startS - elapsedS.value)
const guide = computed(() => guideAt(segment.value))
const stroke = computed(() =>
  plan.value ? strokeWords(plan.value, segment.value, elapsedS.value) : [],
)
/** Two layers and more have clocks of their own below, a device what it is set to: they need the room. */
const isCrowded = computed(
  () =>
    (live.value?.layers.length ?? 0) > 1 || stepOf(segment.value.stepId)?.deviceLevel !== undefined,
)
</script>

<template>
  <p v-if="guide" class="text-xl text-now font-semibold">{{ guide.verb }}</p>
  <h1 class="text-4xl mt-0.5">{{ titleOf(segment.stepId) }}</h1>
  <div class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-6">
    <div class="min-w-0">
      <BigClock :left-s="leftS" :small="isCrowded" over-class="text-now" />
      <GuideLines
        v-if="guide"
        :guide="guide"
        :stroke="stroke"
        :caution="cautionOf(segment.stepId)"
      />
    </div>
    <WhereFace v-if="guide" class="mt-2" :where="guide.where" :left-out="guide.leftOut" />
  </div>
  <NextLine />
</template>
