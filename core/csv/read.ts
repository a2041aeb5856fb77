import Papa from 'papaparse'
import { Batch, Product } from '../catalog/model'
import { BadCell, unquoted } from './cells'
import { columnOfField, isColumn, type Cells, type Column } from './columns'
import { batchFrom, productFrom, type CsvSetting } from './product'

/** One good row: the product as the row alone would have it, which columns the file had, and its batch if it names one. */
export interface ShelfRow {
  readonly product: Product
  readonly columns: readonly Column[]
  readonly batch?: Batch | undefined
}

/** `row`: line of the table, the header being 1. */
export interface ShelfFault {
  readonly row: number
  readonly column: string
  readonly says: string
}

export interface ShelfCsvRead {
  readonly rows: readonly ShelfRow[]
  readonly faults: readonly ShelfFault[]
  /** Columns the file has and the shelf does not know. */
  readonly unknown: readonly string[]
  readonly count: number
}

const PROGRESS_EVERY = 250

/** Reads a shelf table. Good rows and faults of the others come apart; nothing is guessed: what cannot be read is named by row and column. */
export function readShelfCsv(text: string, setting: CsvSetting): ShelfCsvRead {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const header = (parsed.data[0] ?? []).map((cell) =>
    cell.trim().toLowerCase().replace(/\s+/g, '_'),
  )
  const lines = parsed.data.slice(1)
  const tableFaults = [...headerFaults(header), ...lineFaults(parsed.errors)]
  const read =
    tableFaults.length > 0 ? { rows: [], faults: tableFaults } : readLines(lines, header, setting)
  setting.onProgress?.(lines.length, lines.length)
  return {
    ...read,
    unknown: header.filter((name) => name !== '' && !isColumn(name)),
    count: lines.length,
  }
}

function headerFaults(header: readonly string[]): ShelfFault[] {
  const missing = ['name', 'kind'].filter((column) => !header.includes(column))
  const twice = header.filter((name, at) => isColumn(name) && header.indexOf(name) < at)
  return [
    ...missing.map((column) => ({
      row: 1,
      column,
      says: 'This column is missing; every product needs it.',
    })),
    ...twice.map((column) => ({ row: 1, column, says: 'This column is there twice.' })),
  ]
}

const lineFaults = (errors: readonly Papa.ParseError[]): ShelfFault[] =>
  errors
    .filter((error) => error.code !== 'UndetectableDelimiter')
    .map(({ row = 0, message }) => ({
      row: row + 1,
      column: '',
      says: `This line is not a row of the table: ${message}.`,
    }))

function readLines(
  lines: readonly (readonly string[])[],
  header: readonly string[],
  setting: CsvSetting,
): Pick<ShelfCsvRead, 'rows' | 'faults'> {
  const columns = header.filter(isColumn)
  const rows: ShelfRow[] = []
  const faults: ShelfFault[] = []
  const rowOf = new Map<string, number>()
  for (const [at, line] of lines.entries()) {
    const row = at + 2
    const read = readRow(cellsIn(line, header), setting)
    if (at % PROGRESS_EVERY === 0) setting.onProgress?.(at, lines.length)
    if ('faults' in read) {
      faults.push(...read.faults.map((fault) => ({ row, ...fault })))
      continue
    }
    const { id } = read.product
    const earlier = rowOf.get(id)
    if (earlier !== undefined) {
      faults.push({ row, column: 'id', says: `“${id}” stands in row ${earlier} already.` })
      continue
    }
    rowOf.set(id, row)
    rows.push({ ...read, columns })
  }
  return { rows, faults }
}

function cellsIn(line: readonly string[], header: readonly string[]): Cells {
  const cells: Cells = {}
  for (const [place, name] of header.entries()) {
    if (isColumn(name)) cells[name] = unquoted(line[place] ?? '')
  }
  return cells
}

type Fault = Omit<ShelfFault, 'row'>
type RowRead = { product: Product; batch?: Batch } | { faults: Fault[] }

function readRow(cells: Cells, setting: CsvSetting): RowRead {
  try {
    const product = Product.safeParse(productFrom(cells, setting))
    const batch = batchFrom(cells, product.success ? product.data.id : '', setting)
    const checked = batch === undefined ? undefined : Batch.safeParse(batch)
    const faults = [...issuesOf(product), ...issuesOf(checked)]
    if (!product.success || faults.length > 0) return { faults }
    return checked?.success
      ? { product: product.data, batch: checked.data }
      : { product: product.data }
  } catch (error) {
    if (error instanceof BadCell) return { faults: [{ column: error.column, says: error.says }] }
    throw error
  }
}

interface Issues {
  readonly error?: { readonly issues: readonly { path: PropertyKey[]; message: string }[] }
}

const issuesOf = (parsed: Issues | undefined): Fault[] =>
  (parsed?.error?.issues ?? []).map(({ path, message }) => ({
    column: columnOfField(String(path[0] ?? '')),
    says: `${message}.`,
  }))
