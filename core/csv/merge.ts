import { dequal } from 'dequal'
import type { Product } from '../catalog/model'
import { cellOf, columnsOf, productFields, type Column } from './columns'
import type { ShelfRow } from './read'

const USE_COLUMNS = columnsOf('use')

/**
 * A product of the shelf with what a row says of it. Columns the file did not have stay as they are, and so does all a table cannot hold:
 * further uses, ranges of minutes, expected sensations, a house mix's recipe. A first use that reads as it was exported is left whole.
 */
export function mergeRow(
  existing: Product | undefined,
  { product, columns }: Pick<ShelfRow, 'product' | 'columns'>,
): Product {
  if (!existing) return product
  const namedFields = productFields(columns)
  const isTold = (field: string): boolean => namedFields.has(field as keyof Product)
  const untouched = Object.entries(existing).filter(([field]) => !isTold(field))
  const fresh = Object.entries(withCalibration(existing, product)).filter(
    ([field, value]) => isTold(field) && value !== undefined,
  )
  const merged = Object.fromEntries([...untouched, ...fresh]) as Product
  return { ...merged, uses: mergedUses(existing, product, columns) }
}

/** A measure that reads as before keeps how it was calibrated. */
function withCalibration(existing: Product, product: Product): Product {
  const [was, now] = [existing.measure, product.measure]
  return was && was.per === now?.per && was.name === now.name
    ? { ...product, measure: was }
    : product
}

function mergedUses(
  existing: Product,
  product: Product,
  columns: readonly Column[],
): Product['uses'] {
  const [was, now] = [existing.uses[0], product.uses[0]]
  const isSaid = columns.some((column) => USE_COLUMNS.includes(column))
  if (!now || !isSaid || (was && readsAlike(existing, product))) return existing.uses
  return [{ ...now, ...(was ? { id: was.id } : {}) }, ...existing.uses.slice(1)]
}

/** The first uses of two products, as the table would write them, are the same. */
function readsAlike(one: Product, other: Product): boolean {
  const cells = (product: Product) =>
    USE_COLUMNS.map((column) => cellOf(column, { product, batch: undefined, minorDigits: 2 }))
  return dequal(cells(one), cells(other))
}
