import { slugOf, type Listed, type ProductKind, type Reach, type StockState } from '#core/catalog'
import type { Concern } from '#core/client'

/** What the shelf is asked for. Empty: anything. */
export interface ShelfWish {
  readonly typed: string
  readonly kind: ProductKind | ''
  readonly active: string
  readonly concern: Concern | ''
  readonly never: Reach | ''
  readonly state: StockState | ''
  readonly away: boolean
}
export const NO_SHELF_WISH: ShelfWish = {
  typed: '',
  kind: '',
  active: '',
  concern: '',
  never: '',
  state: '',
  away: false,
}

/** Lines of the shelf that answer every part of the wish. `never`: what may not go there. */
export function shelfFor(list: readonly Listed[], wish: ShelfWish): Listed[] {
  const words = wish.typed.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return list.filter(
    (listed) =>
      listed.archived === wish.away &&
      words.every((word) =>
        `${listed.name} ${listed.kind} ${listed.lot ?? ''} ${listed.actives.map((active) => active.name).join(' ')}`
          .toLowerCase()
          .includes(word),
      ) &&
      (wish.kind === '' || listed.kind === wish.kind) &&
      (wish.active === '' || listed.actives.some((active) => active.name === wish.active)) &&
      (wish.concern === '' || listed.concerns.includes(wish.concern)) &&
      (wish.never === '' || !listed.reaches.includes(wish.never)) &&
      (wish.state === '' || listed.state === wish.state),
  )
}

/** Every active on the shelf, by name. */
export const activesOn = (list: readonly Listed[]): string[] =>
  [...new Set(list.flatMap((listed) => listed.actives.map((active) => active.name)))].sort()

/** A glyph for every state: never by colour alone. */
export const STATE_GLYPHS: Readonly<Record<StockState, string>> = {
  out: '⊘',
  low: '◔',
  'past its time': '✕',
  'ends soon': '◷',
  'not counted': '·',
  good: '',
}

export { figure } from '#core/quantity'

/** A short id from a name, free among those taken. */
export function idFrom(name: string, taken: ReadonlySet<string>): string {
  const base = slugOf(name, 52) || 'product'
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!taken.has(id)) return id
  }
}

/** Packs drawn as vessels: how full each is, 0 … 1, at most `most` of them. */
export const vessels = (packs: number | undefined, most = 3): number[] =>
  packs === undefined
    ? []
    : Array.from({ length: Math.min(most, Math.max(1, Math.ceil(packs))) }, (_, at) =>
        Math.max(0, Math.min(1, packs - at)),
      )
