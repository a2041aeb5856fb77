/** For the default of a switch that names every kind: with one missing it does not compile. */
export function never(kind: never): never {
  throw new RangeError(`There is no kind “${String(kind)}”.`)
}
