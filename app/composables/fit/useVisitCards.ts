import { call, refusalOf, type Reply } from '~/support/api'
import type { Choosing } from './useWhichCard'

type Library = Reply<'/api/cards'>

/** The dialog that compares all cards for a visit, and takes one of them. */
export function useVisitCards() {
  const store = useVisitStore()
  const isOpen = ref(false)
  const busy = ref(false)
  const trouble = ref('')
  const library = shallowRef<Library>()

  const choosing = computed<Choosing | undefined>(() => {
    const input = store.data?.input
    if (!input || !library.value) return undefined
    const { protocol: _, ...visit } = input
    return { input: { ...visit, shelf: library.value.shelf }, cards: library.value.cards }
  })
  async function open() {
    isOpen.value = true
    trouble.value = ''
    try {
      library.value = await call('/api/cards')
    } catch (error) {
      trouble.value =
        refusalOf(error).status === 0
          ? 'No connection: the other cards are on the server.'
          : refusalOf(error).detail
    }
  }
  function close() {
    isOpen.value = false
    library.value = undefined
  }
  async function take(protocolId: string) {
    busy.value = true
    if (await store.takeCard(protocolId)) close()
    else trouble.value = store.trouble
    busy.value = false
  }
  return { isOpen, busy, trouble, library, choosing, open, close, take }
}
