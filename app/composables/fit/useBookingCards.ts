import { call, refusalOf, type Reply } from '~/support/api'
import type { Choosing } from './useWhichCard'

type Library = Reply<'/api/cards/booking', 'post'>
interface Seat {
  readonly clientId: string
  readonly practitionerId: string
  readonly date: string
  readonly time: string
  readonly slotMinutes: number
}

/** The dialog that compares all cards for a visit that is not booked yet. */
export function useBookingCards(seat: () => Seat) {
  const isOpen = ref(false)
  const trouble = ref('')
  const library = shallowRef<Library>()
  const choosing = computed<Choosing | undefined>(() => library.value)
  async function open() {
    isOpen.value = true
    trouble.value = ''
    try {
      library.value = await call('/api/cards/booking', { method: 'post', body: seat() })
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
  function close() {
    isOpen.value = false
    library.value = undefined
  }
  return { isOpen, trouble, library, choosing, open, close }
}
