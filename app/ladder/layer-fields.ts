import type { Product, Shelf } from '#core/catalog'
import { freshId, type Step } from '#core/protocol'
import { picksOf } from '#core/strength'

/** Several products in one step, one after another: what the builder makes of them. */

type Pick = NonNullable<Step['product']>
/** Room for the number that a second of the same name gets. */
const ID_MOST = 56

/** Products that reach the zones of a step and are not in it yet, each by its first use there. */
export function layersFor(step: Step, { products }: Shelf): { pick: Pick; name: string }[] {
  const within = new Set(picksOf(step).map((pick) => pick?.productId))
  return products.flatMap(({ id, name, uses }) => {
    const use = uses.find(({ zones }) => zones.some((zone) => step.zones.includes(zone)))
    return use && !within.has(id) ? [{ pick: { productId: id, useId: use.id }, name }] : []
  })
}

/** Products of a step beside its own, in order. */
export const layersOf = (step: Step, products: readonly Product[]) =>
  picksOf(step)
    .filter((pick) => pick !== undefined)
    .filter((pick) => pick.productId !== step.product?.productId)
    .map(({ productId }) => ({
      productId,
      name: products.find(({ id }) => id === productId)?.name ?? productId,
    }))

/** One product more, with its own times, at the end; on fewer zones where it reaches fewer. */
export function withLayer(step: Step, pick: Pick, { products }: Shelf): Step {
  const use = products
    .find(({ id }) => id === pick.productId)
    ?.uses.find(({ id }) => id === pick.useId)
  if (!use) return step
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  const some = zones.length < step.zones.length ? { zones } : {}
  const segments = use.segments.reduce(
    (sofar, segment) => {
      const id = freshId(sofar, `${pick.productId}-${segment.id}`.slice(0, ID_MOST))
      return [...sofar, { ...segment, id, product: pick, ...some }]
    },
    [...step.segments],
  )
  return { ...step, segments }
}

export const withoutLayer = (step: Step, productId: string): Step => ({
  ...step,
  segments: step.segments.filter(({ product }) => product?.productId !== productId),
})
