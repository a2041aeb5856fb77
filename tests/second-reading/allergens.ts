import type { Facts, Visit } from './facts'
import type { Touch } from './touch'

/** Ingredient families by how they are printed; whole words. */
const FAMILIES: Readonly<Record<string, readonly string[]>> = {
  salicylates: ['salicylic', 'salicylate', 'salix', 'gaultheria', 'willow', 'spiraea'],
  daisy: ['chamomilla', 'matricaria', 'anthemis', 'arnica', 'calendula'],
  pineapple: ['ananas', 'bromelain'],
  papaya: ['papaya', 'papain'],
  bee: ['mel', 'honey', 'propolis', 'cera alba', 'beeswax'],
  oat: ['avena'],
  fragrance: ['parfum', 'linalool', 'geraniol', 'citronellol', 'limonene'],
  egg: ['albumin', 'lysozyme', 'ovum'],
  sunflower: ['helianthus'],
  fig: ['ficus', 'ficin'],
  warming: ['capsicum', 'nicotinate', 'zingiber'],
}
export const ALLERGENS = Object.keys(FAMILIES)
const UV_FILTERS = ['ethylhexyl salicylate', 'homosalate', 'butyloctyl salicylate']

/** What stands on a list of this family; sun protection of that name apart, which only a caution goes with. */
export function holdsFamily(family: string, { list }: Touch): boolean {
  const rest = UV_FILTERS.reduce((text, name) => text.replaceAll(name, ' '), list)
  return FAMILIES[family]!.some((word) => rest.includes(` ${word} `))
}

/** What reacted before, or would. */
export function allergensIn(touch: Touch, facts: Facts, { client }: Visit): string[] {
  const reacted = ALLERGENS.filter((family) => {
    const fact = facts.said(`allergy:${family}`)
    return fact !== undefined && fact.reaction !== 'dislike' && holdsFamily(family, touch)
  })
  const memories = client.memories
    .filter(({ productId, memory }) => memory === 'reacted' && productId === touch.product?.id)
    .map(({ productId }) => `reacted to ${productId}`)
  return [...reacted.map((family) => `allergy ${family}`), ...memories]
}
