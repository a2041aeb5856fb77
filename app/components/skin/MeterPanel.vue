<script setup lang="ts">
import { z } from 'zod'
import {
  deltaE2000,
  hexOf,
  METER_SCALE,
  METERS,
  READ_ZONES,
  zoneName,
  type Lab,
  type MeterKind,
  type MeterValue,
  type Reading,
  type ZoneId,
} from '#core/skin'

const props = defineProps<{
  reading: Reading
  last: { on: string; body: Reading } | null
  disabled: boolean
  seed: number
}>()
const emit = defineEmits<{ change: [reading: Reading] }>()
const kind = ref<MeterKind>('hydration')
/** Chosen here or on the map. */
const zone = defineModel<ZoneId>('zone', { required: true })
const zones = READ_ZONES.map((id) => ({ value: id, words: zoneName(id) }))
const typed = ref('')
const trouble = ref('')
const scale = computed(() => METER_SCALE[kind.value])
const before = (value: MeterValue) =>
  props.last?.body.meters.find((meter) => meter.kind === value.kind && meter.zone === value.zone)
    ?.value

const labAt = (meters: readonly MeterValue[], at: ZoneId): Lab | undefined => {
  const [L, a, b] = (['L', 'a', 'b'] as const).map(
    (axis) => meters.findLast((value) => value.kind === axis && value.zone === at)?.value,
  )
  return L === undefined || a === undefined || b === undefined ? undefined : { L, a, b }
}
const colours = computed(() =>
  [...new Set(props.reading.meters.map((meter) => meter.zone))].flatMap((at) => {
    const lab = labAt(props.reading.meters, at)
    const earlier = labAt(props.last?.body.meters ?? [], at)
    return lab ? [{ zone: at, hex: hexOf(lab), change: earlier && deltaE2000(lab, earlier) }] : []
  }),
)
function keep(value: number, source: MeterValue['source']) {
  const rounded = Math.round(value * 10) / 10
  emit('change', {
    ...props.reading,
    done: true,
    meters: [
      ...props.reading.meters.filter(
        (meter) => !(meter.kind === kind.value && meter.zone === zone.value),
      ),
      { kind: kind.value, zone: zone.value, value: rounded, source },
    ],
  })
}
function keepTyped() {
  const value = Number(typed.value.replace(',', '.'))
  if (!Number.isFinite(value) || value < scale.value.least || value > scale.value.most) {
    trouble.value = `${scale.value.name} is between ${scale.value.least} and ${scale.value.most}; “${typed.value}” is not.`
    return
  }
  trouble.value = typed.value = ''
  keep(value, 'typed')
}
const samples = useSamples(z.object({ value: z.number(), steady: z.boolean() }), () => {
  trouble.value = 'The probe does not answer. Type the value, or try again.'
})
const { live, close: stop } = samples
function probe() {
  trouble.value = ''
  samples.open(`/api/probe?kind=${kind.value}&zone=${zone.value}&seed=${props.seed}`)
}
function take() {
  if (live.value) keep(live.value.value, 'probe')
  stop()
}
watch([kind, zone], stop)
</script>

<template>
  <div role="tabpanel">
    <div class="flex flex-wrap gap-1" role="radiogroup" aria-label="Meter">
      <button
        v-for="meter in METERS"
        :key="meter"
        type="button"
        role="radio"
        class="pick text-sm"
        :aria-checked="kind === meter"
        @click="kind = meter"
      >
        {{ METER_SCALE[meter].name }}
      </button>
    </div>
    <div class="flex flex-wrap items-end gap-3 mt-3">
      <FieldChoice plain label="Where" :value="zone" :options="zones" @change="zone = $event" />
      <form class="flex items-end gap-2" @submit.prevent="keepTyped">
        <label class="flex flex-col gap-1">
          {{ scale.name }}, {{ scale.least }} to {{ scale.most }}
          <input
            v-model="typed"
            class="field w-28"
            inputmode="decimal"
            required
            :disabled="disabled"
          />
        </label>
        <button type="submit" class="rung" :disabled="disabled">Keep</button>
      </form>
      <button v-if="!live" type="button" class="rung" :disabled="disabled" @click="probe">
        Read with the probe
      </button>
    </div>
    <div
      v-if="live"
      class="flex items-center gap-4 mt-3 border-y border-line py-3"
      aria-live="polite"
    >
      <p class="display text-5xl tabular-nums w-40">
        {{ live.value }}
      </p>
      <p class="flex-1" :class="live.steady ? 'text-calm font-semibold' : 'text-soft'">
        {{ live.steady ? 'Steady' : 'Settling …' }}
      </p>
      <button
        type="button"
        class="rung rung-strong"
        v-off="!live.steady && 'The probe is still settling.'"
        @click="take"
      >
        Take it
      </button>
      <button type="button" class="rung" @click="stop">Cancel</button>
    </div>
    <p v-if="trouble" role="alert" class="text-mind mt-2">{{ trouble }}</p>
    <table v-if="reading.meters.length > 0" class="w-full mt-4">
      <thead>
        <tr class="text-left text-soft text-sm">
          <th class="font-normal">Meter</th>
          <th class="font-normal">Where</th>
          <th class="font-normal text-right">Today</th>
          <th class="font-normal text-right">Last visit</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="meter in reading.meters"
          :key="`${meter.kind}${meter.zone}`"
          class="border-t border-hair"
        >
          <td class="py-2">
            {{ METER_SCALE[meter.kind].name
            }}<span class="text-sm text-soft"> {{ meter.source }}</span>
          </td>
          <td>
            {{ zoneName(meter.zone) }}
          </td>
          <td class="text-right font-semibold">
            {{ meter.value }}
          </td>
          <td class="text-right text-soft">{{ before(meter) ?? '–' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-for="colour in colours" :key="colour.zone" class="flex items-center gap-3 mt-2">
      <svg width="44" height="22" role="img" :aria-label="`Colour ${colour.hex}`">
        <rect width="44" height="22" :fill="colour.hex" stroke="var(--line)" />
      </svg>
      {{ zoneName(colour.zone) }}
      <span v-if="colour.change !== undefined" class="text-soft"
        >ΔE {{ colour.change.toFixed(1) }} since last visit{{
          colour.change < 1 ? ', hardly seen' : ''
        }}
      </span>
    </p>
  </div>
</template>
