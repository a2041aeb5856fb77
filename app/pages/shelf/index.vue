<script setup lang="ts">
import { call, type Reply } from '~/support/api'

const PARTS = [
  'Products',
  'House mixes',
  'Devices',
  'Disposables',
  'Kits',
  'Order',
  'Prices',
] as const
const route = useRoute()
const session = useSessionStore()
const shelf = shallowRef<Reply<'/api/shelf'>>()
const { trouble, attempt } = useAttempt()
const taking = ref(false)
const part = computed(() => PARTS.find((other) => other === route.query.part) ?? 'Products')
const mayWrite = computed(() => session.can('shelf.write'))
const mixes = computed(() => shelf.value?.products.filter((product) => product.isMix) ?? [])
const products = computed(() => shelf.value?.products.filter((product) => !product.isMix) ?? [])
const load = () =>
  attempt(async () => {
    shelf.value = await call('/api/shelf')
  })
// Another part shows what was changed in this one.
watch(part, load, { immediate: true })
</script>

<template>
  <div
    class="px-7 max-md:px-4 py-5 w-full max-w-[1400px] mx-auto flex flex-col h-[calc(100vh-3.5rem-var(--ribbon,0px))] min-h-[44rem]"
  >
    <header class="flex flex-wrap items-end gap-3 mb-3">
      <h1 class="text-4xl mr-auto">Shelf</h1>
      <a class="rung" href="/api/shelf/file" download>Take the file</a>
      <template v-if="mayWrite">
        <button type="button" class="rung" @click="taking = true">Take a file in</button>
        <NuxtLink class="rung" to="/shelf/bench"> Mix bench </NuxtLink>
        <NuxtLink class="rung rung-strong" to="/shelf/new">New product</NuxtLink>
      </template>
    </header>
    <PartBar
      class="mb-4"
      label="Parts of the shelf"
      :parts="PARTS"
      :part="part"
      :words="(name) => name"
    />
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <p v-if="!shelf && !trouble" class="text-soft">Opening …</p>
    <template v-else-if="shelf">
      <ShelfTable
        v-if="part === 'Products'"
        key="products"
        :list="products"
        :currency="shelf.currency"
      />
      <ShelfTable
        v-else-if="part === 'House mixes'"
        key="mixes"
        :list="mixes"
        :currency="shelf.currency"
        mixes
      />
      <DeviceList
        v-else-if="part === 'Devices'"
        :devices="shelf.devices"
        :supplies="shelf.supplies"
        :disabled="!mayWrite"
      />
      <SupplyList
        v-else-if="part === 'Disposables'"
        :supplies="shelf.supplies"
        :currency="shelf.currency"
        :disabled="!mayWrite"
      />
      <KitList
        v-else-if="part === 'Kits'"
        :kits="shelf.kits"
        :products="products"
        :currency="shelf.currency"
        :disabled="!mayWrite"
      />
      <OrderPanel v-else-if="part === 'Order'" :currency="shelf.currency" />
      <PricePanel v-else :rates="shelf.rates" :currency="shelf.currency" @saved="load" />
    </template>
    <LazyShelfImport
      v-if="taking"
      :today="shelf?.today ?? ''"
      :currency="shelf?.currency ?? 'EUR'"
      :known="products"
      @close="taking = false"
      @taken="load"
    />
  </div>
</template>
