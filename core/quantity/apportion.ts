/**
 * Splits a whole number into whole parts in proportion to weights, so that the parts add up to it exactly (largest remainder; of equal
 * remainders the first). All weights zero: equal parts. Throws RangeError for a negative weight, a fraction as total, or no parts.
 */
export function apportion(total: number, weights: readonly number[]): number[] {
  if (!Number.isSafeInteger(total) || total < 0)
    throw new RangeError('Only a whole number from zero up can be split into whole parts.')
  if (weights.length === 0 || weights.some((weight) => !(weight >= 0) || !Number.isFinite(weight)))
    throw new RangeError('Parts need weights from zero up.')
  const sum = weights.reduce((all, weight) => all + weight, 0)
  const exact = weights.map((weight) =>
    sum === 0 ? total / weights.length : (total * weight) / sum,
  )
  const floors = exact.map(Math.floor)
  const left = total - floors.reduce((all, part) => all + part, 0)
  const next = exact
    .map((part, at) => ({ at, rest: part - floors[at]! }))
    .sort((a, b) => b.rest - a.rest || a.at - b.at)
    .slice(0, left)
  for (const { at } of next) floors[at]! += 1
  return floors
}
