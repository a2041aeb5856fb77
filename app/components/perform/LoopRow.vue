<script setup lang="ts">
import type { LiveSegment, LoopNow } from '#core/perform'
import { plannedOf } from '~/ladder/perform-words'

/** What is repeated until its sign shows: which pass this is, and one more as long as there may be one. */
const props = defineProps<{ loop: LoopNow; hands: LiveSegment; drives: boolean }>()
const emit = defineEmits<{ again: [] }>()
const { plan } = useRunning()
const sign = computed(() => {
  const planned = plan.value && plannedOf(plan.value, props.hands.segment.id)
  return planned?.segment.end?.sign
})
const isLast = computed(() => props.loop.pass >= props.loop.most)
</script>

<template>
  <section
    class="border-t border-hair mt-2 pt-2 flex flex-wrap items-center gap-x-5 gap-y-2"
    aria-label="Pass by pass"
    aria-live="off"
  >
    <div class="min-w-0 flex-1">
      <p class="flex flex-wrap items-center gap-x-3">
        <span class="text-lg font-semibold">Pass {{ loop.pass }}</span>
        <span class="flex gap-1" aria-hidden="true">
          <span
            v-for="pass in loop.most"
            :key="pass"
            class="h-4 w-6 border"
            :class="pass <= loop.pass ? 'bg-now border-now' : 'border-line'"
          />
        </span>
        <span class="text-base text-soft">{{ loop.most }} at the most</span>
      </p>
      <p class="text-base text-soft">
        {{
          isLast
            ? 'The last one: what is still there is left for today.'
            : `Clean when ${sign ?? 'nothing is left'}.`
        }}
      </p>
    </div>
    <button
      v-if="drives && !isLast"
      type="button"
      class="rung !min-h-[64px] text-lg"
      @click="emit('again')"
    >
      One more pass
    </button>
  </section>
</template>
