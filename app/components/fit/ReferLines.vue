<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'

/** What somebody else should see, apart from everything that only changes the ladder. */
defineProps<{ refer: FittedPlan['refer'] }>()
</script>

<template>
  <section
    v-if="refer.length > 0"
    aria-label="To be seen by somebody else"
    class="border-l-4 border-mind bg-mind-ground px-4 py-2.5"
  >
    <p v-for="why in refer" :key="why.ruleId">
      <span class="text-mind font-semibold">▲ Refer: {{ why.because }}.</span> {{ why.instead }}
      <RuleLink :id="why.ruleId" class="text-sm" />
    </p>
  </section>
</template>
