<script setup lang="ts">
import type { Library } from '~/composables/fit/useCardDialog'
import type { Choosing } from '~/composables/fit/useWhichCard'
import { money as inMoney } from '~/support/money'

type Money = Pick<Library, 'prices' | 'currency'>

/** Every card of the library for this client, this day and this slot, the best first. */
const props = defineProps<{
  open: boolean
  /** What is compared; undefined until it is there. */
  choosing: Choosing | undefined
  trouble: string
  currentId: string
  /** What the cards are sold for; never weighed. */
  money: Money | undefined
  busy?: boolean
}>()
const emit = defineEmits<{ close: []; take: [protocolId: string] }>()
const { weighed, total, done, start, stop } = useWhichCard()
/** More are not read; the rest is behind one touch. */
const SHOWN_FIRST = 5
const all = ref(false)
watch(
  () => props.open && props.choosing,
  (choosing) => {
    if (!choosing) return stop()
    all.value = false
    void start(choosing)
  },
  { immediate: true },
)
/** The best, and the one on this visit wherever it stands. */
const shown = computed(() =>
  weighed.value.filter(
    ({ protocolId }, at) => all.value || at < SHOWN_FIRST || protocolId === props.currentId,
  ),
)
function priceOf(protocolId: string): string | undefined {
  const minor = props.money?.prices[protocolId]
  return minor === undefined ? undefined : inMoney(minor, props.money!.currency)
}
const isWorking = computed(() => done.value < total.value)
</script>

<template>
  <PlainDialog :open="open" wide title="Which card today?" @close="emit('close')">
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else role="status" class="text-soft flex items-center gap-3">
      <template v-if="isWorking || !choosing">
        Fitting {{ done }} of {{ total || '…' }}
        <progress class="w-40" :max="total || 1" :value="done" aria-label="Cards fitted" />
      </template>
      <template v-else>
        {{ total }} cards fitted to this client, day and slot. The price is not weighed.
      </template>
    </p>
    <ol
      class="mt-3 max-h-[60vh] overflow-y-auto border-t border-line pr-2"
      aria-label="Cards, the best first"
      tabindex="0"
    >
      <CardChoice
        v-for="card in shown"
        :key="card.protocolId"
        :card="card"
        :is-current="card.protocolId === currentId"
        :price="priceOf(card.protocolId)"
        :busy="busy ?? false"
        @take="emit('take', card.protocolId)"
      />
    </ol>
    <div class="flex gap-3 justify-end mt-4">
      <button v-if="weighed.length > SHOWN_FIRST" type="button" class="rung" @click="all = !all">
        {{ all ? 'The best five' : `All ${weighed.length}` }}
      </button>
      <button type="button" class="rung" @click="emit('close')">Keep it as it is</button>
    </div>
  </PlainDialog>
</template>
