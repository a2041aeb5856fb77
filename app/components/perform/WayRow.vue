<script setup lang="ts">
import type { WayNow } from '#core/perform'
import { minutesSeconds } from '~/support/time'

/** Where the device is on its way, and how long it has there. It goes on by itself; nobody has to touch it. */
const props = defineProps<{ way: WayNow }>()
const share = computed(() => 1 - props.way.leftS / props.way.ofS)
const after = computed(() => {
  const then = props.way.then ? `then ${props.way.then.words}` : 'the last place'
  const { round, rounds } = props.way
  return rounds > 1 ? `${then} · round ${round} of ${rounds}` : then
})
</script>

<template>
  <section class="border-t border-hair mt-2 pt-2" aria-label="Where the device is" aria-live="off">
    <p class="flex flex-wrap items-baseline gap-x-4 text-lg">
      <span class="font-semibold first-letter:uppercase">{{ way.place.words }}</span>
      <span class="text-now font-semibold tabular-nums">
        {{ minutesSeconds(Math.ceil(way.leftS)) }} here
      </span>
      <span class="text-base text-soft">{{ after }}</span>
    </p>
    <div class="h-1.5 mt-1.5 bg-sunk max-w-[26rem]" aria-hidden="true">
      <div class="h-full bg-now" :style="{ width: `${share * 100}%` }" />
    </div>
  </section>
</template>
