<script setup lang="ts">
import type { Kit, Listed } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { minorTyped, money, moneyField } from '~/support/money'
import { call } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'
import { takeNumber, textOf as text } from '~/support/typed'

const props = defineProps<{
  kits: readonly Kit[]
  products: readonly Listed[]
  currency: string
  disabled: boolean
}>()
const { things, trouble, state, put: putThing } = useThings<Kit>(() => props.kits)
const put = (kit: Kit) =>
  putThing(kit, () => call(`/api/shelf/kits/${kit.id}`, { method: 'PUT', body: kit }))
const named = ref('')
const byName = computed(() =>
  [...props.products].filter((one) => !one.archived).sort((a, b) => a.name.localeCompare(b.name)),
)
const unitOf = (id: string) => props.products.find((one) => one.id === id)?.unit ?? ''
const take = (event: Event, words: string, use: (value: number) => void) =>
  takeNumber(
    event,
    words,
    (says) => {
      trouble.value = says
    },
    (value) => {
      if (value !== undefined) use(value)
    },
    0,
    10_000,
  )
const item = (kit: Kit, at: number, more: Partial<Kit['items'][number]>) =>
  put({ ...kit, items: kit.items.map((one, index) => (index === at ? { ...one, ...more } : one)) })
function price(kit: Kit, event: Event) {
  const minor = minorTyped(text(event), props.currency)
  if (typeof minor !== 'number')
    return void (trouble.value = `${kit.name}: “${text(event)}” is not a price.`)
  void put({ ...kit, priceMinor: minor })
}
async function add() {
  const first = byName.value[0]
  if (
    first &&
    (await put({
      id: idFrom(named.value, new Set(things.value.map((one) => one.id))),
      name: named.value.trim(),
      concern: 'hydrate',
      priceMinor: 0,
      stock: 0,
      items: [{ productId: first.id, amount: 1, home: '' }],
    }))
  )
    named.value = ''
}
const countSets = (kit: Kit, event: Event) =>
  take(event, `${kit.name}, sets left`, (value) => {
    void put({ ...kit, stock: Math.round(value) })
  })
const putAmount = (kit: Kit, at: number, event: Event) =>
  take(event, `Part ${at + 1} of ${kit.name}`, (amount) => {
    if (amount > 0) void item(kit, at, { amount })
  })
</script>

<template>
  <div class="overflow-y-auto flex-1">
    <div class="flex items-start mb-4">
      <p class="text-soft max-w-[46rem] flex-1">
        A set sold as one. Part of it is used in the visit that opens it, the rest goes home with
        the client. Opened on Prepare.
      </p>
      <p class="text-sm text-soft" role="status">{{ state }}</p>
    </div>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <section
      v-for="kit in things"
      :key="kit.id"
      class="border-t border-line pt-3 pb-5"
      :aria-label="kit.name"
    >
      <div class="flex items-baseline gap-4">
        <h2 class="text-2xl flex-1">
          {{ kit.name }}
        </h2>
        <span class="text-soft">for {{ kit.concern }} </span>
        <span class="display text-2xl">{{ money(kit.priceMinor, currency) }}</span>
      </div>
      <fieldset :disabled="disabled" class="mt-2">
        <div class="flex gap-3 mb-2">
          <label class="flex items-center gap-2">
            For
            <select
              class="field !min-h-[38px]"
              :value="kit.concern"
              @change="put({ ...kit, concern: text($event) as Kit['concern'] })"
            >
              <option v-for="one in CONCERNS" :key="one">{{ one }}</option>
            </select>
          </label>
          <label class="flex items-center gap-2">
            Price, {{ currency }}
            <input
              class="field !min-h-[38px] w-28"
              inputmode="decimal"
              v-shown="moneyField(kit.priceMinor, currency)"
              @change="price(kit, $event)"
            />
          </label>
          <label class="flex items-center gap-2">
            Sets left
            <input
              type="number"
              min="0"
              class="field !min-h-[38px] w-20"
              v-shown="kit.stock"
              @change="countSets(kit, $event)"
            />
          </label>
        </div>
        <div
          v-for="(one, at) in kit.items"
          :key="at"
          class="flex items-center gap-2 py-1 border-t border-hair"
        >
          <select
            class="field !min-h-[38px] w-64"
            :value="one.productId"
            :aria-label="`Part ${at + 1} of ${kit.name}`"
            @change="item(kit, at, { productId: text($event) })"
          >
            <option v-for="product in byName" :key="product.id" :value="product.id">{{
              product.name
            }}</option>
          </select>
          <input
            class="field !min-h-[38px] w-20"
            inputmode="decimal"
            v-shown="one.amount"
            :aria-label="`Amount of part ${at + 1} of ${kit.name}`"
            @change="putAmount(kit, at, $event)"
          />
          <span class="w-8 text-soft">{{ unitOf(one.productId) }}</span>
          <input
            class="field !min-h-[38px] flex-1"
            maxlength="160"
            placeholder="at home: how, and when"
            v-shown="one.home"
            :aria-label="`At home, part ${at + 1} of ${kit.name}`"
            @change="item(kit, at, { home: text($event) })"
          />
          <button
            type="button"
            class="pick !min-h-[38px]"
            :disabled="kit.items.length < 2"
            @click="put({ ...kit, items: kit.items.filter((_, index) => index !== at) })"
          >
            Take out
          </button>
        </div>
        <button
          v-if="!disabled && kit.items.length < 12"
          type="button"
          class="rung mt-2 !min-h-[38px]"
          @click="
            put({
              ...kit,
              items: [...kit.items, { productId: byName[0]!.id, amount: 1, home: '' }],
            })
          "
        >
          Another part
        </button>
      </fieldset>
    </section>
    <form
      v-if="!disabled"
      class="flex items-end gap-3 border-t border-line pt-4"
      @submit.prevent="add"
    >
      <label class="flex flex-col gap-1 text-sm text-soft">
        A new kit
        <input v-model="named" class="field !text-ink" required minlength="2" maxlength="120" />
      </label>
      <button type="submit" class="rung">Add</button>
    </form>
  </div>
</template>
