import Papa from 'papaparse'
import type { Batch, Product } from '../catalog/model'
import { cellOf, SHELF_COLUMNS } from './columns'

/** The shelf as CSV, one product a line with its first use and the batch in use. Prices in major units; cells that a spreadsheet would run as formulas are quoted for it. */
export function shelfCsv(
  products: readonly { readonly product: Product; readonly batch?: Batch | undefined }[],
  minorDigits: number,
): string {
  const data = products.map(({ product, batch }) =>
    SHELF_COLUMNS.map((column) => cellOf(column, { product, batch, minorDigits })),
  )
  return Papa.unparse(
    { fields: [...SHELF_COLUMNS], data },
    { newline: '\r\n', escapeFormulae: true },
  )
}
