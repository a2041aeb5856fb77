import { call } from '~/support/api'

interface Seat {
  readonly clientId: string
  readonly practitionerId: string
  readonly date: string
  readonly time: string
  readonly slotMinutes: number
}

/** All cards compared for a visit that is not booked yet. */
export const useBookingCards = (seat: () => Seat) =>
  useCardDialog(() => call('/api/cards/booking', { method: 'post', body: seat() }))
