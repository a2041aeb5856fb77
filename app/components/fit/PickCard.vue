<script setup lang="ts">
import type { Seat } from '~/composables/fit/useBookingCards'

/** For a visit that is still being booked: every card compared, and one of them taken. `seat` is undefined while too little is known. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  seat: Seat | undefined
  currentId: string
  /** What the comparison rests on, and what is missing for it. */
  compares: string
  wants: string
}>()
const emit = defineEmits<{ take: [protocolId: string] }>()
const cards = useBookingCards(() => props.seat!)
function take(protocolId: string) {
  emit('take', protocolId)
  cards.close()
}
</script>

<template>
  <p class="flex items-center gap-3" v-bind="$attrs">
    <button
      type="button"
      class="rung whitespace-nowrap"
      v-off="seat === undefined && wants"
      @click="cards.open"
    >
      Which card?
    </button>
    <span class="text-sm text-soft">{{ seat ? compares : wants }}</span>
  </p>
  <WhichCard
    :open="cards.isOpen.value"
    :choosing="cards.library.value"
    :trouble="cards.trouble.value"
    :current-id="currentId"
    :money="cards.library.value"
    @close="cards.close"
    @take="take"
  />
</template>
