import type { SalonMeasure } from './model'
import type { Quantity } from './quantity'

/**
 * A measure calibrated by weighing or filling: "20 pumps weighed 16 g" gives 0.8 g a pump.
 * `count` measures gave `total` of `unit`. Throws RangeError unless both are positive.
 */
export function calibrate(
  name: SalonMeasure['name'],
  unit: SalonMeasure['unit'],
  count: number,
  total: number,
): SalonMeasure {
  if (!(count > 0) || !(total > 0))
    throw new RangeError('A calibration needs a positive count and a positive total.')
  return { name, unit, per: total / count, calibration: { count, total } }
}

/** What a hand can give of each measure: eighths of a level teaspoon, quarters of a dropper, halves of a pump, whole drops (common practice, no source). */
const GRAIN: Readonly<Record<SalonMeasure['name'], number>> = {
  teaspoon: 1 / 8,
  dropper: 1 / 4,
  pump: 1 / 2,
  pea: 1 / 2,
  dime: 1 / 2,
  scoop: 1 / 2,
  ampoule: 1 / 2,
  sachet: 1 / 2,
  vial: 1 / 2,
  drop: 1,
  sheet: 1,
}

/**
 * How many measures make up a dose, rounded to what a hand can give of this one, never less than that.
 * `error` is the rounded amount minus the dose, in the measure's unit. Undefined when the dose is of the other dimension.
 */
export function inMeasures(
  dose: Quantity<'mass'> | Quantity<'volume'>,
  measure: SalonMeasure,
): { count: number; error: number } | undefined {
  const wanted = measure.unit === 'g' ? 'mass' : 'volume'
  if (dose.dimension !== wanted) return undefined
  const grain = GRAIN[measure.name]
  const count = Math.max(grain, Math.round(dose.base / measure.per / grain) * grain)
  return { count, error: count * measure.per - dose.base }
}

const FRACTIONS: Readonly<Record<string, string>> = {
  0.125: '⅛',
  0.25: '¼',
  0.375: '⅜',
  0.5: '½',
  0.625: '⅝',
  0.75: '¾',
  0.875: '⅞',
}
/** A count as a hand reads it: "2½ pumps", "⅛ teaspoon", "12 drops". */
export function measureInWords(count: number, name: SalonMeasure['name']): string {
  const whole = Math.floor(count)
  const part = fractionInWords(count - whole)
  const figure = whole === 0 && part ? part : `${whole}${part}`
  return `${figure} ${nounFor(name, count > 1)}`
}

function fractionInWords(fraction: number): string {
  if (fraction === 0) return ''
  return FRACTIONS[fraction] ?? String(Math.round(fraction * 100) / 100).slice(1)
}

function nounFor(name: SalonMeasure['name'], several: boolean): string {
  if (name === 'dime') return several ? 'dime sizes' : 'dime size'
  return several ? `${name}s` : name
}
