import { SHELF } from './fixtures'
import { step, work } from './rules/build'
import { TODAY } from './situations'
import type { FittedPlan } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import { lint, type Property, type Step } from '#core/protocol'
import { subjectReader } from '#core/strength'

// Steps and plans for what was once seen to slip past the rule book.

export const read = subjectReader(SHELF, TODAY)
export const without = (...ids: string[]): Shelf => ({
  ...SHELF,
  products: SHELF.products.map((product) =>
    ids.includes(product.id) ? { ...product, stock: 0 } : product,
  ),
})
export const productAt = (plan: FittedPlan, id: string) => step(plan, id)?.product?.productId
export const touching = (plan: FittedPlan, ...any: Property[]) =>
  plan.steps.filter((one) => any.some((property) => read(one).properties.has(property)))
export const cast = (id: string, properties: Property[], more: Partial<Step> = {}): Step =>
  work(properties, { id, title: id, ...more })
export const masked = (productId: string, useId: string, more: Partial<Step> = {}) =>
  cast('mask', [], {
    phase: 'mask',
    product: { productId, useId },
    segments: SHELF.products
      .find((product) => product.id === productId)!
      .uses.find((use) => use.id === useId)!.segments,
    ...more,
  })
export const useOf = (productId: string) =>
  SHELF.products.find((product) => product.id === productId)!.uses[0]!.id
export const wrongs = (plan: FittedPlan) =>
  lint(plan.steps.map(read), true).filter(({ level }) => level === 'wrong')
