import type { Mixing, Product, ProductKind } from '#core/catalog'
import { compact } from '~/support/compact'

/** What a field of a product’s mixing changes: pure, with the page’s defaults. */

type Sets = NonNullable<Mixing['sets']>
type SetsRow = Extract<Sets, { by: 'table' }>['rows'][number]
type Additive = NonNullable<Product['additive']>
export type SetsKind = Sets['by'] | ''

export const WATER_LIMITS = ['least', 'usual', 'most'] as const
const USUAL_WATER = { least: 15, usual: 20, most: 30 }

/** Mixing with some fields changed, an undefined one taken out; without any field there is no mixing. */
export function mixingChanged(
  mixing: Mixing,
  more: { [K in keyof Mixing]?: Mixing[K] | undefined },
): { mixing: Mixing | undefined } {
  const next = compact<Mixing>({ ...mixing, ...more })
  return { mixing: Object.keys(next).length > 0 ? next : undefined }
}

/** One limit of the water’s temperature, in °C; the others as usual where nothing is said. */
export const waterChanged = (
  mixing: Mixing,
  limit: (typeof WATER_LIMITS)[number],
  celsius: number,
) => ({ waterC: { ...USUAL_WATER, ...mixing.waterC, [limit]: celsius } })

/** What a setting begins as: four minutes to work and eight to set, at 20 °C. */
const FIRST_ROW: SetsRow = { celsius: 20, workingS: 240, setsS: 480 }
/** How much warmer another row of the table begins. */
const NEXT_CELSIUS = 2

export function setsBy(kind: SetsKind): Mixing['sets'] {
  if (kind === '') return undefined
  return kind === 'alginate' ? { by: kind, at: FIRST_ROW } : { by: kind, rows: [FIRST_ROW] }
}

/** The rows a setting is given by: one for alginate, all of a table. */
export function setsRows(sets: Mixing['sets']): readonly SetsRow[] {
  if (!sets) return []
  return sets.by === 'alginate' ? [sets.at] : sets.rows
}

export function withSetsRowChanged(sets: Sets, at: number, more: Partial<SetsRow>): Sets {
  const rows = setsRows(sets).map((row, index) => (index === at ? { ...row, ...more } : row))
  return sets.by === 'alginate' ? { by: 'alginate', at: rows[0]! } : { by: 'table', rows }
}

export function withSetsRow(rows: readonly SetsRow[]): Sets {
  const last = rows.at(-1) ?? FIRST_ROW
  return { by: 'table', rows: [...rows, { ...last, celsius: last.celsius + NEXT_CELSIUS }] }
}

export const additiveUpTo = (product: Product, mostPercent: number) => ({
  additive: { ...product.additive, mostPercent },
})

/** What it may go into: one kind, or anything. */
export const additiveInto = ({ mostPercent }: Additive, kind: ProductKind | '') => ({
  additive: { mostPercent, ...(kind === '' ? {} : { into: [kind] }) },
})
