/** A function for every kind of a tagged union: with one missing it does not compile. */
export type ByKind<
  Thing extends { readonly kind: string },
  Rest extends readonly unknown[],
  Result,
> = {
  readonly [Kind in Thing['kind']]: (
    thing: Extract<Thing, { readonly kind: Kind }>,
    ...rest: Rest
  ) => Result
}

/** Makes one function of them, which asks the one for the kind it is given. */
export function byKind<
  Thing extends { readonly kind: string },
  Rest extends readonly unknown[],
  Result,
>(table: ByKind<Thing, Rest, Result>): (thing: Thing, ...rest: Rest) => Result {
  return (thing, ...rest) => {
    const forKind = table[thing.kind as Thing['kind']] as (thing: Thing, ...rest: Rest) => Result
    return forKind(thing, ...rest)
  }
}
