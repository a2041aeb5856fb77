import type { ProductMemory } from '#core/client'
import { call } from '~/support/api'

/** What a client will not have again, or reacted to, as somebody says it at the close. Remembered, it falls out of every later choice. */
export function useMemories() {
  const store = useVisitStore()
  const session = useSessionStore()
  const { trouble, attempt } = useAttempt()
  const mayWrite = computed(() => session.can('health.write'))
  const isHeld = (productId: string, memory: ProductMemory['memory']): boolean =>
    store.data!.input.client.memories.some(
      (one) => one.productId === productId && one.memory === memory,
    )
  const remember = (memory: Pick<ProductMemory, 'productId' | 'memory' | 'note'>, holds = true) =>
    attempt(async () => {
      const { visit, input } = store.data!
      await call('/api/clients/:id/memories', {
        method: 'put',
        params: { id: visit.clientId },
        body: { memory: { ...memory, on: input.date }, holds },
      })
      await store.load(visit.id)
    })
  return { trouble, mayWrite, isHeld, remember }
}
