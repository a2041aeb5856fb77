<script setup lang="ts">
import { useTable } from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { dequal } from 'dequal'
import type { Listed } from '#core/catalog'
import { NO_SHELF_WISH, shelfFor, type ShelfWish } from '~/support/shelf/shelf'
import { emptyInWords, SHELF_COLUMNS, shelfFeatures } from '~/support/shelf/shelf-table'

const props = defineProps<{ list: readonly Listed[]; currency: string; mixes?: boolean }>()
const ROW_PX = 52
const wish = ref<ShelfWish>(NO_SHELF_WISH)
const isWished = computed(() => !dequal(wish.value, { ...NO_SHELF_WISH, away: wish.value.away }))
const found = computed(() => shelfFor(props.list, wish.value))
const there = computed(() => props.list.filter(({ archived }) => archived === wish.value.away))
const table = useTable({
  features: shelfFeatures,
  columns: SHELF_COLUMNS,
  data: found,
  getRowId: (listed: Listed) => listed.id,
})
const rows = computed(() => table.getRowModel().rows)
function orderOf(columnId: string) {
  const sorted = table.atoms.sorting.get()[0]
  if (sorted?.id !== columnId) return 'none'
  return sorted.desc ? 'descending' : 'ascending'
}
const scroll = ref<HTMLElement | null>(null)
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => scroll.value,
    estimateSize: () => ROW_PX,
    getItemKey: (at: number) => rows.value[at]?.id ?? at,
    overscan: 8,
  })),
)
const lines = computed(() =>
  virtual.value.getVirtualItems().map(({ key, index, start }) => ({
    key: String(key),
    index,
    listed: rows.value[index]!.original,
    style: { height: `${ROW_PX}px`, transform: `translateY(${start}px)` },
  })),
)
const GRID =
  'grid grid-cols-[minmax(0,1fr)_7.5rem_minmax(0,13rem)_7rem_12.5rem_6rem] gap-4 items-center'
</script>

<template>
  <div class="flex flex-col min-h-0 flex-1">
    <ShelfWishes
      :wish="wish"
      :list="list"
      :is-wished="isWished"
      :mixes="mixes ?? false"
      @change="wish = $event"
    />
    <div
      ref="scroll"
      role="table"
      aria-label="Shelf"
      :aria-rowcount="rows.length + 1"
      tabindex="0"
      class="overflow-y-auto"
      :class="rows.length > 0 ? 'flex-1 min-h-[20rem]' : ''"
    >
      <div role="rowgroup" class="sticky top-0 bg-ground z-10">
        <div role="row" :class="GRID" class="border-b border-line">
          <SortedHead
            v-for="header in table.getHeaderGroups()[0]!.headers"
            :key="header.id"
            :words="String(header.column.columnDef.header)"
            :order="orderOf(header.id)"
            :class="header.id === 'price' && 'text-right'"
            @sort="header.column.toggleSorting()"
          />
        </div>
      </div>
      <div role="rowgroup" class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="line in lines"
          :key="line.key"
          role="row"
          :aria-rowindex="line.index + 2"
          class="absolute inset-x-0 border-b border-hair hover:bg-sunk"
          :class="GRID"
          :style="line.style"
        >
          <ShelfRow :listed="line.listed" :currency="currency" />
        </div>
      </div>
    </div>
    <p v-if="rows.length === 0" class="py-8 text-soft">{{
      emptyInWords(list, wish, isWished, mixes ?? false)
    }}</p>
    <p class="text-sm text-soft pt-2" aria-live="polite">
      {{ rows.length }} of {{ there.length }}
    </p>
  </div>
</template>
