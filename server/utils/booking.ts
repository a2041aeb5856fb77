import { freeTimes, nearestTimes, type FreeTime, type Seats } from '#core/booking'
import { Conflict, type ProblemCode } from '#core/fault'
import { closedFor, type Hours } from '#core/salon'
import {
  busyDevices,
  busyPractitioners,
  busyRooms,
  clocksOf,
  openOn,
  practitionersOn,
} from '../db/booking.sql'
import type { Db } from '../db/rows'
import { listClosedDays, listOpenings, listRooms, salonInstant } from '../db/salon.sql'

const STEP_MINUTES = 15
const DAY_MS = 86_400_000
const NEAREST = 3

/** What a day (ISO) offers: hours, rooms, people, and what is taken. `but`: a visit that is to be moved. */
export async function seatsOn(
  db: Db,
  salonId: string,
  date: string,
  but: string | null = null,
): Promise<Seats & { readonly people: Awaited<ReturnType<typeof practitionersOn>> }> {
  const midnight = await salonInstant(db, salonId, date, '00:00')
  const within = {
    from: new Date(midnight.getTime() - DAY_MS),
    to: new Date(midnight.getTime() + 2 * DAY_MS),
    but,
  }
  const people = await practitionersOn(db, salonId, date)
  return {
    open: await openOn(db, salonId, date),
    rooms: (await listRooms(db, salonId)).map(({ id }) => id),
    practitioners: people.map(({ id }) => id),
    busyRooms: await busyRooms(db, salonId, within),
    busyPractitioners: await busyPractitioners(db, salonId, within),
    busyDevices: await busyDevices(db, salonId, within),
    people,
  }
}

/** When the salon is open, with its closed days from a day (ISO) on. */
export const hoursFrom = async (db: Db, salonId: string, date: string): Promise<Hours> => ({
  hours: await listOpenings(db, salonId),
  closedDays: await listClosedDays(db, salonId, date),
})

/** A seat that is wished for, on the salon's own clock. */
export interface SeatWish {
  readonly date: string
  readonly time: string
  readonly slotMinutes: number
  readonly roomId: string
  readonly practitionerId: string
}

/** Why a seat cannot be had, in a sentence with the nearest times of the day that fit; undefined where it can. The database has the last word all the same. */
export async function seatFault(
  db: Db,
  { id: salonId, turnover_minutes: turnover }: { id: string; turnover_minutes: number },
  wish: SeatWish,
  { but, inTurn = false }: { readonly but?: string; readonly inTurn?: boolean } = {},
): Promise<Conflict | undefined> {
  const hours = await hoursFrom(db, salonId, wish.date)
  const { date, time, slotMinutes: minutes, roomId, practitionerId } = wish
  const seats = await seatsOn(db, salonId, date, but ?? null)
  const atMs = (await salonInstant(db, salonId, date, time)).getTime()
  // Who takes turns is asked by their steps: see `turns`.
  const busy = inTurn ? { busyPractitioners: [] } : {}
  const own = { ...seats, rooms: [roomId], practitioners: [practitionerId], ...busy }
  const clash = clashOf(own, atMs, minutes, turnover)
  const closed = closedFor(hours, date, time, minutes)
  const fault = closed ? { code: 'outside_hours' as const, says: closed } : clash
  if (!fault) return undefined
  const times = freeTimes(own, { minutes, turnover, step: STEP_MINUTES, notBeforeMs: 0 })
  return new Conflict({
    code: fault.code,
    detail: `${fault.says} ${await nearestInWords(db, salonId, times, atMs)}`,
    path: fault.code === 'practitioner_taken' ? 'practitionerId' : 'time',
  })
}

/** Who or what is taken, at a time of a day that is otherwise free. */
function clashOf(
  seats: Seats,
  atMs: number,
  minutes: number,
  turnover: number,
): { code: ProblemCode; says: string } | undefined {
  const open = [{ fromMs: atMs, toMs: atMs + minutes * 60_000 }]
  const fits = (more: Partial<Seats>) =>
    freeTimes({ ...seats, open, ...more }, { minutes, turnover, step: minutes, notBeforeMs: 0 })
      .length > 0
  if (!fits({ busyPractitioners: [] }))
    return { code: 'room_taken', says: 'The room is taken at that time, turnover included.' }
  if (!fits({ busyRooms: [] }))
    return {
      code: 'practitioner_taken',
      says: 'The practitioner has another visit at that time.',
    }
  return undefined
}

/** The times of a day that are nearest to a wished one, in words. */
export async function nearestInWords(
  db: Db,
  salonId: string,
  times: readonly Pick<FreeTime, 'atMs'>[],
  atMs: number,
): Promise<string> {
  const nearest = nearestTimes(times, atMs, NEAREST)
  if (nearest.length === 0) return 'Nothing fits on that day with this room and person.'
  const clocks = await clocksOf(
    db,
    salonId,
    nearest.map((one) => new Date(one.atMs)),
  )
  return `Nearest that fit: ${clocks.join(', ')}.`
}
