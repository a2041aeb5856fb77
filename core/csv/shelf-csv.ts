import Papa from 'papaparse'
import { Batch, Product, type Use } from '../catalog/model'
import { unitOf } from '../catalog/batches'
import { slugOf } from '../catalog/slug'
import type { SalonMeasure } from '../quantity/model'
import { segment } from '../protocol/segments'
import type { Segment, Step } from '../protocol/model'
import { FACE_NECK, ZONE_GROUPS, ZONES, type ZoneId } from '../skin/zones'

/** Columns of the shelf as a table (RFC 4180). A file may leave out any but name and kind, and may hold others: those are named and left alone. */
export const SHELF_COLUMNS = [
  'id',
  'name',
  'kind',
  'unit',
  'ph',
  'vehicle',
  'actives',
  'concerns',
  'inci',
  'properties',
  'skin',
  'leaves',
  'emergency_off',
  'open_skin_use',
  'texture',
  'time',
  'after_opening_months',
  'pack_amount',
  'pack_price',
  'grams_per_teaspoon',
  'measure',
  'measure_amount',
  'substitutes',
  'note',
  'lot',
  'received_on',
  'best_before',
  'opened_on',
  'left',
  'use_phase',
  'use_zones',
  'use_dose',
  'apply_min',
  'dwell_min',
  'remove_min',
  'remove_tool',
  'remove_temperature',
] as const
type Column = (typeof SHELF_COLUMNS)[number]
const USE_COLUMNS: readonly Column[] = [
  'use_phase',
  'use_zones',
  'use_dose',
  'apply_min',
  'dwell_min',
  'remove_min',
  'remove_tool',
  'remove_temperature',
]

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
  /** Columns the file has and the shelf does not know. */ readonly unknown: readonly string[]
  readonly count: number
}

/** Groups of zones a cell may name. */
const GROUPS = new Map<string, readonly ZoneId[]>([
  ...ZONE_GROUPS.map((group) => [group.name, group.zones] as const),
  ['face, neck and décolleté', FACE_NECK],
])

type Cells = Partial<Record<Column, string>>
const LIST = '; '
const minutes = (use: Use, kind: Segment['kind']): string => {
  const s = use.segments
    .filter((one) => one.kind === kind)
    .reduce((sum, one) => sum + one.usualS, 0)
  return s === 0 ? '' : String(Math.round((s / 60) * 1000) / 1000)
}
const money = (minor: number, digits: number): string => (minor / 10 ** digits).toFixed(digits)

/** The shelf as CSV, one product a line with its first use and the batch in use. Prices in major units; cells that a spreadsheet would run as formulas are quoted for it. */
export function shelfCsv(
  products: readonly { readonly product: Product; readonly batch?: Batch | undefined }[],
  minorDigits: number,
): string {
  const rows = products.map(({ product, batch }) => {
    const cells = cellsOf(product, batch, minorDigits)
    return SHELF_COLUMNS.map((column) => cells[column] ?? '')
  })
  return Papa.unparse(
    { fields: [...SHELF_COLUMNS], data: rows },
    { newline: '\r\n', escapeFormulae: true },
  )
}

