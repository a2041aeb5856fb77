<script setup lang="ts">
import { z } from 'zod'

const props = defineProps<{ grams: number; name: string }>()
const emit = defineEmits<{ weighed: [grams: number]; close: [] }>()
const RANGE = 0.05
const NOTHING = { grams: 0, steady: false }
const trouble = ref('')
const samples = useSamples(z.object({ grams: z.number(), steady: z.boolean() }), () => {
  trouble.value = 'The scale does not answer. Type the grams instead.'
})
const live = computed(() => samples.live.value ?? NOTHING)
const off = computed(() => (live.value.grams - props.grams) / props.grams)
onMounted(() => samples.open(`/api/scale?grams=${props.grams}`))
const at = (grams: number) => 8 + 284 * Math.min(1, grams / (props.grams * (1 + 2 * RANGE)))
</script>

<template>
  <div
    class="border-y border-line py-3 flex items-center gap-5"
    role="group"
    :aria-label="`Scale: ${name}`"
  >
    <p class="display text-5xl tabular-nums w-44" aria-live="off">
      {{ live.grams.toFixed(2) }}<span class="text-xl"> g</span>
    </p>
    <div class="flex-1">
      <p>
        {{ name }}, to {{ grams.toFixed(2) }} g
        <span
          v-if="live.steady"
          class="font-semibold"
          :class="Math.abs(off) <= RANGE ? 'text-calm' : 'text-mind'"
        >
          {{
            Math.abs(off) <= 0.005
              ? 'on the line'
              : `${off > 0 ? '+' : '−'}${Math.abs(off * 100).toFixed(1)} %`
          }}
        </span>
        <span v-else class="text-soft">pouring …</span>
      </p>
      <svg viewBox="0 0 300 22" class="w-full" aria-hidden="true">
        <rect x="8" y="6" width="284" height="10" fill="none" stroke="var(--line)" />
        <rect
          x="8"
          y="6"
          height="10"
          :width="Math.max(0, at(live.grams) - 8)"
          fill="var(--hands)"
        />
        <line :x1="at(grams)" :x2="at(grams)" y1="1" y2="21" stroke="var(--now)" stroke-width="3" />
      </svg>
    </div>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <button
      type="button"
      class="rung rung-strong"
      v-off="!live.steady && 'The scale is still settling.'"
      @click="emit('weighed', live.grams)"
    >
      Take it
    </button>
    <button type="button" class="rung" @click="emit('close')">Cancel</button>
  </div>
</template>
