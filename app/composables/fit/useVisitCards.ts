import { call } from '~/support/api'
import type { Choosing } from './useWhichCard'

/** All cards compared for the visit that is open, and one of them taken. */
export function useVisitCards() {
  const store = useVisitStore()
  const busy = ref(false)
  const dialog = useCardDialog(() => call('/api/cards'))
  const choosing = computed<Choosing | undefined>(() => {
    const input = store.data?.input
    const library = dialog.library.value
    if (!input || !library) return undefined
    const { protocol: _, ...visit } = input
    return { input: { ...visit, shelf: library.shelf }, cards: library.cards }
  })
  async function take(protocolId: string) {
    busy.value = true
    if (await store.takeCard(protocolId)) dialog.close()
    else dialog.trouble.value = store.trouble
    busy.value = false
  }
  return { ...dialog, busy, choosing, take }
}
