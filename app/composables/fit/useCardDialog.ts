import { refusalOf } from '~/support/api'
import type { Choosing } from './useWhichCard'

/** What the server gives for comparing cards. */
export interface Library {
  readonly cards: Choosing['cards']
  readonly prices: Readonly<Record<string, number>>
  readonly currency: string
}

/** The dialog that compares all cards: opened with what `load` asks the server for, forgotten when it closes. */
export function useCardDialog<L extends Library>(load: () => Promise<L>) {
  const isOpen = ref(false)
  const trouble = ref('')
  const library = shallowRef<L>()
  async function open() {
    isOpen.value = true
    trouble.value = ''
    try {
      library.value = await load()
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
  return { isOpen, trouble, library, open, close }
}
