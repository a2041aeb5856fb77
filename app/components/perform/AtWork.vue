<script setup lang="ts">
import type { LiveSegment } from '#core/perform'
import { howOf, plannedOf, verbOf } from '~/ladder/perform-words'

const props = defineProps<{ hands: LiveSegment }>()
const { plan, now, stepOf, titleOf } = useRunning()
const segment = computed(() => props.hands.segment)
const step = computed(() => stepOf(segment.value.stepId))
const elapsedS = computed(() => (now.value - props.hands.fromMs) / 1000)
const leftS = computed(() => segment.value.endS - segment.value.startS - elapsedS.value)
const how = computed(() => (plan.value ? howOf(plan.value, segment.value, elapsedS.value) : []))
const caution = computed(
  () => plan.value?.cautions.find((caution) => caution.stepId === segment.value.stepId)?.line,
)
const sign = computed(
  () => plan.value && plannedOf(plan.value, segment.value.id)?.segment.end?.sign,
)
const { said } = useMeasures()
</script>

<template>
  <p v-if="plan" class="text-xl text-now font-semibold">{{ verbOf(plan, segment) }}</p>
  <h1 class="text-4xl mt-0.5">{{ titleOf(segment.stepId) }}</h1>
  <BigClock :left-s="leftS" over-class="text-now" />
  <p v-if="caution" class="text-lg text-mind">! {{ said(caution) }}</p>
  <p v-for="(line, at) in how" :key="at" class="text-lg" :class="at > 0 && 'text-soft'">{{
    said(line)
  }}</p>
  <p v-if="step?.say" class="text-lg text-soft">Say: “{{ step.say }}”</p>
  <p v-if="sign" class="text-lg">Until {{ sign }}</p>
  <NextLine />
</template>
