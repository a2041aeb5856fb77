import { call } from '~/support/api'

interface Place {
  readonly practitionerId: string
  readonly slotMinutes: number
}
type Booked = Place & { readonly clientId: string; readonly date: string; readonly time: string }
/** Somebody who has just come in. */
type CameIn = Place & { readonly bornOn: string }

export type Seat = Booked | CameIn

/** All cards compared for a visit that is not booked yet. */
export const useBookingCards = (seat: () => Seat) =>
  useCardDialog(() => call('/api/cards/booking', { method: 'post', body: seat() }))
