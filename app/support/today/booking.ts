import type { Reply } from '~/support/api'

/** What a visit can be booked from. */
export type DayChoices = Reply<'/api/day'>['choices']

/** What still has to be chosen, as a sentence; undefined when everything is. */
export function missingChoice<K extends string>(
  lists: readonly { readonly key: K; readonly label: string }[],
  form: Readonly<Record<K, string>>,
): string | undefined {
  const missing = lists
    .filter(({ key }) => form[key] === '')
    .map(({ label }) => label.toLowerCase())
  return missing.length === 0 ? undefined : `Still to choose: ${missing.join(', ')}.`
}

/** A seat as it is booked: empty room or person is whoever is free. */
export interface SeatForm {
  date: string
  time: string
  slotMinutes: number
  roomId: string
  practitionerId: string
}
interface FreeTime {
  readonly time: string
  readonly rooms: readonly string[]
  readonly practitioners: readonly string[]
}

/** A seat at a free time: what was chosen stays where it is free, else the first that is. */
export const seatAt = (seat: SeatForm, { time, rooms, practitioners }: FreeTime): SeatForm => ({
  ...seat,
  time,
  roomId: rooms.includes(seat.roomId) ? seat.roomId : rooms[0]!,
  practitionerId: practitioners.includes(seat.practitionerId)
    ? seat.practitionerId
    : practitioners[0]!,
})

/** How often a visit may be repeated, and how far apart. */
export const REPEATS = [1, 2, 3, 4, 6, 8, 12] as const
export const WEEKS = [1, 2, 3, 4, 5, 6, 8] as const
