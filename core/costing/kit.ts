import type { Kit } from '../catalog/model'

export interface HomePart {
  readonly productId: string
  readonly amount: number
  readonly home: string
}
/** What of an opened kit goes home: each part less what the visit used of it; parts used up are left out. */
export function restOfKit(
  kit: Kit,
  used: readonly { readonly productId: string; readonly amount: number }[],
): HomePart[] {
  return kit.items.flatMap((item) => {
    const rest =
      Math.round(
        (item.amount -
          used
            .filter((use) => use.productId === item.productId)
            .reduce((sum, use) => sum + use.amount, 0)) *
          100,
      ) / 100
    return rest > 0 ? [{ productId: item.productId, amount: rest, home: item.home }] : []
  })
}
