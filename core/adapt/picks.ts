import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Pick, Step } from '../protocol/model'

/** The step with another product: its use gives the times and the way off; zones stay as far as the use covers them. */
export function withPick(step: Step, pick: Pick, shelf: Shelf): Step | undefined {
  const product = productById(shelf, pick.productId)
  const use = useOf(product, pick.useId)
  if (!product || !use || product.stock <= 0) return undefined
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  if (zones.length === 0) return undefined
  const { levers: _, ...rest } = step
  return withWritten(
    { ...rest, title: product.name, product: pick, zones, segments: use.segments },
    step,
  )
}

/** What stands in counts from the rung the card was written on. */
const withWritten = (swapped: Step, { levers }: Step): Step =>
  levers ? { ...swapped, levers } : swapped

export function candidates(step: Step, shelf: Shelf): Step[] {
  const written = productById(shelf, step.product?.productId)
  if (!step.product || !written) return step.product ? otherPicks(step, shelf, undefined) : [step]
  return [...(written.stock > 0 ? [step] : []), ...otherPicks(step, shelf, written)]
}

function otherPicks(step: Step, shelf: Shelf, written: Product | undefined): Step[] {
  const named = step.otherPicks ?? []
  const similar = shelf.products
    .filter(
      (product) =>
        product.id !== written?.id &&
        product.kind === written?.kind &&
        product.leaves === written.leaves,
    )
    .sort(
      (a, b) =>
        Number(b.concerns.includes(step.concern ?? 'calm')) -
        Number(a.concerns.includes(step.concern ?? 'calm')),
    )
    .flatMap((product) =>
      product.uses
        .filter((use) => use.phase === step.phase)
        .slice(0, 1)
        .map((use) => ({ productId: product.id, useId: use.id })),
    )
  const picks = [
    ...named,
    ...similar.filter((pick) => !named.some((other) => other.productId === pick.productId)),
  ]
  return picks
    .filter((pick) => pick.productId !== step.product?.productId)
    .flatMap((pick) => withPick(step, pick, shelf) ?? [])
}
