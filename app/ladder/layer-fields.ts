import type { Product, Shelf } from '#core/catalog'
import type { Step } from '#core/protocol'
import { picksOf } from '#core/strength'

/** Several products in one step, one after another: what the builder makes of them. */

type Pick = NonNullable<Step['product']>

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
  const taken = new Set(step.segments.map(({ id }) => id))
  const segments = use.segments.map((segment) => ({
    ...segment,
    id: freshIn(taken, `${pick.productId}-${segment.id}`),
    product: pick,
    ...some,
  }))
  return { ...step, segments: [...step.segments, ...segments] }
}

function freshIn(taken: Set<string>, wanted: string): string {
  const base = wanted.slice(0, 56)
  let id = base
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`
  taken.add(id)
  return id
}

export const withoutLayer = (step: Step, productId: string): Step => ({
  ...step,
  segments: step.segments.filter(({ product }) => product?.productId !== productId),
})
