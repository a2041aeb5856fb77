<script setup lang="ts">
import { isOffered } from '#core/adapt'
import type { WeighedCard } from '~/composables/fit/useWhichCard'
import { cardReasons } from '~/support/fit/which-card'
import { halfMinutes } from '~/support/time'

/** One card as it would be today: whether what it is for stands, how long it is, and why it stands where it stands. */
const props = defineProps<{
  card: WeighedCard
  isCurrent: boolean
  price: string | undefined
  busy: boolean
}>()
const emit = defineEmits<{ take: [] }>()
const offered = computed(() => isOffered(props.card))
const reasons = computed(() => cardReasons(props.card))
const hasPlan = computed(() => props.card.totalS > 0)
</script>

<template>
  <li class="grid grid-cols-[5.5rem_1fr_auto] gap-x-4 py-3 border-b border-hair items-start">
    <p class="text-right">
      <span v-if="hasPlan" class="display text-3xl" :class="offered ? '' : 'text-soft'">{{
        halfMinutes(card.totalS)
      }}</span>
      <span v-if="hasPlan" class="text-soft"> min</span>
      <span v-else class="text-soft">no plan</span>
    </p>
    <div class="min-w-0">
      <p class="text-lg font-semibold">
        {{ card.name }}
        <span v-if="isCurrent" class="text-soft font-normal text-base">· on this visit</span>
      </p>
      <p
        v-for="reason in reasons"
        :key="reason.words"
        class="text-sm"
        :class="reason.isTrouble ? 'text-mind font-semibold' : 'text-soft'"
      >
        {{ reason.words }}
      </p>
    </div>
    <div class="flex flex-col items-end gap-1">
      <button
        v-if="!isCurrent && hasPlan"
        type="button"
        class="rung"
        :class="offered && 'rung-strong'"
        :disabled="busy"
        :aria-label="`Take ${card.name}`"
        @click="emit('take')"
      >
        Take this card
      </button>
      <span v-if="price" class="text-sm text-soft">{{ price }}</span>
    </div>
  </li>
</template>
