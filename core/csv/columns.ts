import type { Batch, Product, Use } from '../catalog/model'
import { unitOf } from '../catalog/batches'
import type { Segment } from '../protocol/model'
import { FACE_NECK, ZONE_GROUPS, type ZoneId } from '../skin/zones'

/** What one line of the table is written from. */
export interface Line {
  readonly product: Product
  readonly batch: Batch | undefined
  /** Decimals of the salon's currency. */
  readonly minorDigits: number
}

interface ColumnRow {
  readonly column: string
  /** What the column is about: the product, its batch in use, or its first use. */
  readonly of: 'product' | 'batch' | 'use'
  /** The field a cell is read into; columns of one field are read together. */
  readonly field?: keyof Product | keyof Batch
  readonly write: (line: Line) => string | number | undefined
}

const LIST = '; '
const money = (minor: number, digits: number): string => (minor / 10 ** digits).toFixed(digits)
const firstUse = ({ product }: Line): Use | undefined => product.uses[0]

/** Minutes of a use's segments of one kind, to a thousandth. */
function minutesOf(use: Use | undefined, kind: Segment['kind']): number | undefined {
  const segments = use?.segments.filter((segment) => segment.kind === kind) ?? []
  const seconds = segments.reduce((sum, segment) => sum + segment.usualS, 0)
  return seconds === 0 ? undefined : Math.round((seconds / 60) * 1000) / 1000
}

const removalOf = (line: Line): Segment | undefined =>
  firstUse(line)?.segments.find((segment) => segment.kind === 'remove')

/** Groups of zones a cell may name. */
export const GROUPS: ReadonlyMap<string, readonly ZoneId[]> = new Map<string, readonly ZoneId[]>([
  ...ZONE_GROUPS.map((group) => [group.name, group.zones] as const),
  ['face, neck and décolleté', FACE_NECK],
])

/** Zones by the name of their group where they are one. */
function zonesInCell(zones: readonly ZoneId[]): string {
  const isAll = (members: readonly ZoneId[]) =>
    members.length === zones.length && members.every((zone) => zones.includes(zone))
  const group = [...GROUPS].find(([, members]) => isAll(members))
  return group?.[0] ?? zones.join(LIST)
}

