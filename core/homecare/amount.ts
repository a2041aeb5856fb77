import { unitOf } from '../catalog/batches'
import type { HomeRole, Product, Unit } from '../catalog'
import { doseFor } from '../mixing'
import { inMeasures, measureInWords, quantity } from '../quantity'
import type { Thing } from './allowed'

/** Grams from the tip of an adult's finger to its first crease: about half a gram (Long & Finlay, Clin Exp Dermatol 1991;16:444–447; value from memory). */
export const FINGERTIP_G = 0.5
/** Roles that are measured on a finger, whatever they are pumped from. */
const ON_A_FINGER: ReadonlySet<HomeRole> = new Set(['moisturiser', 'neck', 'sun', 'retinoid'])

export interface HomeDose {
  readonly amount: number
  readonly unit: 'g' | 'mL'
  readonly words: string
}

/** How much of a thing goes on at once: by its own measure, creams and sun protection in fingertips; undefined where nothing is known of it. */
export function homeDose({ product, role, zones, isByKind }: Thing): HomeDose | undefined {
  if (isByKind && !ON_A_FINGER.has(role)) return undefined
  const dose = ownDose(product) ?? doseFor(product, isByKind ? undefined : product.uses[0], zones)
  if (!dose) return undefined
  const { amount, unit } = dose
  const words = ON_A_FINGER.has(role)
    ? fingertips(amount)
    : inOwnMeasure(amount, unit, product.measure)
  return { amount, unit, words }
}

/** What its maker says of one use at home. */
const ownDose = (product: Product): { amount: number; unit: Unit } | undefined =>
  product.takeHome?.dose === undefined
    ? undefined
    : { amount: product.takeHome.dose, unit: unitOf(product) }

function inOwnMeasure(amount: number, unit: 'g' | 'mL', measure: Product['measure']): string {
  const own = measure && inMeasures(quantity(amount, unit), measure)
  if (own) return measureInWords(own.count, measure.name)
  return unit === 'mL' && amount <= DROPS_TO_ML ? inDrops(amount) : `${amount} ${unit}`
}

/** Drops of water to a millilitre from a standard dropper (European Pharmacopoeia 2.1.1: 20 drops weigh 1 g; value from memory). */
const DROPS_PER_ML = 20
/** More than that nobody counts. */
const DROPS_TO_ML = 0.6
function inDrops(millilitres: number): string {
  const drops = Math.max(1, Math.round(millilitres * DROPS_PER_ML))
  return `${drops} drop${drops === 1 ? '' : 's'}`
}

/** Halves of a fingertip, never less than one. */
function fingertips(grams: number): string {
  const halves = Math.max(1, Math.round((grams / FINGERTIP_G) * 2))
  const whole = Math.floor(halves / 2)
  const part = halves % 2 === 1 ? '½' : ''
  return `${whole === 0 ? part : `${whole}${part}`} ${halves > 2 ? 'fingertips' : 'fingertip'}`
}

/** How many times a pack, or the rest of a kit, is enough for; undefined where amounts cannot be told apart. */
export function usesIn(thing: Thing, amount: number): number | undefined {
  const dose = homeDose(thing)
  if (!dose || thing.isByKind || dose.unit !== unitOf(thing.product)) return undefined
  return Math.floor(amount / dose.amount + 1e-9)
}
