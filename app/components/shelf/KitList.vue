<script setup lang="ts">
import type { Kit, Listed } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { money } from '~/support/money'
import { asOptions, byName } from '~/support/options'
import { call } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'
import { textOf } from '~/support/typed'

const props = defineProps<{
  kits: readonly Kit[]
  products: readonly Listed[]
  currency: string
  disabled: boolean
}>()
const { things, trouble, state, put: putThing } = useThings<Kit>(() => props.kits)
const put = (kit: Kit) =>
  putThing(kit, () =>
    call('/api/shelf/kits/:id', { method: 'put', params: { id: kit.id }, body: kit }),
  )
const named = ref('')
const MOST_ITEMS = 12
const MOST = 10_000
const onShelf = computed(() =>
  props.products
    .filter((product) => !product.archived)
    .sort((a, b) => a.name.localeCompare(b.name)),
)
const choices = computed(() => byName(onShelf.value))
const unitOf = (id: string) => props.products.find((product) => product.id === id)?.unit ?? ''
function complain(says: string) {
  trouble.value = says
}
const putItem = (kit: Kit, at: number, more: Partial<Kit['items'][number]>) =>
  put({
    ...kit,
    items: kit.items.map((item, index) => (index === at ? { ...item, ...more } : item)),
  })
const newItem = (productId: string) => ({ productId, amount: 1, home: '' })
const addItem = (kit: Kit) => put({ ...kit, items: [...kit.items, newItem(onShelf.value[0]!.id)] })
const removeItem = (kit: Kit, at: number) =>
  put({ ...kit, items: kit.items.filter((_, index) => index !== at) })
async function add() {
  const first = onShelf.value[0]
  if (!first) return
  const isAdded = await put({
    id: idFrom(named.value, new Set(things.value.map((kit) => kit.id))),
    name: named.value.trim(),
    concern: 'hydrate',
    priceMinor: 0,
    stock: 0,
    items: [newItem(first.id)],
  })
  if (isAdded) named.value = ''
}
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
          <FieldChoice
            beside
            small
            label="For"
            :value="kit.concern"
            :options="asOptions(CONCERNS)"
            @change="put({ ...kit, concern: $event })"
          />
          <FieldMoney
            beside
            :label="`Price, ${currency}`"
            :words="kit.name"
            :value="kit.priceMinor"
            :currency="currency"
            @change="put({ ...kit, priceMinor: $event })"
            @bad="complain"
          />
          <FieldFigure
            beside
            small
            whole
            label="Sets left"
            :words="`${kit.name}, sets left`"
            :value="kit.stock"
            :most="MOST"
            @change="put({ ...kit, stock: $event })"
            @bad="complain"
          />
        </div>
        <div
          v-for="(item, at) in kit.items"
          :key="at"
          class="flex items-center gap-2 py-1 border-t border-hair"
        >
          <FieldChoice
            beside
            small
            grows
            class="choice-fills w-64"
            :name="`Part ${at + 1} of ${kit.name}`"
            :value="item.productId"
            :options="choices"
            @change="putItem(kit, at, { productId: $event })"
          />
          <FieldFigure
            beside
            small
            :name="`Amount of part ${at + 1} of ${kit.name}`"
            :words="`Part ${at + 1} of ${kit.name}`"
            :value="item.amount"
            :least="0.001"
            :most="MOST"
            @change="putItem(kit, at, { amount: $event })"
            @bad="complain"
          />
          <span class="w-8 text-soft">{{ unitOf(item.productId) }}</span>
          <input
            class="field !min-h-[38px] flex-1"
            maxlength="160"
            placeholder="at home: how, and when"
            v-shown="item.home"
            :aria-label="`At home, part ${at + 1} of ${kit.name}`"
            @change="putItem(kit, at, { home: textOf($event) })"
          />
          <button
            type="button"
            class="pick !min-h-[38px]"
            v-off="kit.items.length < 2 && 'A kit holds at least one product.'"
            @click="removeItem(kit, at)"
          >
            Take out
          </button>
        </div>
        <button
          v-if="!disabled && kit.items.length < MOST_ITEMS"
          type="button"
          class="rung mt-2 !min-h-[38px]"
          @click="addItem(kit)"
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
