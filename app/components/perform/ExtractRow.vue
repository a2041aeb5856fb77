<script setup lang="ts">
import type { ExtractArea } from '#core/perform'

/** The area of an extraction that hands are at. Read, never touched: the pedal goes on. */
const props = defineProps<{
  area: ExtractArea
  next: ExtractArea | undefined
  at: number
  of: number
  leftS: number
}>()
const STOP_SOON_S = 30
const what = computed(() => {
  const { ready, leave } = props.area
  const parts = [
    ...(ready.length > 0 ? [`${ready.length} ready`] : []),
    ...(leave.length > 0 ? [`${leave.length} to leave alone`] : []),
  ]
  return parts.length > 0 ? parts.join(', ') : 'what opens by itself'
})
const then = computed(() => (props.next ? `then ${props.next.words}` : 'the last one'))
</script>

<template>
  <section class="border-t border-hair mt-2 pt-2" aria-label="The area" aria-live="off">
    <p class="flex flex-wrap items-baseline gap-x-4">
      <span class="text-2xl font-semibold first-letter:uppercase">{{ area.words }}</span>
      <span class="text-lg text-now font-semibold">{{ what }}</span>
      <span class="text-base text-soft">{{ at + 1 }} of {{ of }} · {{ then }}</span>
    </p>
    <p class="text-lg" :class="leftS <= STOP_SOON_S ? 'text-now font-semibold' : 'text-soft'">
      {{
        leftS <= STOP_SOON_S
          ? 'Half a minute left: finish this area, then stop'
          : 'Two gentle tries, then leave it. The pedal goes on.'
      }}
    </p>
  </section>
</template>