function cellsOf(product: Product, batch: Batch | undefined, digits: number): Cells {
  const use = product.uses[0]
  const off = use?.segments.find((one) => one.kind === 'remove')
  return {
    id: product.id,
    name: product.name,
    kind: product.kind,
    unit: unitOf(product),
    ph: product.pH === undefined ? '' : String(product.pH),
    vehicle: product.vehicle,
    actives: product.actives.map((one) => `${one.name} ${one.percent}`).join(LIST),
    concerns: product.concerns.join(LIST),
    inci: product.inci ?? '',
    properties: product.properties.join(LIST),
    skin: product.skin,
    leaves: product.leaves,
    emergency_off: product.emergencyOff,
    open_skin_use: product.openSkinUse ? 'yes' : 'no',
    texture: product.texture ?? '',
    time: product.time ?? '',
    after_opening_months:
      product.afterOpeningMonths === undefined ? '' : String(product.afterOpeningMonths),
    pack_amount: product.pack ? String(product.pack.amount) : '',
    pack_price: product.pack ? money(product.pack.priceMinor, digits) : '',
    grams_per_teaspoon:
      product.gramsPerTeaspoon === undefined ? '' : String(product.gramsPerTeaspoon),
    measure: product.measure?.name ?? '',
    measure_amount: product.measure ? `${product.measure.per} ${product.measure.unit}` : '',
    substitutes: (product.substitutes ?? []).join(LIST),
    note: product.note ?? '',
    lot: batch?.lot ?? '',
    received_on: batch?.receivedOn ?? '',
    best_before: batch?.bestBefore ?? '',
    opened_on: batch?.openedOn ?? '',
    left: batch ? String(batch.left) : '',
    ...useCells(use, off),
  }
}

const useCells = (use: Use | undefined, off: Segment | undefined): Cells =>
  use
    ? {
        use_phase: use.phase,
        use_zones: zonesInCell(use.zones),
        use_dose: use.dose ? `${use.dose.amount} ${use.dose.unit}` : '',
        apply_min: minutes(use, 'apply'),
        dwell_min: minutes(use, 'dwell'),
        remove_min: minutes(use, 'remove'),
        remove_tool: off?.tool ?? '',
        remove_temperature: off?.temperature ?? '',
      }
    : {}

/** Zones by the name of their group where they are one. */
function zonesInCell(zones: readonly ZoneId[]): string {
  const group = [...GROUPS].find(
    ([, members]) =>
      members.length === zones.length && members.every((zone) => zones.includes(zone)),
  )
  return group?.[0] ?? zones.join(LIST)
}

export interface CsvSetting {
  readonly minorDigits: number
  /** ISO: when a batch without a day of its own was received. */ readonly today: string
  readonly onProgress?: (done: number, of: number) => void
}
const PROGRESS_EVERY = 250

/** Reads a shelf table. Good rows and faults of the others come apart; nothing is guessed: what cannot be read is named by row and column. */
export function readShelfCsv(text: string, setting: CsvSetting): ShelfCsvRead {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const header = (parsed.data[0] ?? []).map((cell) =>
    cell.trim().toLowerCase().replace(/\s+/g, '_'),
  )
  const known = (name: string): name is Column =>
    (SHELF_COLUMNS as readonly string[]).includes(name)
  const faults: ShelfFault[] = [
    ...(['name', 'kind'] as const)
      .filter((column) => !header.includes(column))
      .map((column) => ({
        row: 1,
        column,
        says: 'This column is missing; every product needs it.',
      })),
    ...header
      .filter((name, at) => known(name) && header.indexOf(name) < at)
      .map((column) => ({ row: 1, column, says: 'This column is there twice.' })),
    ...parsed.errors
      .filter((error) => error.code !== 'UndetectableDelimiter')
      .map((error) => ({
        row: (error.row ?? 0) + 1,
        column: '',
        says: `This line is not a row of the table: ${error.message}.`,
      })),
  ]
  const lines = parsed.data.slice(1)
  const rows: ShelfRow[] = []
  const seen = new Map<string, number>()
  if (faults.length === 0) {
    for (const [at, line] of lines.entries()) {
      const row = at + 2
      const cells: Cells = {}
      for (const [place, name] of header.entries())
        if (known(name)) cells[name] = unquoted(line[place] ?? '')
      const read = readRow(cells, setting)
      if ('faults' in read) faults.push(...read.faults.map((fault) => ({ row, ...fault })))
      else if (seen.has(read.product.id))
        faults.push({
          row,
          column: 'id',
          says: `“${read.product.id}” stands in row ${seen.get(read.product.id)} already.`,
        })
      else {
        seen.set(read.product.id, row)
        rows.push({ ...read, columns: header.filter(known) })
      }
      if (at % PROGRESS_EVERY === 0) setting.onProgress?.(at, lines.length)
    }
  }
  setting.onProgress?.(lines.length, lines.length)
  return {
    rows,
    faults,
    unknown: header.filter((name) => name !== '' && !known(name)),
    count: lines.length,
  }
}

