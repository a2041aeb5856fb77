<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import type { Listed } from '#core/catalog'
import { call } from '~/support/api'

const session = useSessionStore()
const id = String(useRoute().params.id)
const today = computed(() => session.salon?.today ?? '')
const bench = useProduct(id, () => today.value)
const { product, batches, trouble, state, archived, isNew, put } = bench
const STATE_WORDS = { saved: 'Saved', saving: 'Saving …', waiting: 'Not saved', new: '' } as const
const list = shallowRef<Listed[]>([])
const currency = ref('EUR')
const disabled = computed(() => !session.can('shelf.write'))
const unit = computed(() => bench.shown.value?.unit ?? 'g')
onMounted(async () => {
  await bench.load()
  const reply = await call('/api/shelf')
  list.value = reply.products
  currency.value = reply.currency
})
function complain(says: string) {
  trouble.value = says
}
async function create() {
  const taken = new Set(list.value.map((other) => other.id))
  const created = await bench.create(taken)
  if (created) await navigateTo(`/shelf/${created}`)
}
const undo = () => bench.history.undo()
const isTyping = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement && event.target.matches('input, textarea')
onKeyStroke('z', (event) => {
  if (!(event.ctrlKey || event.metaKey) || isTyping(event)) return
  event.preventDefault()
  undo()
})
const { amountOf } = useMeasures()
</script>

<template>
  <div class="px-7 py-5 w-full max-w-[1400px] mx-auto">
    <NuxtLink
      class="text-link text-sm"
      :to="{ path: '/shelf', query: product?.recipe ? { part: 'House mixes' } : {} }"
      >Shelf</NuxtLink
    >
    <header class="flex items-end gap-3 mb-3">
      <h1 class="text-4xl mr-auto">
        {{ product?.name || (isNew ? 'New product' : ' ')
        }}<span v-if="archived" class="text-soft text-xl ml-3">put away</span>
      </h1>
      <p class="text-sm text-soft pb-3" role="status">{{ STATE_WORDS[state] }}</p>
      <template v-if="!disabled && !isNew">
        <button
          type="button"
          class="rung"
          v-off="!bench.history.canUndo.value && 'Nothing was changed here yet.'"
          @click="undo"
        >
          Undo
        </button>
        <button type="button" class="rung" @click="bench.putAway(!archived)">{{
          archived ? 'Back on the shelf' : 'Put away'
        }}</button>
      </template>
    </header>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <div
      v-if="product"
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_21rem] gap-9 items-start"
    >
      <fieldset :disabled="disabled" class="flex flex-col gap-6 min-w-0">
        <ProductFields
          :product="product"
          :list="list"
          :unit="unit"
          :is-new="isNew"
          @change="put"
          @bad="complain"
        />
        <div v-if="isNew" class="flex justify-end gap-3 border-t border-line pt-4">
          <NuxtLink class="rung" to="/shelf"> Cancel </NuxtLink>
          <button
            type="button"
            class="rung rung-strong"
            v-off="product.name.trim() === '' && 'A product needs a name.'"
            @click="create"
          >
            Put it on the shelf
          </button>
        </div>
      </fieldset>
      <aside
        class="flex flex-col gap-6 sticky top-4 max-h-[calc(100vh-2rem)] overflow-y-auto border-l border-line pl-6"
        tabindex="0"
        aria-label="What follows from it"
      >
        <section v-if="!isNew && !product.recipe" aria-label="Stock">
          <p>
            <span class="display text-4xl">{{
              amountOf(bench.shown.value?.stock ?? 0, unit)
            }}</span>
            <span class="text-soft"> to use</span>
          </p>
        </section>
        <ProductSays :product="product" />
        <BatchRows
          v-if="!isNew && !product.recipe"
          :product="product"
          :batches="batches"
          :current="bench.current.value?.id"
          :today="today"
          :disabled="disabled"
          @put="bench.putBatch"
          @bad="complain"
        />
        <ProductPack
          v-if="!product.recipe"
          :product="product"
          :unit="unit"
          :currency="currency"
          :disabled="disabled"
          @change="put"
          @bad="complain"
        />
        <ProductHome
          v-if="!product.recipe"
          :product="product"
          :currency="currency"
          :disabled="disabled"
          @change="put"
          @bad="complain"
        />
      </aside>
    </div>
  </div>
</template>
