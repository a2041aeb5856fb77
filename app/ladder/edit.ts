import type { Product } from '#core/catalog'
import type { Pick, Step } from '#core/protocol'

/** Moves the step at `at` by one place; at the ends nothing changes. */
export function moveStep(steps: readonly Step[], at: number, by: -1 | 1): Step[] {
  const to = at + by
  const [here, there] = [steps[at], steps[to]]
  if (!here || !there) return [...steps]
  return steps.map((step, index) => (index === at ? there : index === to ? here : step))
}

/** Sets the usual minutes of one segment, kept within its own limits; the limits give way only for hands-on work. */
export function setMinutes(step: Step, segmentId: string, minutes: number): Step {
  const seconds = Math.round(minutes * 60)
  return {
    ...step,
    segments: step.segments.map((segment) => {
      if (segment.id !== segmentId || !Number.isFinite(seconds)) return segment
      if (segment.kind === 'dwell') return { ...segment, usualS: Math.min(segment.maxS, Math.max(segment.minS, seconds)) }
      return { ...segment, usualS: Math.max(0, seconds), minS: Math.min(segment.minS, Math.max(0, seconds)), maxS: Math.max(segment.maxS, seconds) }
    }),
  }
}

/** Products that could stand in this step: a use in the same phase on at least one of its zones. */
export function productsFor(step: Step, products: readonly Product[]): { pick: Pick; name: string }[] {
  return products.flatMap((product) => product.uses.filter((use) => use.phase === step.phase && use.zones.some((zone) => step.zones.includes(zone))).slice(0, 1).map((use) => ({ pick: { productId: product.id, useId: use.id }, name: product.name })))
}

/** The step with another product: its use gives times and removal; a title that was the old product's name follows. */
export function setProduct(step: Step, pick: Pick, products: readonly Product[]): Step {
  const product = products.find((one) => one.id === pick.productId)
  const use = product?.uses.find((one) => one.id === pick.useId)
  if (!product || !use) return step
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  return { ...step, title: product.name, product: pick, zones: zones.length > 0 ? zones : use.zones, segments: use.segments }
}