/** The quote that keeps a spreadsheet from running a cell is taken away again. */
const unquoted = (cell: string): string => cell.trim().replace(/^'(?=[=+\-@\t\r])/, '')
const listOf = (cell: string | undefined): string[] =>
  (cell ?? '')
    .split(';')
    .map((one) => one.trim())
    .filter(Boolean)

type Fault = Omit<ShelfFault, 'row'>
class Bad extends Error {
  constructor(
    readonly column: Column,
    readonly says: string,
  ) {
    super(says)
  }
}
function numberIn(cells: Cells, column: Column): number | undefined {
  const cell = cells[column]
  if (!cell) return undefined
  const value = Number(cell.replace(',', '.'))
  if (!Number.isFinite(value)) throw new Bad(column, `“${cell}” is not a number.`)
  return value
}
/** "4.8 mL" and the like. */
function amountIn(cells: Cells, column: Column): { amount: number; unit: 'g' | 'mL' } | undefined {
  const cell = cells[column]
  if (!cell) return undefined
  const found = /^(\d+(?:[.,]\d+)?)\s*(g|ml)$/i.exec(cell)
  if (!found)
    throw new Bad(column, `“${cell}” is not an amount; write for instance “4.8 mL” or “12 g”.`)
  return {
    amount: Number(found[1]!.replace(',', '.')),
    unit: found[2]!.toLowerCase() === 'g' ? 'g' : 'mL',
  }
}

function readRow(
  cells: Cells,
  setting: CsvSetting,
): { product: Product; batch?: Batch } | { faults: Fault[] } {
  try {
    const product = Product.safeParse(productFrom(cells, setting))
    const batch = batchFrom(cells, product.success ? product.data.id : '', setting)
    const checked = batch === undefined ? undefined : Batch.safeParse(batch)
    const faults = [
      ...(product.success ? [] : product.error.issues),
      ...(checked && !checked.success ? checked.error.issues : []),
    ].map((issue): Fault => ({ column: columnOf(issue.path), says: `${issue.message}.` }))
    if (!product.success || faults.length > 0) return { faults }
    return checked?.success
      ? { product: product.data, batch: checked.data }
      : { product: product.data }
  } catch (error) {
    if (error instanceof Bad) return { faults: [{ column: error.column, says: error.says }] }
    throw error
  }
}

const FIELD_COLUMNS: Readonly<Record<string, Column>> = {
  pH: 'ph',
  emergencyOff: 'emergency_off',
  openSkinUse: 'open_skin_use',
  afterOpeningMonths: 'after_opening_months',
  gramsPerTeaspoon: 'grams_per_teaspoon',
  bestBefore: 'best_before',
  openedOn: 'opened_on',
  receivedOn: 'received_on',
  uses: 'use_phase',
  pack: 'pack_amount',
}
const columnOf = (path: readonly PropertyKey[]): string => {
  const name = String(path[0] ?? '')
  return FIELD_COLUMNS[name] ?? name
}

function productFrom(cells: Cells, { minorDigits }: CsvSetting): unknown {
  const name = cells.name ?? ''
  const [packAmount, packPrice, spoon, pH, months] = [
    numberIn(cells, 'pack_amount'),
    numberIn(cells, 'pack_price'),
    numberIn(cells, 'grams_per_teaspoon'),
    numberIn(cells, 'ph'),
    numberIn(cells, 'after_opening_months'),
  ]
  if ((packAmount === undefined) !== (packPrice === undefined))
    throw new Bad(
      packAmount === undefined ? 'pack_amount' : 'pack_price',
      'A pack needs both its amount and its price.',
    )
  if (packPrice !== undefined && !Number.isInteger(round(packPrice * 10 ** minorDigits)))
    throw new Bad('pack_price', `“${cells.pack_price}” has more than ${minorDigits} decimals.`)
  const measure = measureFrom(cells)
  return {
    id: cells.id || slugOf(name),
    name,
    kind: cells.kind ?? '',
    ...(cells.unit ? { unit: cells.unit } : {}),
    ...(pH === undefined ? {} : { pH }),
    vehicle: cells.vehicle || 'water',
    actives: activesFrom(cells),
    concerns: listOf(cells.concerns),
    ...(cells.inci ? { inci: cells.inci } : {}),
    properties: listOf(cells.properties),
    skin: cells.skin || 'any',
    leaves: cells.leaves || 'nothing',
    emergencyOff: cells.emergency_off || 'rinse',
    openSkinUse: yesNo(cells, 'open_skin_use'),
    expected: [],
    ...(cells.texture ? { texture: cells.texture } : {}),
    ...(cells.time ? { time: cells.time } : {}),
    ...(months === undefined ? {} : { afterOpeningMonths: months }),
    ...(packAmount === undefined
      ? {}
      : { pack: { amount: packAmount, priceMinor: round(packPrice! * 10 ** minorDigits) } }),
    ...(spoon === undefined ? {} : { gramsPerTeaspoon: spoon }),
    ...(measure ? { measure } : {}),
    ...(cells.substitutes ? { substitutes: listOf(cells.substitutes) } : {}),
    ...(cells.note ? { note: cells.note } : {}),
    stock: 0,
    uses: usesFrom(cells),
  }
}
const round = (value: number): number => Math.round(value * 1e6) / 1e6

function yesNo(cells: Cells, column: Column): boolean {
  const cell = (cells[column] ?? '').toLowerCase()
  if (['', 'no', 'false', '0'].includes(cell)) return false
  if (['yes', 'true', '1'].includes(cell)) return true
  throw new Bad(column, `“${cells[column]}” is neither yes nor no.`)
}
function activesFrom(cells: Cells): { name: string; percent: number }[] {
  return listOf(cells.actives).map((part) => {
    const found = /^(.+?)\s+(\d+(?:[.,]\d+)?)\s*%?$/.exec(part)
    if (!found)
      throw new Bad(
        'actives',
        `“${part}” is not an active with its percentage; write for instance “lactic 12; niacinamide 4”.`,
      )
    return { name: found[1]!.toLowerCase(), percent: Number(found[2]!.replace(',', '.')) }
  })
}
function measureFrom(
  cells: Cells,
): (Pick<SalonMeasure, 'unit' | 'per'> & { name: string }) | undefined {
  if (!cells.measure) return undefined
  const per = amountIn(cells, 'measure_amount')
  if (!per)
    throw new Bad(
      'measure_amount',
      `How much is one ${cells.measure}? Write for instance “0.8 mL”.`,
    )
  return { name: cells.measure, unit: per.unit, per: per.amount }
}

function usesFrom(cells: Cells): unknown[] {
  if (!cells.use_phase) return []
  const zones = listOf(cells.use_zones).flatMap((name): string[] => [
    ...([...GROUPS].find(([group]) => group.toLowerCase() === name.toLowerCase())?.[1] ?? [name]),
  ])
  const stranger = zones.find((zone) => !(ZONES as readonly string[]).includes(zone))
  if (zones.length === 0 || stranger)
    throw new Bad(
      'use_zones',
      stranger
        ? `“${stranger}” is no zone. Groups: ${[...GROUPS.keys()].join(', ')}.`
        : 'A use needs its zones.',
    )
  const [apply, dwell, remove] = (['apply_min', 'dwell_min', 'remove_min'] as const).map((column) =>
    numberIn(cells, column),
  )
  const dose = amountIn(cells, 'use_dose')
  const off = {
    ...(cells.remove_tool ? { tool: cells.remove_tool as Segment['tool'] } : {}),
    ...(cells.remove_temperature
      ? { temperature: cells.remove_temperature as Segment['temperature'] }
      : {}),
  }
  return [
    {
      id: 'use',
      phase: cells.use_phase as Step['phase'],
      zones,
      segments: [
        segment('on', 'apply', apply ?? 1),
        ...(dwell
          ? [segment('dwell', 'dwell', dwell, { presence: 'room', admits: ['quiet'] })]
          : []),
        ...(remove ? [segment('off', 'remove', remove, off)] : []),
      ],
      ...(dose ? { dose } : {}),
    },
  ]
}

function batchFrom(cells: Cells, productId: string, { today }: CsvSetting): unknown {
  const left = numberIn(cells, 'left')
  if (left === undefined) return undefined
  const lot = cells.lot ?? ''
  return {
    id: `${productId}-${slugOf(lot) || 'stock'}`.slice(0, 60),
    lot,
    receivedOn: cells.received_on || today,
    ...(cells.best_before ? { bestBefore: cells.best_before } : {}),
    ...(cells.opened_on ? { openedOn: cells.opened_on } : {}),
    left,
  }
}

const COLUMN_FIELDS: Readonly<Partial<Record<Column, keyof Product>>> = {
  name: 'name',
  kind: 'kind',
  unit: 'unit',
  ph: 'pH',
  vehicle: 'vehicle',
  actives: 'actives',
  concerns: 'concerns',
  inci: 'inci',
  properties: 'properties',
  skin: 'skin',
  leaves: 'leaves',
  emergency_off: 'emergencyOff',
  open_skin_use: 'openSkinUse',
  texture: 'texture',
  time: 'time',
  after_opening_months: 'afterOpeningMonths',
  pack_amount: 'pack',
  pack_price: 'pack',
  grams_per_teaspoon: 'gramsPerTeaspoon',
  measure: 'measure',
  measure_amount: 'measure',
  substitutes: 'substitutes',
  note: 'note',
}

/**
 * A product of the shelf with what a row says of it. Columns the file did not have stay as they are, and so does all a table cannot hold:
 * further uses, ranges of minutes, expected sensations, a house mix's recipe. A first use that reads as it was exported is left whole.
 */
export function mergeRow(
  existing: Product | undefined,
  { product, columns }: Pick<ShelfRow, 'product' | 'columns'>,
): Product {
  if (!existing) return product
  const fields = new Set(columns.flatMap((column) => COLUMN_FIELDS[column] ?? []))
  // A measure that reads as before keeps how it was calibrated.
  const sameMeasure =
    existing.measure?.per === product.measure?.per &&
    existing.measure?.name === product.measure?.name
  const said = Object.fromEntries(
    [...fields]
      .filter((field) => product[field] !== undefined)
      .map((field) => [
        field,
        field === 'measure' && sameMeasure ? existing.measure : product[field],
      ]),
  )
  const merged = {
    ...Object.fromEntries(
      Object.entries(existing).filter(([field]) => !fields.has(field as keyof Product)),
    ),
    ...said,
  } as Product
  const [old, fresh] = [existing.uses[0], product.uses[0]]
  const changed =
    fresh &&
    columns.some((column) => USE_COLUMNS.includes(column)) &&
    (!old || JSON.stringify(flat(old)) !== JSON.stringify(flat(fresh)))
  return {
    ...merged,
    uses: changed
      ? [{ ...fresh, ...(old ? { id: old.id } : {}) }, ...existing.uses.slice(1)]
      : existing.uses,
  }
}
const flat = (use: Use): Cells =>
  useCells(
    use,
    use.segments.find((one) => one.kind === 'remove'),
  )
