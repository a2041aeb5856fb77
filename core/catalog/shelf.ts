import type { Pick, Step } from '../protocol/model'
import type { Device, Product, Shelf, Use } from './model'

/** The product of an id, or undefined when the shelf does not have it. */
export const productById = (shelf: Shelf, id: string | undefined): Product | undefined =>
  shelf.products.find((product) => product.id === id)
/** The device of an id, or undefined. */
export const deviceById = (shelf: Shelf, id: string | undefined): Device | undefined =>
  shelf.devices.find((device) => device.id === id)
/** A product's use by id, or undefined. */
export const useOf = (product: Product | undefined, useId: string | undefined): Use | undefined =>
  product?.uses.find((use) => use.id === useId)

/** Products that could stand in this step: a use in the same phase on at least one of its zones. */
export function productsFor(
  step: Step,
  products: readonly Product[],
): { pick: Pick; name: string }[] {
  return products.flatMap((product) =>
    product.uses
      .filter(
        (use) => use.phase === step.phase && use.zones.some((zone) => step.zones.includes(zone)),
      )
      .slice(0, 1)
      .map((use) => ({ pick: { productId: product.id, useId: use.id }, name: product.name })),
  )
}

/** The step with another product: its use gives times and removal; a title that was the old product's name follows. */
export function setProduct(step: Step, pick: Pick, products: readonly Product[]): Step {
  const product = products.find((product) => product.id === pick.productId)
  const use = product?.uses.find((use) => use.id === pick.useId)
  if (!product || !use) return step
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  return {
    ...step,
    title: product.name,
    product: pick,
    zones: zones.length > 0 ? zones : use.zones,
    segments: use.segments,
  }
}
