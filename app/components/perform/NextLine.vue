<script setup lang="ts">
import { verbOf } from '~/ladder/perform-words'

const { plan, live, titleOf } = useRunning()
</script>

<template>
  <p v-if="plan && live?.next" class="text-lg text-soft">
    Then: {{ verbOf(plan, live.next.segment).toLowerCase() }},
    {{ titleOf(live.next.segment.stepId) }}
  </p>
</template>
