<script setup lang="ts">
import type { Shortage, StandIn, standIns } from '#core/adapt'

defineProps<{
  short: readonly Shortage[]
  found: ReadonlyMap<string, ReturnType<typeof standIns>>
  chosen: (short: Shortage) => string | undefined
  now: (stepId: string) => string
  disabled: boolean
}>()
const emit = defineEmits<{ choose: [choice: StandIn['choice']]; back: [short: Shortage] }>()
const { amountOf, said } = useMeasures()
const why = (shortage: Shortage) =>
  shortage.why === 'too little'
    ? `${amountOf(shortage.left, shortage.unit)} left, ${amountOf(shortage.needed, shortage.unit)} needed`
    : shortage.why
</script>

<template>
  <section v-if="short.length" aria-label="Short" class="border-y-2 border-now mb-4">
    <div
      v-for="shortage in short"
      :key="shortage.productId"
      class="py-2.5 border-b border-hair last:border-b-0 grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[19rem_minmax(0,1fr)] gap-5"
      role="group"
      :aria-label="`${shortage.name} is short`"
    >
      <div>
        <p class="font-semibold">
          <span :class="chosen(shortage) ? 'text-calm' : 'text-mind'">
            {{ chosen(shortage) ? '✓' : '⊘' }} {{ shortage.name }}
          </span>
        </p>
        <p class="text-sm text-soft">{{ why(shortage) }} · for {{ shortage.stepTitle }}</p>
        <p v-if="!chosen(shortage)" class="text-sm text-soft">{{ now(shortage.stepId) }}</p>
      </div>
      <div v-if="chosen(shortage)" class="flex items-center gap-3">
        <p class="flex-1">{{ chosen(shortage) }} stands in.</p>
        <button type="button" class="rung" :disabled="disabled" @click="emit('back', shortage)">
          Take it back
        </button>
      </div>
      <div v-else class="flex flex-wrap items-start gap-2">
        <p v-if="!found.get(shortage.productId)" class="text-soft self-center">
          Looking for what stands in …
        </p>
        <p v-if="found.get(shortage.productId)?.options.length" class="w-full text-sm text-soft">
          May take its place:
        </p>
        <button
          v-for="option in found.get(shortage.productId)?.options ?? []"
          :key="option.productId"
          type="button"
          class="rung !items-start !flex-col !gap-0 !py-2 !min-h-[52px] text-left"
          :disabled="disabled"
          @click="emit('choose', option.choice)"
        >
          <span class="font-semibold">
            {{ option.name }}
          </span>
          <span class="text-sm text-soft font-normal">{{
            said(option.trade.join(' · ')) || 'nothing lost that is known'
          }}</span>
        </button>
        <p v-if="found.get(shortage.productId)?.options.length === 0" class="self-center">
          Nothing on the shelf may stand in.
        </p>
        <details v-if="found.get(shortage.productId)?.refused.length" class="w-full">
          <summary class="text-sm text-soft min-h-[32px]">
            {{ `${found.get(shortage.productId)!.refused.length} not today` }}
          </summary>
          <p
            v-for="other in found.get(shortage.productId)!.refused"
            :key="other.name"
            class="text-sm py-0.5"
          >
            <span class="font-semibold">⊘ {{ other.name }}</span> {{ said(other.why) }}
          </p>
        </details>
      </div>
    </div>
  </section>
</template>
