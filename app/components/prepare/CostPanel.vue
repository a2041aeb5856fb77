<script setup lang="ts">
import { type LaidOut, earnedBy, leastPrice } from '#core/costing'
import { inMinutes } from '#core/quantity'
import type { VisitMoney } from '~/stores/visit'
import { money as words } from '~/support/money'

const props = defineProps<{ laid: LaidOut; money: VisitMoney; minutes: number }>()
const say = (minor: number) => words(minor, props.money.currency)
const { most, least } = toRefs(
  reactive({ most: computed(() => props.laid.most), least: computed(() => props.laid.least) }),
)
const range = computed(() =>
  least.value.totalMinor === most.value.totalMinor
    ? say(most.value.totalMinor)
    : `${say(least.value.totalMinor)} to ${say(most.value.totalMinor)}`,
)
const lowest = computed(() => leastPrice(most.value.totalMinor, props.money.rates.marginPercent))
const earned = computed(() =>
  props.money.price.priceMinor === undefined
    ? undefined
    : earnedBy(props.money.price.priceMinor, most.value, props.minutes),
)
const steps = computed(() =>
  most.value.steps.filter((step) => step.goodsMinor + step.timeMinor > 0),
)
const widest = computed(() =>
  Math.max(1, ...steps.value.map((step) => step.goodsMinor + step.timeMinor)),
)
</script>

<template>
  <section aria-label="What this visit costs">
    <h2 class="text-xl mb-1">What it costs</h2>
    <p class="flex justify-between border-b border-hair py-1.5">
      <span>To perform</span>
      <span class="font-semibold">{{ range }}</span>
    </p>
    <p class="flex justify-between border-b border-hair py-1.5 text-soft">
      <span>goods · minutes</span>
      <span>{{ say(most.goodsMinor) }} · {{ say(most.timeMinor) }}</span>
    </p>
    <p class="flex justify-between border-b border-hair py-1.5">
      <span>Least for {{ money.rates.marginPercent }} %</span>
      <span>{{ say(lowest) }}</span>
    </p>
    <p class="flex justify-between border-b border-hair py-1.5">
      <span
        >Price<span v-if="money.price.goingMinor" class="text-soft">
          · going rate {{ say(money.price.goingMinor) }}
        </span>
      </span>
      <span class="font-semibold">{{
        money.price.priceMinor === undefined ? 'none set' : say(money.price.priceMinor)
      }}</span>
    </p>
    <p v-if="earned" class="flex justify-between border-b border-hair py-1.5">
      <span>Margin · a minute earns</span>
      <span
        class="font-semibold"
        :class="(earned.marginPercent ?? 0) < money.rates.marginPercent && 'text-mind'"
      >
        {{ (earned.marginPercent ?? 0) < money.rates.marginPercent ? '↓ ' : ''
        }}{{ earned.marginPercent }} % ·
        {{ earned.perMinuteMinor === undefined ? '–' : say(earned.perMinuteMinor) }}
      </span>
    </p>
    <div v-for="addOn in laid.addOns" :key="addOn.stepId" class="border-b border-hair py-1.5">
      <p class="flex justify-between">
        <span>
          {{ addOn.title }}
        </span>
        <span class="font-semibold">{{
          money.addOns[addOn.ref]?.priceMinor === undefined
            ? `at least ${say(addOn.leastMinor)}`
            : say(money.addOns[addOn.ref]!.priceMinor!)
        }}</span>
      </p>
      <p class="text-sm text-soft">
        {{
          addOn.extraS === 0
            ? 'in a gap, no minutes of its own'
            : `${inMinutes(addOn.extraS)} min longer`
        }}; breaks even at {{ say(addOn.breakEvenMinor)
        }}{{
          money.addOns[addOn.ref]?.goingMinor
            ? `; going rate ${say(money.addOns[addOn.ref]!.goingMinor!)}`
            : ''
        }}
      </p>
    </div>
    <details class="mt-1">
      <summary class="min-h-[40px] flex items-center text-link">Step by step</summary>
      <p
        v-for="step in steps"
        :key="step.stepId"
        class="grid grid-cols-[minmax(0,1fr)_5.5rem_4rem] gap-2 items-center text-sm py-0.5"
      >
        <span class="truncate">
          {{ step.title }}
        </span>
        <svg viewBox="0 0 88 10" class="w-full" aria-hidden="true">
          <rect y="1" height="8" :width="(88 * step.goodsMinor) / widest" fill="var(--skin-edge)" />
          <rect
            :x="(88 * step.goodsMinor) / widest"
            y="1"
            height="8"
            :width="(88 * step.timeMinor) / widest"
            fill="var(--hands)"
          />
        </svg>
        <span class="text-right">{{ say(step.goodsMinor + step.timeMinor) }}</span>
      </p>
    </details>
    <p v-if="most.unpriced.length" class="text-sm text-now pt-1">
      Without a price, not in the sum: {{ most.unpriced.join(', ') }}
    </p>
  </section>
</template>
