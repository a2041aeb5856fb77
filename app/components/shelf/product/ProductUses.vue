<script setup lang="ts">
import { unitOf, type Product, type Use } from '#core/catalog'
import { freshId, PHASES, segment, type Step } from '#core/protocol'
import { inMinutes } from '#core/quantity'
import { FACE, zonesInWords } from '#core/skin'
import { compact } from '~/support/compact'
import { asOptions } from '~/support/options'

const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [uses: Use[]]; bad: [says: string] }>()
const put = (at: number, more: { [K in keyof Use]?: Use[K] | undefined }) =>
  emit(
    'change',
    props.product.uses.map((use, index) =>
      index === at ? compact<Use>({ ...use, ...more }) : use,
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
function putDose(at: number, more: Partial<NonNullable<Use['dose']>>) {
  const now = props.product.uses[at]!.dose ?? { amount: 1, unit: unitOf(props.product) }
  put(at, { dose: { ...now, ...more } })
}
const remove = (at: number) =>
  emit(
    'change',
    props.product.uses.filter((_, index) => index !== at),
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
const { amountOf } = useMeasures()
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
            {{ use.dose ? amountOf(use.dose.amount, use.dose.unit) : 'by film and area' }} ·
            {{ minutes(use) }} min</span
          >
        </span>
      </template>
      <div class="pl-4 pb-4 flex flex-col gap-3">
        <div class="flex flex-wrap items-end gap-3">
          <FieldChoice
            label="Phase"
            :value="use.phase"
            :options="asOptions(PHASES)"
            @change="put(at, { phase: $event })"
          />
          <FieldFigure
            class="w-32"
            label="Dose on these zones"
            words="Dose"
            :value="use.dose?.amount"
            :least="0.01"
            :most="5000"
            @change="putDose(at, { amount: $event })"
            @clear="put(at, { dose: undefined })"
            @bad="emit('bad', $event)"
          />
          <FieldChoice
            v-if="use.dose"
            name="Unit of the dose"
            :value="use.dose.unit"
            :options="asOptions(['g', 'mL'])"
            @change="putDose(at, { unit: $event })"
          />
          <button type="button" class="pick ml-auto" @click="remove(at)">Take this use out</button>
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
