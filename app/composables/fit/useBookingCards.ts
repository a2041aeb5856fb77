import { call } from '~/support/api'

interface Seat {
  readonly practitionerId: string
  readonly slotMinutes: number
}
type Booked = Seat & { readonly clientId: string; readonly date: string; readonly time: string }
/** Somebody who has just come in. */
type CameIn = Seat & { readonly bornOn: string }

/** All cards compared for a visit that is not booked yet. */
export const useBookingCards = (seat: () => Booked | CameIn) =>
  useCardDialog(() => call('/api/cards/booking', { method: 'post', body: seat() }))
