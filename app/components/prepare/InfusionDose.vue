<script setup lang="ts">
import { zoneName, type ZoneId } from '#core/skin'

/** An infusion’s dose, to the last zone. */
interface Infusion {
  readonly title: string
  readonly mL: number
  readonly zones: readonly { readonly zone: ZoneId; readonly mL: number }[]
}
const props = defineProps<{ infusion: Infusion }>()
const mostMl = computed(() => Math.max(...props.infusion.zones.map(({ mL }) => mL)))
</script>

<template>
  <section :aria-label="`Dose of ${infusion.title}`">
    <h2 class="text-xl mb-1">{{ infusion.mL }} mL, to the last zone</h2>
    <p
      v-for="{ zone, mL } in infusion.zones"
      :key="zone"
      class="grid grid-cols-[minmax(0,1fr)_7rem_4rem] gap-2 items-center border-b border-hair py-1"
    >
      <span>
        {{ zoneName(zone) }}
      </span>
      <svg viewBox="0 0 100 8" class="w-full" aria-hidden="true">
        <rect height="8" :width="(100 * mL) / mostMl" fill="var(--hands)" />
      </svg>
      <span class="text-right font-semibold">{{ mL.toFixed(2) }} mL</span>
    </p>
  </section>
</template>
