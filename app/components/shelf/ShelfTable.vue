<script setup lang="ts">
import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { PRODUCT_KINDS, REACHES, STATES, type Listed } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { money } from '~/support/money'
import {
  activesOn,
  figure,
  NO_SHELF_WISH,
  shelfFor,
  STATE_GLYPHS,
  vessels,
  type ShelfWish,
} from '~/support/shelf/shelf'
import { shortDate } from '~/support/time'
import { textOf as text } from '~/support/typed'

const props = defineProps<{ list: readonly Listed[]; currency: string; mixes?: boolean }>()
const ROW_PX = 52
const wish = ref<ShelfWish>(NO_SHELF_WISH)
const set = (more: Partial<ShelfWish>) => {
  wish.value = { ...wish.value, ...more }
}
const isWished = computed(
  () => JSON.stringify(wish.value) !== JSON.stringify({ ...NO_SHELF_WISH, away: wish.value.away }),
)
const found = computed(() => shelfFor(props.list, wish.value))
const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
})
const column = (
  id: string,
  header: string,
  of: (one: Listed) => string | number | undefined,
  sortFn: 'alphanumeric' | 'basic' = 'alphanumeric',
) => ({ id, header, accessorFn: of, sortFn, sortUndefined: 'last' as const, sortDescFirst: false })
const columns = [
  column('name', 'Product', (one) => one.name),
  column('kind', 'Kind', (one) => one.kind),
  column(
    'actives',
    'Actives · pH',
    (one) =>
      one.actives[0] &&
      `${one.actives[0].name} ${String(100 - one.actives[0].percent).padStart(6, '0')}`,
  ),
  column('until', 'Use by', (one) => one.until),
  column('left', 'Left', (one) => one.doses ?? one.packs, 'basic'),
  column('price', 'Price', (one) => one.unitMinor, 'basic'),
]
const table = useTable({ features, columns, data: found, getRowId: (one: Listed) => one.id })
const rows = computed(() => table.getRowModel().rows)
const sortedBy = computed(() => table.atoms.sorting.get()[0])
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
const GRID =
  'grid grid-cols-[minmax(0,1fr)_7.5rem_minmax(0,13rem)_7rem_12.5rem_6rem] gap-4 items-center'
</script>

