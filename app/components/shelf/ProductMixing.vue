<script setup lang="ts">
import { BOWLS, CONSISTENCIES, PRODUCT_KINDS, type Mixing, type Product } from '#core/catalog'
import { settingAt } from '#core/mixing'
import { durationInWords } from '#core/quantity'
import { takeNumber, textOf as text } from '~/support/typed'

const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: Partial<Product>]; bad: [says: string] }>()
const take = (
  event: Event,
  words: string,
  use: (value: number | undefined) => void,
  least = 0,
  most = 7200,
) => takeNumber(event, words, (says) => emit('bad', says), use, least, most)
const mixing = computed<Mixing>(() => props.product.mixing ?? {})
function put(more: Partial<Mixing>) {
  const next = Object.fromEntries(
    Object.entries({ ...mixing.value, ...more }).filter(([, value]) => value !== undefined),
  ) as Mixing
  emit('change', { mixing: Object.keys(next).length > 0 ? next : undefined })
}
const water = (key: 'least' | 'usual' | 'most', value: number | undefined) => {
  if (value !== undefined)
    put({ waterC: { least: 15, usual: 20, most: 30, ...mixing.value.waterC, [key]: value } })
}
const START = { celsius: 20, workingS: 240, setsS: 480 }
function sets(by: string) {
  if (by === 'alginate') return put({ sets: { by, at: START } })
  put({ sets: by === 'table' ? { by, rows: [START] } : undefined })
}
const rows = computed(() =>
  mixing.value.sets?.by === 'alginate' ? [mixing.value.sets.at] : (mixing.value.sets?.rows ?? []),
)
function row(at: number, key: 'celsius' | 'workingS' | 'setsS', value: number | undefined) {
  if (value === undefined || !mixing.value.sets) return
  const next = rows.value.map((one, index) =>
    index === at ? { ...one, [key]: Math.round(value) } : one,
  )
  put({
    sets:
      mixing.value.sets.by === 'alginate'
        ? { by: 'alginate', at: next[0]! }
        : { by: 'table', rows: next },
  })
}
const addRow = () =>
  put({
    sets: {
      by: 'table',
      rows: [...rows.value, { ...rows.value.at(-1)!, celsius: rows.value.at(-1)!.celsius + 2 }],
    },
  })
const curve = computed(() =>
  [15, 18, 20, 22, 24, 26, 28, 30].map((celsius) => ({
    celsius,
    times: settingAt(mixing.value.sets, celsius),
  })),
)
const FIELDS = [
  ['celsius', '°C'],
  ['workingS', 's to work'],
  ['setsS', 's to set'],
] as const
function putMostPercent(event: Event) {
  const use = (mostPercent: number | undefined) =>
    emit('change', {
      additive: mostPercent === undefined ? undefined : { ...props.product.additive, mostPercent },
    })
  take(event, 'Stirred into others', use, 0.01, 100)
}
</script>

<template>
  <div class="flex flex-col gap-3">
    <div class="flex flex-wrap items-end gap-3">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Water, mL to 1 g
        <input
          class="field !text-ink w-28"
          inputmode="decimal"
          v-shown="mixing.waterMlPerG ?? ''"
          @change="take($event, 'Water to 1 g', (waterMlPerG) => put({ waterMlPerG }), 0.01, 20)"
        />
      </label>
      <label
        v-for="key in ['least', 'usual', 'most'] as const"
        :key="key"
        class="flex flex-col gap-1 text-sm text-soft"
      >
        Water {{ key }}, °C
        <input
          class="field !text-ink w-24"
          inputmode="decimal"
          v-shown="mixing.waterC?.[key] ?? ''"
          @change="take($event, `Water ${key}`, (value) => water(key, value), 0, 60)"
        />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Rests, s
        <input
          class="field !text-ink w-24"
          inputmode="numeric"
          v-shown="mixing.restS ?? ''"
          @change="
            take(
              $event,
              'Rests',
              (value) => put({ restS: value === undefined ? undefined : Math.round(value) }),
              0,
              3600,
            )
          "
        />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Bowl
        <select
          class="field !text-ink"
          :value="mixing.bowl ?? ''"
          @change="put({ bowl: (text($event) || undefined) as Mixing['bowl'] })"
        >
          <option value="">none</option>
          <option v-for="one in BOWLS" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Consistency
        <select
          class="field !text-ink"
          :value="mixing.consistency ?? ''"
          @change="put({ consistency: (text($event) || undefined) as Mixing['consistency'] })"
        >
          <option value="">–</option>
          <option v-for="one in CONSISTENCIES" :key="one">{{ one }}</option>
        </select>
      </label>
    </div>
    <div class="flex flex-wrap items-end gap-3">
      <label class="flex flex-col gap-1 text-sm text-soft">
        It sets
        <select class="field !text-ink" :value="mixing.sets?.by ?? ''" @change="sets(text($event))">
          <option value="">no</option>
          <option value="alginate">as alginate does</option>
          <option value="table">by its maker’s table</option>
        </select>
      </label>
      <div v-for="(one, at) in rows" :key="at" class="flex items-end gap-2">
        <label
          v-for="[key, words] in FIELDS"
          :key="key"
          class="flex flex-col gap-1 text-sm text-soft"
        >
          {{ words }}
          <input
            class="field !text-ink w-20"
            inputmode="numeric"
            v-shown="one[key]"
            @change="take($event, words, (value) => row(at, key, value), 0, 7200)"
          />
        </label>
      </div>
      <button
        v-if="mixing.sets?.by === 'table' && rows.length < 12"
        type="button"
        class="pick"
        @click="addRow"
      >
        Another row
      </button>
    </div>
    <p v-if="mixing.sets" class="text-sm text-soft flex flex-wrap gap-x-4">
      <span v-for="one in curve" :key="one.celsius">
        {{ one.celsius }} °C:
        <span class="text-ink">{{ durationInWords(one.times!.workingS) }}</span>
      </span>
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Stirred into others, at most %
        <input
          class="field !text-ink w-28"
          inputmode="decimal"
          v-shown="product.additive?.mostPercent ?? ''"
          @change="putMostPercent"
        />
      </label>
      <label v-if="product.additive" class="flex flex-col gap-1 text-sm text-soft">
        Only into
        <select
          class="field !text-ink"
          :value="product.additive.into?.[0] ?? ''"
          @change="
            emit('change', {
              additive: {
                mostPercent: product.additive.mostPercent,
                ...(text($event) ? { into: [text($event) as Product['kind']] } : {}),
              },
            })
          "
        >
          <option value="">anything</option>
          <option v-for="kind in PRODUCT_KINDS" :key="kind" :value="kind">{{
            kind.replaceAll('-', ' ')
          }}</option>
        </select>
      </label>
    </div>
  </div>
</template>
