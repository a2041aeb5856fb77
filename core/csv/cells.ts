import { Invalid } from '../fault'
import type { Cells, Column } from './columns'

/** A cell that cannot be read, with a sentence for the person who wrote it. */
export class BadCell extends Invalid {
  constructor(
    readonly column: Column,
    readonly says: string,
  ) {
    super({ code: 'bad_cell', detail: says, path: column })
  }
}

/** The quote that keeps a spreadsheet from running a cell is taken away again. */
export const unquoted = (cell: string): string => cell.trim().replace(/^'(?=[=+\-@\t\r])/, '')

export const listOf = (cell: string | undefined): string[] =>
  (cell ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)

export function numberIn(cells: Cells, column: Column): number | undefined {
  const cell = cells[column]
  if (!cell) return undefined
  const value = Number(cell.replace(',', '.'))
  if (!Number.isFinite(value)) throw new BadCell(column, `“${cell}” is not a number.`)
  return value
}

/** "4.8 mL" and the like. */
export function amountIn(
  cells: Cells,
  column: Column,
): { amount: number; unit: 'g' | 'mL' } | undefined {
  const cell = cells[column]
  if (!cell) return undefined
  const found = /^(\d+(?:[.,]\d+)?)\s*(g|ml)$/i.exec(cell)
  if (!found)
    throw new BadCell(column, `“${cell}” is not an amount; write for instance “4.8 mL” or “12 g”.`)
  const [, figure, unit] = found
  return {
    amount: Number(figure!.replace(',', '.')),
    unit: unit === 'g' || unit === 'G' ? 'g' : 'mL',
  }
}

export function yesNoIn(cells: Cells, column: Column): boolean {
  const cell = (cells[column] ?? '').toLowerCase()
  if (['', 'no', 'false', '0'].includes(cell)) return false
  if (['yes', 'true', '1'].includes(cell)) return true
  throw new BadCell(column, `“${cells[column]}” is neither yes nor no.`)
}
