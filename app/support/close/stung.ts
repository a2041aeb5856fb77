import type { Shelf } from '#core/catalog'
import type { ProductMemory } from '#core/client'
import type { RunState } from '#core/perform'

/** A product that was felt beyond what is expected of it, as it may be remembered. */
export interface Stung {
  readonly productId: string
  readonly name: string
  readonly felt: string
  /** Somebody has remembered it since the visit's day, or before. */
  readonly isKnown: boolean
}

/** Products felt beyond what is expected of them, each once. Devices, towels and how somebody lies are none. */
export function stungProducts(
  { sensations }: Pick<RunState, 'sensations'>,
  { products }: Pick<Shelf, 'products'>,
  memories: readonly ProductMemory[],
): Stung[] {
  const nameById = new Map(products.map(({ id, name }) => [id, name]))
  const beyond = sensations.flatMap(({ beyond, thingId, sensation }) =>
    beyond && thingId !== undefined && nameById.has(thingId) ? [{ thingId, sensation }] : [],
  )
  return [...new Set(beyond.map(({ thingId }) => thingId))].map((productId) => ({
    productId,
    name: nameById.get(productId)!,
    felt: [
      ...new Set(
        beyond
          .filter(({ thingId }) => thingId === productId)
          .map(({ sensation }) => sensation.replaceAll('-', ' ')),
      ),
    ].join(', '),
    isKnown: memories.some(
      (memory) => memory.productId === productId && memory.memory === 'reacted',
    ),
  }))
}
