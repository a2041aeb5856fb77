import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
} from '@tanstack/vue-table'
import type { Listed } from '#core/catalog'
import { figure, type ShelfWish } from '~/support/shelf/shelf'

export const shelfFeatures = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
})

const column = (
  id: string,
  header: string,
  accessorFn: (listed: Listed) => string | number | undefined,
  sortFn: 'alphanumeric' | 'basic' = 'alphanumeric',
) => ({ id, header, accessorFn, sortFn, sortUndefined: 'last' as const, sortDescFirst: false })

/** Actives sort by name, the strongest first. */
function byStrength({ actives: [first] }: Listed): string | undefined {
  return first && `${first.name} ${String(100 - first.percent).padStart(6, '0')}`
}

export const SHELF_COLUMNS = [
  column('name', 'Product', (listed) => listed.name),
  column('kind', 'Kind', (listed) => listed.kind),
  column('actives', 'Actives · pH', byStrength),
  column('until', 'Use by', (listed) => listed.until),
  column('left', 'Left', (listed) => listed.doses ?? listed.packs, 'basic'),
  column('price', 'Price', (listed) => listed.unitMinor, 'basic'),
]

const SHOWN_ACTIVES = 2

/** The first actives of a product and its pH, in one line; or that nobody has filled in what it is made of. */
export function activesInShort({ actives, pH, hasList }: Listed): string {
  if (!hasList && actives.length === 0 && pH === undefined) return 'not filled in'
  const shown = actives
    .slice(0, SHOWN_ACTIVES)
    .map((active) => `${active.name} ${figure(active.percent)} %`)
  return [...shown, ...(pH === undefined ? [] : [`pH ${pH}`])].join(' · ')
}

const isGone = ({ state }: Listed) => state === 'out' || state === 'past its time'

/** How much there is: doses where they can be counted, otherwise the amount; or why there is none. */
export function leftInWords(
  listed: Listed,
  amountOf: (amount: number, unit: string) => string,
): string {
  if (isGone(listed) || listed.state === 'not counted') return listed.state
  return listed.doses === undefined ? amountOf(listed.stock, listed.unit) : `${listed.doses} doses`
}

export function leftClass(listed: Listed): string {
  if (isGone(listed)) return 'text-mind font-semibold'
  return listed.state === 'low' ? 'text-now font-semibold' : ''
}

/** Why the table is empty. */
export function emptyInWords(
  list: readonly Listed[],
  { away }: ShelfWish,
  isWished: boolean,
  mixes: boolean,
): string {
  if (list.length === 0 && mixes) return 'No house mix yet. Make the first one on the bench.'
  if (list.length === 0) return 'The shelf is empty. Take a file in, or write the first product.'
  if (away && !isWished) return 'Nothing is put away.'
  return 'Nothing on the shelf answers all of this. Take one wish back.'
}
