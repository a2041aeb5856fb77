import type { Product, Use } from '../catalog/model'
import { areaOf, FACE_SIZES, type FaceSize } from '../skin/areas'
import type { ZoneId } from '../skin/zones'

/** Film in mg/cm² by kind of product: what a hand usually lays (house figures; sun protection 2 mg/cm² by ISO 24444, value from memory). */
const FILM_MG_PER_CM2: Readonly<Partial<Record<Product['kind'], number>>> = {
  sun: 2,
  booster: 1,
  moisturiser: 1.5,
  serum: 1,
  eye: 1.5,
  soothing: 2,
  gel: 10,
  cleanser: 4,
  toner: 3,
  scrub: 6,
  gommage: 8,
  enzyme: 8,
  acid: 4,
  concentrate: 2,
  massage: 6,
  mask: 20,
  lip: 3,
}

export interface Dose {
  readonly amount: number
  readonly unit: 'g' | 'mL'
  /** The product's own dose, on the zones it has here; or the film of its kind, where it states none. */ readonly by:
    'product' | 'film'
}

/**
 * How much of a product a step takes. The product's own dose wins; on fewer zones than its use names it shrinks with their area, on none of
 * known area it stays whole; a larger face takes a little more, but of nothing that is counted by the piece. Without one: film × area, in
 * grams. `share`: the part of the dose used here. Undefined where nothing is known.
 */
export function doseFor(
  product: Pick<Product, 'kind' | 'measure' | 'texture'>,
  use: Pick<Use, 'dose' | 'zones'> | undefined,
  zones: readonly ZoneId[],
  share = 1,
  size: FaceSize = 'M',
): Dose | undefined {
  if (use?.dose) {
    const whole = areaOf(use.zones)
    const part = whole === 0 ? 1 : areaOf(zones.filter((zone) => use.zones.includes(zone))) / whole
    return {
      amount: tidy(
        use.dose.amount *
          (part === 0 ? 1 : part) *
          share *
          (isPiece(product) ? 1 : FACE_SIZES[size]),
      ),
      unit: use.dose.unit,
      by: 'product',
    }
  }
  const film = FILM_MG_PER_CM2[product.kind]
  const area = areaOf(zones, size)
  return film === undefined || area === 0
    ? undefined
    : { amount: tidy((film * area * share) / 1000), unit: 'g', by: 'film' }
}

const PIECES: ReadonlySet<string> = new Set(['ampoule', 'vial', 'sachet', 'sheet'])
const isPiece = ({ measure, texture }: Pick<Product, 'measure' | 'texture'>): boolean =>
  texture === 'sheet' || (measure !== undefined && PIECES.has(measure.name))

/** To what a scale or a syringe shows: hundredths below one, tenths above. */
const tidy = (amount: number): number =>
  amount < 1 ? Math.round(amount * 100) / 100 : Math.round(amount * 10) / 10
