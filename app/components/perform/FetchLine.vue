<script setup lang="ts">
import { minutesSeconds } from '~/support/time'

/** A towel out of the cabinet is too hot at first: it is taken out so that it is ready in time. Never scrolled away. */
const { now, fetching } = useRunning()
const { said } = useMeasures()
const words = computed(() => {
  const fetch = fetching.value
  if (!fetch) return ''
  const soonS = Math.ceil((fetch.outMs - now.value) / 1000)
  if (soonS > 0) return `In ${minutesSeconds(soonS)}: ${fetch.cloth} out of the cabinet`
  const readyS = Math.ceil(fetch.readyInS + soonS)
  const when = readyS > 0 ? `ready in ${minutesSeconds(readyS)}, ` : ''
  return `${fetch.cloth} out of the cabinet now: ${when}${fetch.targetC} °C at your wrist`
})
</script>

<template>
  <p v-if="words" class="text-lg text-now font-semibold first-letter:uppercase mt-2">
    {{ said(words) }}
  </p>
</template>
