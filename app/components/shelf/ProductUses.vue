<script setup lang="ts">
import { unitOf, type Product, type Use } from '#core/catalog'
import { freshId, PHASES, segment, type Step } from '#core/protocol'
import { inMinutes } from '#core/quantity'
import { FACE, zonesInWords } from '#core/skin'
import { takeNumber, textOf as text } from '~/support/typed'

const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [uses: Use[]]; bad: [says: string] }>()
const put = (at: number, more: Partial<Use>) =>
  emit(
    'change',
    props.product.uses.map((use, index) =>
      index === at
        ? (Object.fromEntries(
            Object.entries({ ...use, ...more }).filter(([, value]) => value !== undefined),
          ) as Use)
        : use,
    ),
  )
/** A use drawn as a step, so that its minutes are written where a card's are. */
const asStep = (use: Use): Step => ({
  id: use.id,
  phase: use.phase,
  title: props.product.name || 'this use',
  zones: use.zones,
  properties: [],
  segments: use.segments,
  essential: false,
  priority: 3,
})
const dose = (at: number, event: Event) =>
  takeNumber(
    event,
    'Dose',
    (says) => emit('bad', says),
    (amount) =>
      put(at, {
        dose:
          amount === undefined
            ? undefined
            : { amount, unit: props.product.uses[at]!.dose?.unit ?? unitOf(props.product) },
      }),
    0.01,
    5000,
  )
const add = () =>
  emit('change', [
    ...props.product.uses,
    {
      id: freshId(props.product.uses, 'use'),
      phase: 'mask',
      zones: [...FACE],
      segments: [segment('on', 'apply', 1)],
    },
  ])
const minutes = (use: Use) => inMinutes(use.segments.reduce((sum, part) => sum + part.usualS, 0))
</script>

<template>
  <div class="flex flex-col">
    <FoldAway
      v-for="(use, at) in product.uses"
      :key="use.id"
      :open="product.uses.length === 1"
      class="border-b border-hair"
    >
      <template #summary>
        <span class="min-h-[44px] inline-flex items-center">
          <span class="font-semibold">
            {{ use.phase.replaceAll('-', ' ') }}
          </span>
          <span class="text-soft ml-2">
            {{ zonesInWords(use.zones) }} ·
            {{ use.dose ? `${use.dose.amount} ${use.dose.unit}` : 'by film and area' }} ·
            {{ minutes(use) }} min</span
          >
        </span>
      </template>
      <div class="pl-4 pb-4 flex flex-col gap-3">
        <div class="flex flex-wrap items-end gap-3">
          <label class="flex flex-col gap-1 text-sm text-soft">
            Phase
            <select
              class="field !text-ink"
              :value="use.phase"
              @change="put(at, { phase: text($event) as Use['phase'] })"
            >
              <option v-for="phase in PHASES" :key="phase" :value="phase">{{
                phase.replaceAll('-', ' ')
              }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Dose on these zones
            <input
              class="field !text-ink w-24"
              inputmode="decimal"
              v-shown="use.dose?.amount ?? ''"
              @change="dose(at, $event)"
            />
          </label>
          <select
            class="field"
            aria-label="Unit of the dose"
            :value="use.dose?.unit ?? unitOf(product)"
            :disabled="!use.dose"
            @change="use.dose && put(at, { dose: { ...use.dose, unit: text($event) as 'g' } })"
          >
            <option>g</option>
            <option>mL</option>
          </select>
          <button
            type="button"
            class="pick ml-auto"
            @click="
              emit(
                'change',
                product.uses.filter((_, index) => index !== at),
              )
            "
          >
            Take this use out
          </button>
        </div>
        <ZonePicker
          :zones="use.zones"
          name="May touch"
          @change="$event.length > 0 && put(at, { zones: $event })"
        />
        <div>
          <h3 class="text-sm text-soft mb-1">Minutes, and how it comes off</h3>
          <PartRows :step="asStep(use)" @change="put(at, { segments: $event.segments })" />
        </div>
      </div>
    </FoldAway>
    <p v-if="product.uses.length === 0" class="text-soft py-2">
      No use of its own: it only goes into mixes.
    </p>
    <button type="button" class="rung self-start mt-3" @click="add">Another use</button>
  </div>
</template>
