/** From one instant to another (milliseconds), the end not included. */
export interface Span {
  readonly fromMs: number
  readonly toMs: number
}
/** When something is taken: a room with its turnover, a person, a device. */
export interface Busy extends Span {
  readonly id: string
}

/** What a day offers for a visit: when the salon is open, who and what is there, and when each is taken. */
export interface Seats {
  readonly open: readonly Span[]
  readonly rooms: readonly string[]
  readonly practitioners: readonly string[]
  readonly busyRooms: readonly Busy[]
  readonly busyPractitioners: readonly Busy[]
  /** Devices that the card names, while another visit names them too. */
  readonly busyDevices: readonly Busy[]
}

export interface FreeTime {
  readonly atMs: number
  readonly rooms: readonly string[]
  readonly practitioners: readonly string[]
  /** Devices that another visit may want in that time: told, not refused, for who fits second fits around it. */
  readonly shares: readonly string[]
}

const MINUTE_MS = 60_000

const isFree = (id: string, busy: readonly Busy[], { fromMs, toMs }: Span): boolean =>
  busy.every((other) => other.id !== id || other.toMs <= fromMs || toMs <= other.fromMs)

/**
 * Every time at which a visit could begin: within one opening, in a room that is free for it and its turnover, with somebody who is free.
 * `minutes`: of the visit; `turnover`: of the room after it, which may go on past closing; `step`: minutes from one time that is tried to the next, from each
 * opening; nothing before `notBeforeMs`.
 */
export function freeTimes(
  seats: Seats,
  wish: {
    readonly minutes: number
    readonly turnover: number
    readonly step: number
    readonly notBeforeMs: number
  },
): FreeTime[] {
  const { minutes, turnover, step, notBeforeMs } = wish
  return seats.open.flatMap(({ fromMs, toMs }) => {
    const times: FreeTime[] = []
    for (let atMs = fromMs; atMs + minutes * MINUTE_MS <= toMs; atMs += step * MINUTE_MS) {
      if (atMs < notBeforeMs) continue
      const visit = { fromMs: atMs, toMs: atMs + minutes * MINUTE_MS }
      const room = { fromMs: atMs, toMs: visit.toMs + turnover * MINUTE_MS }
      const rooms = seats.rooms.filter((id) => isFree(id, seats.busyRooms, room))
      const people = seats.practitioners.filter((id) => isFree(id, seats.busyPractitioners, visit))
      if (rooms.length === 0 || people.length === 0) continue
      const shares = new Set(
        seats.busyDevices
          .filter((device) => !isFree(device.id, seats.busyDevices, visit))
          .map(({ id }) => id),
      )
      times.push({ atMs, rooms, practitioners: people, shares: [...shares] })
    }
    return times
  })
}

/** The times nearest to a wished one, in their order; at most so many. */
export const nearestTimes = <Time extends { readonly atMs: number }>(
  times: readonly Time[],
  wishedMs: number,
  most: number,
): Time[] =>
  [...times]
    .sort((a, b) => Math.abs(a.atMs - wishedMs) - Math.abs(b.atMs - wishedMs))
    .slice(0, most)
    .sort((a, b) => a.atMs - b.atMs)
