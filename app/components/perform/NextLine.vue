<script setup lang="ts">
import { minutesSeconds } from '~/support/time'

const { live, now, titleOf, guideAt, fetching } = useRunning()
const { said } = useMeasures()
const next = computed(() => live.value?.next?.segment)
/** What the hands do next, with what it comes off with: it is fetched before it is needed. */
const words = computed(() => {
  const guide = next.value && guideAt(next.value)
  if (!guide) return ''
  const tool = next.value?.kind === 'remove' ? guide.with : []
  return said([guide.verb.toLowerCase(), ...tool].join(', '))
})
/** A towel out of the cabinet is too hot at first: it is taken out so that it is ready in time. */
const fetchWords = computed(() => {
  const fetch = fetching.value
  if (!fetch) return ''
  const soonS = Math.ceil((fetch.outMs - now.value) / 1000)
  if (soonS > 0) return `In ${minutesSeconds(soonS)}: ${fetch.cloth} out of the cabinet`
  const readyS = Math.ceil(fetch.readyInS + soonS)
  return `${fetch.cloth} out of the cabinet now: ${readyS > 0 ? `ready in ${minutesSeconds(readyS)}` : `${fetch.targetC} °C at your wrist`}`
})
</script>

<template>
  <p v-if="next" class="text-lg text-soft">Then: {{ words }}: {{ titleOf(next.stepId) }}</p>
  <p v-if="fetchWords" class="text-lg text-now font-semibold first-letter:uppercase">
    {{ said(fetchWords) }}
  </p>
</template>
