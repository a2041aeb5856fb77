import { describe, expect, test } from 'vitest'
import { zoneOffsetMs } from '~/support/time'
import {
  atY,
  columnsOf,
  firstToShow,
  hoursOf,
  placeOf,
  roomGaps,
  spanOf,
  standsAt,
  yOf,
  type Day,
  type DayVisit,
} from './board'

const at = (time: string) => Date.parse(`2026-11-27T${time}:00Z`)
const visit = (id: string, from: string, to: string, more: Partial<DayVisit> = {}) =>
  ({
    ...{ id, startsAt: `2026-11-27T${from}:00Z`, endsAt: `2026-11-27T${to}:00Z` },
    roomUntil: new Date(at(to) + 600_000).toISOString(),
    ...{
      roomId: 'dune',
      room: 'Dune',
      practitionerId: 'r',
      practitioner: 'Ruben',
      stage: 'booked',
    },
    ...more,
  }) as DayVisit
const day = (visits: DayVisit[], open = [{ fromMs: at('09:00'), toMs: at('18:00') }]) =>
  ({
    ...{
      date: '2026-11-27',
      today: '2026-11-27',
      timeZone: 'UTC',
      turnoverMinutes: 10,
      open,
      visits,
    },
    choices: {
      rooms: [
        { id: 'dune', name: 'Dune' },
        { id: 'tide', name: 'Tideline' },
      ],
      practitioners: [
        { id: 'a', name: 'Anneke' },
        { id: 'r', name: 'Ruben' },
      ],
      protocols: [
        { id: 'short', name: 'Algae Window', minutes: 40 },
        { id: 'long', name: 'Seven Tides', minutes: 95 },
      ],
    },
  }) as unknown as Day

describe('a day to scale', () => {
  test('goes from the first to the last full hour of what is open and booked', () => {
    const span = spanOf(day([visit('v', '08:40', '10:00')]), 0)
    expect(span).toEqual({ fromMs: at('08:00'), toMs: at('18:00') })
    expect(hoursOf(span)).toHaveLength(11)
    expect(atY(yOf(at('10:35'), span) + 3, span)).toBe(at('10:35'))
  })
  test('where no hours were ever told, it is eight to six of the salon’s own clock', () => {
    const whole = [{ fromMs: at('00:00'), toMs: at('00:00') + 86_400_000 }]
    expect(spanOf(day([], whole), 0)).toEqual({ fromMs: at('08:00'), toMs: at('18:00') })
    // Two hours before Greenwich: eight there is six here.
    expect(spanOf(day([], whole), 7_200_000).fromMs).toBe(at('06:00'))
    expect(zoneOffsetMs('2026-11-27', 'Europe/Helsinki')).toBe(7_200_000)
    expect(zoneOffsetMs('2026-07-27', 'America/New_York')).toBe(-4 * 3_600_000)
  })
  test('has a column for every room or everybody, with whoever is beside', () => {
    const one = day([visit('v', '10:00', '11:00')])
    expect(
      columnsOf(one, 'room').map(({ name, beside, visits }) => [name, beside, visits.length]),
    ).toEqual([
      ['Dune', 'Ruben', 1],
      ['Tideline', '', 0],
    ])
    expect(columnsOf(one, 'person').map(({ name, beside }) => [name, beside])).toEqual([
      ['Anneke', ''],
      ['Ruben', 'Dune'],
    ])
  })
})

test('what is free begins after the turnover, not before now, and says what fits', () => {
  const one = day([visit('v', '10:00', '11:00'), visit('w', '12:00', '17:30')])
  const [dune, tide] = columnsOf(one, 'room')
  const gaps = roomGaps(one, dune!, spanOf(one, 0), at('09:30'))
  expect(gaps.map(({ fromMs, toMs, cards }) => [fromMs, toMs, cards.map(({ id }) => id)])).toEqual([
    [at('09:30'), at('10:00'), []],
    [at('11:10'), at('12:00'), ['short']],
    [at('17:40'), at('18:00'), []],
  ])
  // Nobody works there today: it is not offered.
  expect(roomGaps(one, tide!, spanOf(one, 0), 0)).toEqual([])
})

test('what waits leads to where it is done', () => {
  expect(placeOf({ kind: 'client', id: 'c' })).toBe('/clients/c')
  expect(placeOf({ kind: 'visit', id: 'v' })).toBe('/visits/v/consult')
  expect(placeOf({ kind: 'closed-visit', id: 'v' })).toBe('/visits/v/close')
  expect(placeOf({ kind: 'copies' })).toBe('/settings/copies')
  expect(placeOf({ kind: 'device' })).toBeUndefined()
})

test('how a visit stands, and whom to look at first', () => {
  const running = visit('r', '09:00', '10:00', { stage: 'performing' })
  const next = visit('n', '10:30', '11:30')
  const done = visit('d', '08:00', '09:00', { stage: 'closed' })
  expect([running, next, done].map((one) => standsAt(one, at('09:51')))).toEqual([
    'now, 9 min left',
    '',
    'signed',
  ])
  expect(standsAt(running, at('10:04'))).toBe('now, 4 min over')
  expect(firstToShow([done, running, next], at('09:51'))?.id).toBe('n')
  expect(firstToShow([done, running], at('09:51'))?.id).toBe('r')
  expect(firstToShow([done, next], at('12:00'))?.id).toBe('n')
  expect(firstToShow([], 0)).toBeUndefined()
})
