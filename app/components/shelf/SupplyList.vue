<script setup lang="ts">
import { SUPPLY_KINDS, type Supply } from '#core/catalog'
import { minorTyped, moneyField } from '~/support/money'
import { call } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'
import { takeNumber, textOf as text } from '~/support/typed'

const props = defineProps<{ supplies: readonly Supply[]; currency: string; disabled: boolean }>()
const { things, trouble, state, put: putThing } = useThings<Supply>(() => props.supplies)
const put = (supply: Supply) =>
  putThing(supply, () => call(`/api/shelf/supplies/${supply.id}`, { method: 'PUT', body: supply }))
const named = ref('')
const WORDS = { 'single use': 'Used once', laundry: 'Washed', kept: 'Kept' } as const
const count = (supply: Supply, key: 'pack' | 'stock', event: Event) =>
  takeNumber(
    event,
    supply.name,
    (says) => {
      trouble.value = says
    },
    (value) => {
      if (value !== undefined) void put({ ...supply, [key]: Math.round(value) })
    },
    key === 'pack' ? 1 : 0,
    100_000,
  )
function price(supply: Supply, event: Event) {
  const minor = minorTyped(text(event), props.currency)
  if (minor === undefined || minor === null)
    return void (trouble.value = `${supply.name}: “${text(event)}” is not a price.`)
  void put({ ...supply, packMinor: minor })
}
async function add() {
  if (
    await put({
      id: idFrom(named.value, new Set(things.value.map((one) => one.id))),
      name: named.value.trim(),
      kind: 'single use',
      pack: 1,
      packMinor: 0,
      stock: 0,
    })
  )
    named.value = ''
}
</script>

<template>
  <div class="overflow-y-auto flex-1">
    <p class="text-sm text-soft h-5 text-right" role="status">{{ state }}</p>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <section v-for="kind in SUPPLY_KINDS" :key="kind" class="mb-6">
      <h2 class="text-xl mb-1">{{ WORDS[kind] }}</h2>
      <table class="w-full">
        <thead>
          <tr class="text-left text-sm text-soft border-b border-line">
            <th class="font-normal py-1.5">Name</th>
            <th v-if="kind === 'single use'" class="font-normal w-32">In a pack</th>
            <th v-if="kind !== 'kept'" class="font-normal w-36">
              {{ kind === 'laundry' ? 'One wash' : 'A pack' }}, {{ currency }}
            </th>
            <th class="font-normal w-32">
              {{ kind === 'single use' ? 'Left' : 'There are' }}
            </th>
            <th class="font-normal w-36">Kind</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="supply in things.filter((one) => one.kind === kind)"
            :key="supply.id"
            class="border-b border-hair"
          >
            <td class="py-1.5">{{ supply.name }}</td>
            <td v-if="kind === 'single use'">
              <input
                class="field !min-h-[38px] w-24"
                inputmode="numeric"
                :disabled="disabled"
                v-shown="supply.pack"
                :aria-label="`${supply.name} in a pack`"
                @change="count(supply, 'pack', $event)"
              />
            </td>
            <td v-if="kind !== 'kept'">
              <input
                class="field !min-h-[38px] w-28"
                inputmode="decimal"
                :disabled="disabled"
                v-shown="moneyField(supply.packMinor, currency)"
                :aria-label="`Price of ${supply.name}`"
                @change="price(supply, $event)"
              />
            </td>
            <td>
              <input
                class="field !min-h-[38px] w-24"
                inputmode="numeric"
                :disabled="disabled"
                v-shown="supply.stock"
                :aria-label="`${supply.name} left`"
                @change="count(supply, 'stock', $event)"
              />
            </td>
            <td>
              <select
                class="field !min-h-[38px]"
                :disabled="disabled"
                :value="supply.kind"
                :aria-label="`Kind of ${supply.name}`"
                @change="put({ ...supply, kind: text($event) as Supply['kind'] })"
              >
                <option v-for="one in SUPPLY_KINDS" :key="one" :value="one">{{
                  WORDS[one].toLowerCase()
                }}</option>
              </select>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <form v-if="!disabled" class="flex items-end gap-3" @submit.prevent="add">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Another
        <input v-model="named" class="field !text-ink" required minlength="2" maxlength="120" />
      </label>
      <button type="submit" class="rung">Add</button>
    </form>
  </div>
</template>
