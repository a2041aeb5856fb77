import { Invalid } from '../fault'

/** The dimensions a salon measures. Base units: g, mL, cm, cm², °C, s. */
export type Dimension = 'mass' | 'volume' | 'length' | 'area' | 'temperature' | 'time'

/** An amount of one dimension, always held in the dimension's base unit. */
export interface Quantity<D extends Dimension = Dimension> {
  readonly dimension: D
  /** In the base unit: g, mL, cm, cm², °C or s. */
  readonly base: number
}

export const BASE_UNIT: Readonly<Record<Dimension, string>> = {
  mass: 'g',
  volume: 'mL',
  length: 'cm',
  area: 'cm²',
  temperature: '°C',
  time: 's',
}

/** Units by name. Factors to the base unit; source above each group. */
const UNITS = {
  g: { dimension: 'mass', factor: 1 },
  mg: { dimension: 'mass', factor: 0.001 },
  // Fingertip unit: Long & Finlay, Clin Exp Dermatol 1991;16:444–447 (value from memory).
  'ftu-men': { dimension: 'mass', factor: 0.49 },
  'ftu-women': { dimension: 'mass', factor: 0.43 },
  mL: { dimension: 'volume', factor: 1 },
  // NIST Handbook 44, Appendix C (value from memory): 1 US teaspoon = 4.92892 mL, 1 tablespoon = 3 teaspoons.
  'tsp-us': { dimension: 'volume', factor: 4.92892 },
  'tbsp-us': { dimension: 'volume', factor: 3 * 4.92892 },
  'tsp-metric': { dimension: 'volume', factor: 5 },
  // Pharmaceutical convention: 20 drops per mL.
  drop: { dimension: 'volume', factor: 0.05 },
  cm: { dimension: 'length', factor: 1 },
  cm2: { dimension: 'area', factor: 1 },
  '°C': { dimension: 'temperature', factor: 1 },
  s: { dimension: 'time', factor: 1 },
  min: { dimension: 'time', factor: 60 },
} as const satisfies Record<string, { dimension: Dimension; factor: number }>

export type UnitName = keyof typeof UNITS
type DimensionOf<U extends UnitName> = (typeof UNITS)[U]['dimension']

/** Thrown when two dimensions are mixed or a figure is not a number. Carries the sentence for the person. */
export class QuantityError extends Invalid {
  constructor(detail: string) {
    super({ code: 'bad_quantity', detail })
  }
}

/** `amount` of a unit as a quantity, for instance `quantity(2, 'tsp-us')`. Throws QuantityError for a non-finite amount. */
export function quantity<U extends UnitName>(amount: number, unit: U): Quantity<DimensionOf<U>> {
  if (!Number.isFinite(amount))
    throw new QuantityError(`An amount in ${unit} must be a number, and ${amount} is none.`)
  const { dimension, factor } = UNITS[unit]
  return { dimension: dimension as DimensionOf<U>, base: amount * factor }
}

/** Reads a quantity in one of its own dimension's units. */
export function amountIn<U extends UnitName>(value: Quantity<DimensionOf<U>>, unit: U): number {
  sameDimension(value, { dimension: UNITS[unit].dimension, base: 0 })
  return value.base / UNITS[unit].factor
}

/** Sum of two quantities of one dimension; two temperatures cannot be added. Throws QuantityError. */
export function add<D extends Exclude<Dimension, 'temperature'>>(
  a: Quantity<D>,
  b: Quantity<NoInfer<D>>,
): Quantity<D> {
  sameDimension(a, b)
  if ((a.dimension as Dimension) === 'temperature')
    throw new QuantityError('Two temperatures cannot be added.')
  return { dimension: a.dimension, base: a.base + b.base }
}

/** A quantity times a plain number. */
export function scale<D extends Dimension>(value: Quantity<D>, by: number): Quantity<D> {
  return { dimension: value.dimension, base: value.base * by }
}

function sameDimension(a: Quantity, b: Quantity) {
  if (a.dimension === b.dimension) return
  throw new QuantityError(
    `A ${a.dimension} (${BASE_UNIT[a.dimension]}) cannot be combined with a ${b.dimension} (${BASE_UNIT[b.dimension]}).`,
  )
}