<template>
  <div class="flex flex-col min-h-0 flex-1">
    <div class="flex flex-wrap items-end gap-3 mb-3">
      <label class="flex flex-col gap-1 text-sm text-soft flex-1 min-w-48">
        Find
        <input
          class="field !text-ink text-base"
          type="search"
          placeholder="a name, an active, a lot"
          :value="wish.typed"
          @input="set({ typed: text($event) })"
        />
      </label>
      <label v-if="!mixes" class="flex flex-col gap-1 text-sm text-soft">
        Kind
        <select
          class="field !text-ink"
          :value="wish.kind"
          @change="set({ kind: text($event) as ShelfWish['kind'] })"
        >
          <option value="">any</option>
          <option v-for="one in PRODUCT_KINDS" :key="one" :value="one">{{
            one.replaceAll('-', ' ')
          }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        With
        <select
          class="field !text-ink max-w-36"
          :value="wish.active"
          @change="set({ active: text($event) })"
        >
          <option value="">any active</option>
          <option v-for="one in activesOn(list)" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        For
        <select
          class="field !text-ink"
          :value="wish.concern"
          @change="set({ concern: text($event) as ShelfWish['concern'] })"
        >
          <option value="">anything</option>
          <option v-for="one in CONCERNS" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Never on
        <select
          class="field !text-ink"
          :value="wish.never"
          @change="set({ never: text($event) as ShelfWish['never'] })"
        >
          <option value="">–</option>
          <option v-for="one in REACHES" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Stock
        <select
          class="field !text-ink"
          :value="wish.state"
          @change="set({ state: text($event) as ShelfWish['state'] })"
        >
          <option value="">any</option>
          <option v-for="one in STATES" :key="one">{{ one }}</option>
        </select>
      </label>
      <button
        type="button"
        class="pick"
        :aria-pressed="wish.away"
        @click="set({ away: !wish.away })"
      >
        Put away
      </button>
      <button
        v-if="isWished"
        type="button"
        class="pick"
        @click="wish = { ...NO_SHELF_WISH, away: wish.away }"
      >
        Clear
      </button>
    </div>
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
          <span
            v-for="header in table.getHeaderGroups()[0]!.headers"
            :key="header.id"
            role="columnheader"
            :aria-sort="
              sortedBy?.id === header.id ? (sortedBy.desc ? 'descending' : 'ascending') : 'none'
            "
            :class="header.id === 'price' && 'text-right'"
          >
            <button
              type="button"
              class="min-h-[38px] text-sm text-soft hover:text-ink"
              @click="header.column.toggleSorting()"
            >
              {{ header.column.columnDef.header }}
              {{ sortedBy?.id === header.id ? (sortedBy.desc ? '↓' : '↑') : '' }}
            </button>
          </span>
        </div>
      </div>
      <div role="rowgroup" class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="line in virtual.getVirtualItems()"
          :key="String(line.key)"
          role="row"
          :aria-rowindex="line.index + 2"
          class="absolute inset-x-0 border-b border-hair hover:bg-sunk"
          :class="GRID"
          :style="{ height: `${ROW_PX}px`, transform: `translateY(${line.start}px)` }"
        >
          <template v-for="one in [rows[line.index]!.original]" :key="one.id">
            <span role="cell" class="min-w-0">
              <NuxtLink
                :to="`/shelf/${one.id}`"
                class="block truncate text-[1.05rem] leading-[52px] after:absolute after:inset-0"
              >
                {{ one.name }}
              </NuxtLink>
            </span>
            <span role="cell" class="text-soft truncate">{{ one.kind.replaceAll('-', ' ') }}</span>
            <span role="cell" class="truncate">{{
              [
                ...one.actives
                  .slice(0, 2)
                  .map((active) => `${active.name} ${figure(active.percent)} %`),
                ...(one.pH === undefined ? [] : [`pH ${one.pH}`]),
              ].join(' · ')
            }}</span>
            <span
              role="cell"
              :class="
                one.state === 'past its time' || one.state === 'ends soon'
                  ? 'text-mind font-semibold'
                  : 'text-soft'
              "
            >
              {{ one.until ? shortDate(one.until) : '' }}
            </span>
            <span role="cell" class="flex items-center gap-2 whitespace-nowrap">
              <svg v-if="one.packs !== undefined" width="62" height="26" aria-hidden="true">
                <g
                  v-for="(full, at) in vessels(one.packs)"
                  :key="at"
                  :transform="`translate(${at * 21 + 1} 1)`"
                >
                  <rect width="17" height="24" fill="none" stroke="var(--line)" />
                  <rect
                    x="1.5"
                    :y="1.5 + 21 * (1 - full)"
                    width="14"
                    :height="21 * full"
                    :fill="one.state === 'good' ? 'var(--hands-soft)' : 'var(--mind)'"
                  />
                </g>
              </svg>
              <span
                :class="
                  one.state === 'out' || one.state === 'past its time'
                    ? 'text-mind font-semibold'
                    : one.state === 'low'
                      ? 'text-now font-semibold'
                      : ''
                "
              >
                {{ STATE_GLYPHS[one.state] }}
                {{
                  one.state === 'out' || one.state === 'past its time'
                    ? one.state
                    : one.doses !== undefined
                      ? `${one.doses} doses`
                      : `${figure(one.stock)} ${one.unit}`
                }}
              </span>
            </span>
            <span role="cell" class="text-right text-soft whitespace-nowrap">{{
              one.unitMinor === undefined ? '' : `${money(one.unitMinor, currency)}/${one.unit}`
            }}</span>
          </template>
        </div>
      </div>
    </div>
    <p v-if="rows.length === 0" class="py-8 text-soft">{{
      list.length === 0
        ? mixes
          ? 'No house mix yet. Make the first one on the bench.'
          : 'The shelf is empty. Take a file in, or write the first product.'
        : wish.away && !isWished
          ? 'Nothing is put away.'
          : 'Nothing on the shelf answers all of this. Take one wish back.'
    }}</p>
    <p class="text-sm text-soft pt-2" aria-live="polite">
      {{ rows.length }} of {{ list.filter((one) => one.archived === wish.away).length }}
    </p>
  </div>
</template>
