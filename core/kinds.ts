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

/** The same for unions that are told apart by `type`. */
export type ByType<
  Thing extends { readonly type: string },
  Rest extends readonly unknown[],
  Result,
> = {
  readonly [Type in Thing['type']]: (
    thing: Extract<Thing, { readonly type: Type }>,
    ...rest: Rest
  ) => Result
}

export function byType<
  Thing extends { readonly type: string },
  Rest extends readonly unknown[],
  Result,
>(table: ByType<Thing, Rest, Result>): (thing: Thing, ...rest: Rest) => Result {
  return (thing, ...rest) => {
    const forType = table[thing.type as Thing['type']] as (thing: Thing, ...rest: Rest) => Result
    return forType(thing, ...rest)
  }
}
