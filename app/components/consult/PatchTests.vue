<script setup lang="ts">
import type { Product } from '#core/catalog'
import { dateAfter, type PatchTest } from '#core/client'
import { passedTests } from '#core/safety'
import { zoneName, type ZoneId } from '#core/skin'
import { shortDate } from '~/support/time'
import { byName } from '~/support/options'

const props = defineProps<{
  tests: readonly (PatchTest & { id: string })[]
  products: readonly Product[]
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{
  place: [test: PatchTest]
  read: [id: string, result: 'calm' | 'reacted']
}>()
const ZONES: readonly ZoneId[] = ['ears', 'jaw-left', 'neck-side-left', 'arms']
const zones = ZONES.map((id) => ({ value: id, words: zoneName(id) }))
const productId = ref('')
const zone = ref<ZoneId>('ears')
const valid = computed(() => new Set(passedTests(props.tests, props.today)))
const nameOf = (id: string) => props.products.find((product) => product.id === id)?.name ?? id
const lasts = (test: PatchTest) => (test.readOn ? dateAfter(test.readOn, 183) : undefined)
const place = (kind: PatchTest['kind'], result: PatchTest['result']) =>
  emit('place', {
    productId: productId.value,
    kind,
    zone: zone.value,
    placedOn: props.today,
    result,
    ...(result === 'waiting' ? {} : { readOn: props.today }),
  })
function words(test: PatchTest): string {
  if (test.result === 'waiting') return 'waits to be read after 24 to 48 hours'
  if (test.result === 'reacted') return `reacted, ${shortDate(test.readOn!)}: not to be used`
  if (test.kind === 'quick')
    return `calm, ${shortDate(test.readOn!)}: shows sting only, no allergy test`
  return valid.value.has(test.productId)
    ? `calm, ${shortDate(test.readOn!)}: holds until ${shortDate(lasts(test)!)}`
    : `calm, ${shortDate(test.readOn!)}: too old, repeat it`
}
</script>

<template>
  <section aria-label="Patch tests">
    <h2 class="text-xl border-b border-line pb-2">Patch tests</h2>
    <ul>
      <li
        v-for="test in [...tests].reverse()"
        :key="test.id"
        class="flex flex-wrap items-center gap-3 py-2 border-b border-hair"
      >
        <span class="flex-1">
          <span class="font-semibold">{{ nameOf(test.productId) }}</span>, {{ test.kind }},
          {{ zoneName(test.zone) }},
          {{ shortDate(test.placedOn) }}
          <span
            class="block text-sm"
            :class="test.result === 'reacted' ? 'text-mind font-semibold' : 'text-soft'"
          >
            {{ words(test) }}
          </span>
        </span>
        <template v-if="test.result === 'waiting'">
          <button
            type="button"
            class="rung"
            :disabled="disabled"
            @click="emit('read', test.id, 'calm')"
          >
            Calm
          </button>
          <button
            type="button"
            class="rung"
            :disabled="disabled"
            @click="emit('read', test.id, 'reacted')"
          >
            Reacted
          </button>
        </template>
      </li>
      <li v-if="tests.length === 0" class="py-2 text-soft">None placed yet.</li>
    </ul>
    <div class="flex flex-wrap items-end gap-3 mt-4">
      <FieldChoice
        class="w-64"
        plain
        grows
        label="Product"
        unset="Choose"
        :value="productId"
        :options="byName(products)"
        @change="productId = $event"
      />
      <FieldChoice plain label="Where" :value="zone" :options="zones" @change="zone = $event" />
    </div>
    <div class="flex flex-wrap gap-2 mt-3">
      <button
        type="button"
        class="rung"
        :disabled="disabled"
        v-off="!productId && 'Choose a product first.'"
        @click="place('delayed', 'waiting')"
      >
        Place a delayed test
      </button>
      <button
        type="button"
        class="rung"
        :disabled="disabled"
        v-off="!productId && 'Choose a product first.'"
        @click="place('quick', 'calm')"
      >
        Quick check: calm
      </button>
      <button
        type="button"
        class="rung"
        :disabled="disabled"
        v-off="!productId && 'Choose a product first.'"
        @click="place('quick', 'reacted')"
      >
        Quick check: stung
      </button>
    </div>
    <p class="text-sm text-soft mt-2">
      A quick check of a minute or two shows sting only and is no allergy test; no test lifts a
      known allergy.
    </p>
  </section>
</template>
