import type { SalonMeasure } from './model'
import type { Quantity } from './quantity'

/**
 * A measure calibrated by weighing or filling: "20 pumps weighed 16 g" gives 0.8 g a pump.
 * `count` measures gave `total` of `unit`. Throws RangeError unless both are positive.
 */
export function calibrate(name: SalonMeasure['name'], unit: SalonMeasure['unit'], count: number, total: number): SalonMeasure {
  if (!(count > 0) || !(total > 0)) throw new RangeError('A calibration needs a positive count and a positive total.')
  return { name, unit, per: total / count, calibration: { count, total } }
}

/**
 * How many measures make up a dose, rounded to the half measure a hand can give, never less than one half.
 * `error` is the rounded amount minus the dose, in the measure's unit. Undefined when the dose is of the other dimension.
 */
export function inMeasures(dose: Quantity<'mass'> | Quantity<'volume'>, measure: SalonMeasure): { count: number; error: number } | undefined {
  const wanted = measure.unit === 'g' ? 'mass' : 'volume'
  if (dose.dimension !== wanted) return undefined
  const count = Math.max(0.5, Math.round((dose.base / measure.per) * 2) / 2)
  return { count, error: count * measure.per - dose.base }
}
