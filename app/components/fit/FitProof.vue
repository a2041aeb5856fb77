<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'

/** How sure the plan is: the order proven or not, what was checked, and which answers are from before. */
const props = defineProps<{ plan: FittedPlan; visitId: string }>()
const proofWords = computed(() => {
  const { proof } = props.plan
  if (proof.kind === 'optimal') return 'Order proven shortest'
  return `At most ${Math.round(proof.gapS)} s above the shortest`
})
const answersWords = computed(() => {
  const { length } = props.plan.askAgain
  return `${length} ${length === 1 ? 'answer' : 'answers'} from before`
})
</script>

<template>
  <p class="text-sm text-soft flex-1">
    {{ proofWords }}
    · checked {{ plan.checked.length }},
    <span :class="plan.notChecked.length > 0 && 'text-mind'"
      >not checked {{ plan.notChecked.length }}
    </span>
    <template v-if="plan.askAgain.length > 0"
      >,
      <NuxtLink class="text-link" :to="`/visits/${visitId}/consult`"> {{ answersWords }}</NuxtLink>
    </template>
  </p>
</template>
