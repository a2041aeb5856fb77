<script setup lang="ts">
import { fetchWords } from '~/ladder/perform-words'

/** A towel out of the cabinet is too hot at first: it is taken out so that it is ready in time. Never scrolled away. */
const { now, fetching } = useRunning()
const { said } = useMeasures()
</script>

<template>
  <p v-if="fetching" class="text-lg text-now font-semibold first-letter:uppercase mt-2">
    {{ said(fetchWords(fetching, now)) }}
  </p>
</template>
