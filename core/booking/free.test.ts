import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { freeTimes, nearestTimes, type Busy, type Seats } from '.'

const MINUTE = 60_000
const at = (minutes: number) => minutes * MINUTE

/** Reads the same words again, minute by minute: shares nothing with the engine but them. */
function minuteByMinute(seats: Seats, minutes: number, turnover: number, step: number): number[] {
  const taken = (id: string, busy: readonly Busy[], from: number, to: number) => {
    for (let minute = from; minute < to; minute++)
      if (busy.some((one) => one.id === id && one.fromMs <= at(minute) && at(minute) < one.toMs))
        return true
    return false
  }
  const found: number[] = []
  for (const { fromMs, toMs } of seats.open)
    for (let start = fromMs / MINUTE; start < toMs / MINUTE; start++) {
      if ((start - fromMs / MINUTE) % step !== 0) continue
      if (start + minutes > toMs / MINUTE) continue
      const room = seats.rooms.some(
        (id) => !taken(id, seats.busyRooms, start, start + minutes + turnover),
      )
      const person = seats.practitioners.some(
        (id) => !taken(id, seats.busyPractitioners, start, start + minutes),
      )
      if (room && person) found.push(at(start))
    }
  return found
}

const busy = (ids: readonly string[]) =>
  fc.array(
    fc
      .record({
        id: fc.constantFrom(...ids),
        from: fc.nat(600),
        long: fc.integer({ min: 1, max: 120 }),
      })
      .map(({ id, from, long }): Busy => ({ id, fromMs: at(from), toMs: at(from + long) })),
    { maxLength: 8 },
  )
const ROOMS = ['dune', 'tideline']
const PEOPLE = ['anneke', 'ruben', 'maren']

describe('free times', () => {
  test('are those that a reading minute by minute finds, over 2,000 drawn days', () => {
    const day = fc.record({
      rooms: fc.subarray(ROOMS),
      practitioners: fc.subarray(PEOPLE),
      busyRooms: busy(ROOMS),
      busyPractitioners: busy(PEOPLE),
      opens: fc.nat(200),
      long: fc.integer({ min: 10, max: 300 }),
      minutes: fc.integer({ min: 5, max: 120 }),
      turnover: fc.integer({ min: 0, max: 30 }),
      step: fc.constantFrom(5, 15, 30),
    })
    fc.assert(
      fc.property(day, ({ opens, long, minutes, turnover, step, ...rest }) => {
        const open = [
          { fromMs: at(opens), toMs: at(opens + long) },
          { fromMs: at(opens + long + 30), toMs: at(opens + long + 200) },
        ]
        const seats = { ...rest, open, busyDevices: [] }
        const found = freeTimes(seats, { minutes, turnover, step, notBeforeMs: 0 })
        expect(found.map(({ atMs }) => atMs)).toEqual(
          minuteByMinute(seats, minutes, turnover, step),
        )
        for (const { atMs, rooms, practitioners } of found) {
          for (const id of rooms)
            expect(minuteByMinute({ ...seats, rooms: [id] }, minutes, turnover, step)).toContain(
              atMs,
            )
          for (const id of practitioners)
            expect(
              minuteByMinute({ ...seats, practitioners: [id] }, minutes, turnover, step),
            ).toContain(atMs)
        }
      }),
      { numRuns: 2000 },
    )
  })
  const seats: Seats = {
    open: [{ fromMs: at(540), toMs: at(720) }],
    ...{ rooms: ['dune'], practitioners: ['anneke'] },
    busyRooms: [{ id: 'dune', fromMs: at(600), toMs: at(610) }],
    ...{ busyPractitioners: [], busyDevices: [{ id: 'globes', fromMs: at(650), toMs: at(660) }] },
  }
  const wish = { minutes: 50, turnover: 10, step: 10, notBeforeMs: 0 }
  test('a turnover has to be over before the next, and may go on past closing', () => {
    expect(freeTimes(seats, wish).map(({ atMs }) => atMs / MINUTE)).toEqual([
      540, 610, 620, 630, 640, 650, 660, 670,
    ])
  })
  test('nothing begins in the past, and a device that another wants is told', () => {
    const late = freeTimes(seats, { ...wish, notBeforeMs: at(655) })
    expect(late.map(({ atMs, shares }) => [atMs / MINUTE, shares])).toEqual([
      [660, []],
      [670, []],
    ])
    expect(freeTimes(seats, wish).find(({ atMs }) => atMs === at(620))?.shares).toEqual(['globes'])
  })
  test('the nearest to a wished one are told in their order', () => {
    const near = nearestTimes(freeTimes(seats, wish), at(615), 3)
    expect(near.map(({ atMs }) => atMs / MINUTE)).toEqual([610, 620, 630])
    expect(nearestTimes([], 0, 3)).toEqual([])
  })
})
