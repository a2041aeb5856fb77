import { currentBatch, inUse, isUncounted, unitOf, usableUntil } from './batches'
import type { Batch, Product } from './model'
import type { ProductKind, Unit } from './words'
import { EYE_CONTOUR, FACE, LIDS, NECK, zonesMeet, type ZoneId } from '../skin/zones'
import type { Concern } from '../client/model'

/** Where a product may or may not go: what a shelf is asked for. */
export const REACHES = [
  'face',
  'eye contour',
  'upper lids',
  'lips',
  'neck',
  'décolleté',
  'open skin',
] as const
export type Reach = (typeof REACHES)[number]
const ZONES_OF: Readonly<Record<Exclude<Reach, 'open skin'>, readonly ZoneId[]>> = {
  face: FACE,
  'eye contour': EYE_CONTOUR,
  'upper lids': LIDS,
  lips: ['lips'],
  neck: NECK,
  décolleté: ['decollete'],
}

export const STATES = ['out', 'low', 'past its time', 'ends soon', 'not counted', 'good'] as const
export type StockState = (typeof STATES)[number]

/** One line of the shelf's table. */
export interface Listed {
  readonly id: string
  readonly name: string
  readonly kind: ProductKind
  readonly isMix: boolean
  readonly unit: Unit
  readonly stock: number
  readonly state: StockState
  /** The day the batch in use must be gone by (ISO). */
  readonly until: string | undefined
  readonly lot: string | undefined
  /** Its ingredient list has been written down; else it counts as not checked. */
  readonly hasList: boolean
  readonly pH: number | undefined
  readonly actives: readonly { readonly name: string; readonly percent: number }[]
  readonly concerns: readonly Concern[]
  readonly reaches: readonly Reach[]
  readonly time: Product['time']
  /** Price of a gram or millilitre in minor units, to a hundredth; undefined where no pack is known. */
  readonly unitMinor: number | undefined
  /** Doses left, of its largest use; undefined where none is stated. */
  readonly doses: number | undefined
  /** How many packs that is; undefined where no pack is known. */
  readonly packs: number | undefined
  readonly archived: boolean
}

/** A batch that ends within so many days is worth using first (house figure). */
export const ENDS_SOON_DAYS = 30
/** Below so many doses the shelf says low; without a dose below a tenth of a pack (house figures). */
const LOW_DOSES = 5
const LOW_SHARE = 0.1

/** A product as the table shows it on a day (ISO); `soon`: the day up to which an end counts as soon (ISO). */
export function listed(
  product: Product,
  batches: readonly Batch[],
  archived: boolean,
  today: string,
  soon: string,
): Listed {
  const shown = product.recipe ? product : inUse(product, batches, today)
  const batch = currentBatch(batches, product.afterOpeningMonths, today)
  const until = product.recipe
    ? shown.bestBefore
    : batch && usableUntil(batch, product.afterOpeningMonths)
  return {
    id: product.id,
    name: product.name,
    kind: product.kind,
    isMix: product.recipe !== undefined,
    unit: unitOf(product),
    stock: shown.stock,
    state: isUncounted(product, batches)
      ? 'not counted'
      : stateOf(shown, product.recipe ? shown.stock > 0 : batch !== undefined, until, soon),
    until,
    lot: batch?.lot,
    hasList: product.inci !== undefined || product.recipe !== undefined,
    pH: product.pH,
    actives: product.actives,
    concerns: product.concerns,
    reaches: reachesOf(product),
    time: product.time,
    unitMinor: product.pack
      ? Math.round((product.pack.priceMinor / product.pack.amount) * 100) / 100
      : undefined,
    archived,
    doses:
      largestDose(product) > 0 ? Math.floor(shown.stock / largestDose(product) + 1e-9) : undefined,
    packs: product.pack ? shown.stock / product.pack.amount : undefined,
  }
}

const largestDose = (product: Product): number =>
  Math.max(0, ...product.uses.map((use) => use.dose?.amount ?? 0))

function stateOf(
  product: Product,
  usable: boolean,
  until: string | undefined,
  soon: string,
): StockState {
  if (product.stock <= 0) return 'out'
  if (!usable) return 'past its time'
  const dose = largestDose(product)
  if (product.stock < (dose > 0 ? LOW_DOSES * dose : LOW_SHARE * (product.pack?.amount ?? 0)))
    return 'low'
  return until !== undefined && until <= soon ? 'ends soon' : 'good'
}

function reachesOf(product: Product): Reach[] {
  const zones = product.uses.flatMap((use) => use.zones)
  const found = (Object.entries(ZONES_OF) as [Exclude<Reach, 'open skin'>, readonly ZoneId[]][])
    .filter(([, group]) => zonesMeet(zones, group))
    .map(([name]) => name)
  return product.openSkinUse ? [...found, 'open skin'] : found
}