/** The shelf as a table (RFC 4180): its columns in order. A file may leave out any but name and kind, and may hold others: those are named and left alone. */
export const COLUMNS = [
  { column: 'id', of: 'product', write: ({ product }) => product.id },
  { column: 'name', of: 'product', field: 'name', write: ({ product }) => product.name },
  { column: 'kind', of: 'product', field: 'kind', write: ({ product }) => product.kind },
  { column: 'unit', of: 'product', field: 'unit', write: ({ product }) => unitOf(product) },
  { column: 'ph', of: 'product', field: 'pH', write: ({ product }) => product.pH },
  { column: 'vehicle', of: 'product', field: 'vehicle', write: ({ product }) => product.vehicle },
  {
    column: 'actives',
    of: 'product',
    field: 'actives',
    write: ({ product }) =>
      product.actives.map(({ name, percent }) => `${name} ${percent}`).join(LIST),
  },
  {
    column: 'concerns',
    of: 'product',
    field: 'concerns',
    write: ({ product }) => product.concerns.join(LIST),
  },
  { column: 'inci', of: 'product', field: 'inci', write: ({ product }) => product.inci },
  {
    column: 'properties',
    of: 'product',
    field: 'properties',
    write: ({ product }) => product.properties.join(LIST),
  },
  { column: 'skin', of: 'product', field: 'skin', write: ({ product }) => product.skin },
  { column: 'leaves', of: 'product', field: 'leaves', write: ({ product }) => product.leaves },
  {
    column: 'emergency_off',
    of: 'product',
    field: 'emergencyOff',
    write: ({ product }) => product.emergencyOff,
  },
  {
    column: 'open_skin_use',
    of: 'product',
    field: 'openSkinUse',
    write: ({ product }) => (product.openSkinUse ? 'yes' : 'no'),
  },
  { column: 'texture', of: 'product', field: 'texture', write: ({ product }) => product.texture },
  { column: 'time', of: 'product', field: 'time', write: ({ product }) => product.time },
  {
    column: 'after_opening_months',
    of: 'product',
    field: 'afterOpeningMonths',
    write: ({ product }) => product.afterOpeningMonths,
  },
  {
    column: 'pack_amount',
    of: 'product',
    field: 'pack',
    write: ({ product }) => product.pack?.amount,
  },
  {
    column: 'pack_price',
    of: 'product',
    field: 'pack',
    write: ({ product: { pack }, minorDigits }) => pack && money(pack.priceMinor, minorDigits),
  },
  {
    column: 'grams_per_teaspoon',
    of: 'product',
    field: 'gramsPerTeaspoon',
    write: ({ product }) => product.gramsPerTeaspoon,
  },
  {
    column: 'measure',
    of: 'product',
    field: 'measure',
    write: ({ product }) => product.measure?.name,
  },
  {
    column: 'measure_amount',
    of: 'product',
    field: 'measure',
    write: ({ product: { measure } }) => measure && `${measure.per} ${measure.unit}`,
  },
  {
    column: 'substitutes',
    of: 'product',
    field: 'substitutes',
    write: ({ product }) => product.substitutes?.join(LIST),
  },
  { column: 'note', of: 'product', field: 'note', write: ({ product }) => product.note },
  { column: 'lot', of: 'batch', field: 'lot', write: ({ batch }) => batch?.lot },
  {
    column: 'received_on',
    of: 'batch',
    field: 'receivedOn',
    write: ({ batch }) => batch?.receivedOn,
  },
  {
    column: 'best_before',
    of: 'batch',
    field: 'bestBefore',
    write: ({ batch }) => batch?.bestBefore,
  },
  { column: 'opened_on', of: 'batch', field: 'openedOn', write: ({ batch }) => batch?.openedOn },
  { column: 'left', of: 'batch', field: 'left', write: ({ batch }) => batch?.left },
  { column: 'use_phase', of: 'use', field: 'uses', write: (line) => firstUse(line)?.phase },
  {
    column: 'use_zones',
    of: 'use',
    write: (line) => zonesInCell(firstUse(line)?.zones ?? []),
  },
  {
    column: 'use_dose',
    of: 'use',
    write: (line) => {
      const dose = firstUse(line)?.dose
      return dose && `${dose.amount} ${dose.unit}`
    },
  },
  { column: 'apply_min', of: 'use', write: (line) => minutesOf(firstUse(line), 'apply') },
  { column: 'dwell_min', of: 'use', write: (line) => minutesOf(firstUse(line), 'dwell') },
  { column: 'remove_min', of: 'use', write: (line) => minutesOf(firstUse(line), 'remove') },
  { column: 'remove_tool', of: 'use', write: (line) => removalOf(line)?.tool },
  { column: 'remove_temperature', of: 'use', write: (line) => removalOf(line)?.temperature },
] as const satisfies readonly ColumnRow[]

export type Column = (typeof COLUMNS)[number]['column']
export type Cells = Partial<Record<Column, string>>

export const SHELF_COLUMNS: readonly Column[] = COLUMNS.map(({ column }) => column)
const ROWS: readonly (ColumnRow & { readonly column: Column })[] = COLUMNS

export const isColumn = (name: string): name is Column =>
  (SHELF_COLUMNS as readonly string[]).includes(name)

export const columnsOf = (of: ColumnRow['of']): readonly Column[] =>
  ROWS.filter((row) => row.of === of).map(({ column }) => column)

/** The fields of a product that these columns say something of. */
export const productFields = (columns: readonly Column[]): ReadonlySet<keyof Product> =>
  new Set(
    ROWS.filter((row) => row.of === 'product' && columns.includes(row.column)).flatMap(
      ({ field }) => (field ? [field as keyof Product] : []),
    ),
  )

/** The column in which a field is read; the field's own name where there is none. */
export const columnOfField = (field: string): string =>
  ROWS.find((row) => row.field === field)?.column ?? field

/** What stands in one column of a line. */
export function cellOf(column: Column, line: Line): string {
  const written = ROWS.find((row) => row.column === column)!.write(line)
  return written === undefined ? '' : String(written)
}
