<script setup lang="ts">
import { settingAt, usualC, type MixCard } from '#core/mixing'
import { durationInWords, inMinutes } from '#core/quantity'
import { figure } from '~/support/shelf/shelf'

const props = defineProps<{ card: MixCard; at: string; disabled: boolean }>()
const emit = defineEmits<{ water: [celsius: number] }>()
const celsius = ref(props.card.celsius ?? 20)
watch(
  () => props.card.celsius,
  (now) => {
    celsius.value = now ?? 20
  },
)
const { amountOf, pouredOf, said } = useMeasures()
const mixing = computed(() => props.card.product.mixing)
const times = computed(() =>
  props.card.celsius === undefined ? undefined : settingAt(mixing.value?.sets, celsius.value),
)
const range = computed(
  () => mixing.value?.waterC ?? { least: 15, usual: usualC(props.card.product), most: 30 },
)
const BAR_S = 360
const x = (seconds: number) =>
  300 * Math.min(1, seconds / Math.max(BAR_S, times.value?.workingS ?? 0))
const enough = computed(() => times.value === undefined || props.card.needS <= times.value.workingS)
const notes = computed(() =>
  [
    mixing.value?.consistency,
    mixing.value?.restS ? `rest it ${durationInWords(mixing.value.restS)}, covered` : undefined,
    props.card.product.properties.includes('stand-alone')
      ? 'stands alone: nothing over it'
      : undefined,
  ].filter((line) => line !== undefined),
)
const send = () => {
  if (celsius.value !== props.card.celsius) emit('water', celsius.value)
}
</script>

<template>
  <section class="border-b border-line pb-3" :aria-label="`Mix: ${card.title}`">
    <p class="flex items-baseline gap-3">
      <span class="display text-2xl">
        {{ at }}
      </span>
      <span class="font-semibold flex-1">
        {{ card.title }}
      </span>
      <span class="text-soft whitespace-nowrap">{{
        amountOf(card.dose.amount, card.dose.unit)
      }}</span>
    </p>
    <ul class="mt-1">
      <li
        v-for="part in card.parts"
        :key="part.productId"
        class="flex items-baseline gap-3 border-t border-hair py-1"
      >
        <span class="flex-1">
          {{ part.name }}
        </span>
        <span v-if="part.inHand" class="font-semibold whitespace-nowrap">
          {{ part.inHand.words }}
        </span>
        <span class="text-soft whitespace-nowrap min-w-16 text-right">{{
          part.grams === undefined ? amountOf(part.mL ?? 0, 'mL') : amountOf(part.grams, 'g')
        }}</span>
      </li>
      <li
        v-if="card.waterMl !== undefined"
        class="flex items-baseline gap-3 border-t border-hair py-1"
      >
        <span class="flex-1">Water</span>
        <span class="font-semibold whitespace-nowrap">{{ pouredOf(card.waterMl) }}</span>
      </li>
    </ul>
    <template v-if="card.celsius !== undefined">
      <label class="flex items-center gap-3 mt-1">
        <span class="whitespace-nowrap w-20"> {{ amountOf(celsius, '°C') }}</span>
        <input
          v-model.number="celsius"
          type="range"
          class="flex-1 h-11"
          step="1"
          :min="range.least"
          :max="range.most"
          :disabled="disabled"
          :aria-label="`Water for ${card.title}`"
          :aria-valuetext="amountOf(celsius, '°C')"
          @change="send"
        />
      </label>
      <template v-if="times">
        <svg viewBox="0 0 300 20" class="w-full" aria-hidden="true">
          <rect x="0.5" y="4.5" width="299" height="11" fill="none" stroke="var(--line)" />
          <rect
            x="0"
            y="4"
            height="12"
            :width="x(times.workingS)"
            fill="var(--skin)"
            stroke="var(--skin-edge)"
          />
          <rect
            x="0"
            y="7"
            height="6"
            :width="x(card.needS)"
            :fill="enough ? 'var(--hands)' : 'var(--mind)'"
          />
        </svg>
        <p aria-live="polite">
          <span class="font-semibold" :class="!enough && 'text-mind'">
            {{ enough ? '' : '! ' }}{{ durationInWords(times.workingS) }} to work</span
          >
          <span class="text-soft"
            >, your hands need {{ inMinutes(card.needS) }} min; set after
            {{ inMinutes(times.setsS) }} min{{
              times.clamped ? '; beyond what its maker says' : ''
            }}
          </span>
        </p>
      </template>
    </template>
    <p v-if="card.actives.length" class="text-sm mt-1">{{
      card.actives.map((active) => `${active.name} ${figure(active.percent)} %`).join(' · ')
    }}</p>
    <p v-if="notes.length" class="text-sm text-soft">{{ notes.join(' · ') }}</p>
    <p
      v-for="fault in card.faults.filter(({ kind }) => kind !== 'note')"
      :key="fault.says"
      class="text-mind font-semibold"
    >
      ! {{ said(fault.says) }}
    </p>
  </section>
</template>
