<script setup lang="ts">
import type { Guide } from '#core/perform'

/** What with, how, and what to say, in the order in which it is asked. A bowl has its parts. */
const props = defineProps<{
  guide: Guide
  stroke: readonly string[]
  caution: string | undefined
  /** What the client felt of it last time. */
  before: readonly string[]
}>()
const { said, amountOf, pouredOf } = useMeasures()
const mix = computed(() => props.guide.mix)
const parts = computed(() =>
  (mix.value?.parts ?? []).map(({ productId, name, inHand, grams, mL }) => ({
    id: productId,
    name,
    hand: inHand?.words ?? '',
    amount: grams === undefined ? amountOf(mL ?? 0, 'mL') : amountOf(grams, 'g'),
  })),
)
const water = computed(() => {
  const { waterMl, celsius } = mix.value ?? {}
  if (waterMl === undefined) return undefined
  const heat = celsius === undefined ? '' : `, ${amountOf(celsius, '°C')}`
  return `${pouredOf(waterMl)}${heat}`
})
const how = computed(() => [...props.stroke, ...props.guide.how].map(said))
</script>

<template>
  <dl class="grid grid-cols-[3.5rem_1fr] gap-x-3 gap-y-2.5 mt-2 text-lg">
    <dt class="text-soft text-base pt-0.5">with</dt>
    <dd>
      <ul v-if="mix" aria-label="Into the bowl" class="max-w-[30rem]">
        <li
          v-for="part in parts"
          :key="part.id"
          class="grid grid-cols-[1fr_auto_4.5rem] gap-3 border-b border-hair py-0.5"
        >
          <span class="font-semibold">{{ part.name }}</span>
          <span class="font-semibold whitespace-nowrap">{{ part.hand }}</span>
          <span class="text-soft text-right whitespace-nowrap">{{ part.amount }}</span>
        </li>
        <li v-if="water" class="grid grid-cols-[1fr_auto] gap-3 border-b border-hair py-0.5">
          <span class="font-semibold">Water</span>
          <span class="font-semibold whitespace-nowrap">{{ water }}</span>
        </li>
      </ul>
      <template v-else>
        <p
          v-for="(line, at) in guide.with"
          :key="line"
          :class="at === 0 ? 'font-semibold' : 'text-soft text-base'"
        >
          {{ said(line) }}
        </p>
      </template>
    </dd>
    <template v-if="before.length > 0">
      <dt class="text-soft text-base pt-0.5">last</dt>
      <dd>
        <p v-for="line in before" :key="line" class="text-now font-semibold">{{ line }}</p>
      </dd>
    </template>
    <dt class="text-soft text-base pt-0.5">how</dt>
    <dd>
      <p v-if="caution" class="text-mind font-semibold">! {{ said(caution) }}</p>
      <p v-for="(line, at) in how" :key="line" :class="at > 0 && 'text-soft text-base'">{{
        line
      }}</p>
    </dd>
    <template v-if="guide.say">
      <dt class="text-soft text-base pt-0.5">say</dt>
      <dd class="font-semibold">“{{ guide.say }}”</dd>
    </template>
  </dl>
</template>
