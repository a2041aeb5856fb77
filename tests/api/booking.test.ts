import { describe, expect, test } from 'vitest'
import { withDatabase } from './http'
import { furnishedSalon } from './other-salon'
import { enter, staffOf } from './staff'

// Bookings on hours, rooms, people with scope and devices; moved, called off, repeated.

const salon = await furnishedSalon()
const { owner } = salon
const { ids } = salon
// A Monday, and what follows it.
const MONDAY = '2031-06-02'
const TUESDAY = '2031-06-03'
const seat = (more: object = {}) => ({
  ...{ date: MONDAY, time: '10:00', slotMinutes: 60 },
  ...{ roomId: ids.rooms, practitionerId: ids.practitioners },
  ...more,
})
const book = (more: object = {}) =>
  owner.ask<{ id: string; ids: string[]; code: string; detail: string; path: string }>(
    'POST',
    '/api/visits',
    { ...seat(), clientId: ids.clients, protocolId: 'brightening', ...more },
  )
interface Free {
  readonly minutes: number
  readonly closed: string | null
  readonly times: { time: string; rooms: string[]; practitioners: string[]; shares: string[] }[]
  readonly unable: { name: string; lacks: string[] }[]
}
const free = async (more: object = {}) =>
  (
    await owner.ask<Free>('POST', '/api/bookings/free', {
      ...{ protocolId: 'brightening', date: MONDAY, slotMinutes: 60 },
      ...more,
    })
  ).body
const hours = (spans: object[], closedDays: object[] = []) =>
  owner.ask('PUT', '/api/settings/hours', { hours: spans, closedDays, turnoverMinutes: 10 })
const span = (weekday: number, opens: string, closes: string) => ({ weekday, opens, closes })

describe('hours', () => {
  test('before any were told, any time can be booked', async () => {
    const found = await free()
    expect([found.closed, found.times[0]!.time, found.times.at(-1)!.time]).toEqual([
      null,
      '00:00',
      '23:00',
    ])
  })
  test('a booking outside them is refused with the reason and the nearest times that fit', async () => {
    await hours([span(1, '09:00', '12:30'), span(1, '14:00', '19:00'), span(2, '09:00', '18:00')])
    const early = await book({ time: '08:45' })
    expect([early.status, early.body.code, early.body.path]).toEqual([409, 'outside_hours', 'time'])
    expect(early.body.detail).toContain('open from 09:00 to 12:30 and 14:00 to 19:00')
    expect(early.body.detail).toContain('Nearest that fit: 09:00, 09:15, 09:30.')
    const across = await book({ time: '12:15' })
    expect(across.body.detail).toContain('Nearest that fit: 11:00, 11:15, 11:30.')
    const sunday = await book({ date: '2031-06-08' })
    expect(sunday.body.detail).toContain('closed on Sundays')
    expect(sunday.body.detail).toContain('Nothing fits on that day')
  })
  test('a closed day says why, also among the free times', async () => {
    await hours([span(1, '09:00', '18:00')], [{ day: MONDAY, reason: 'stock-taking' }])
    expect((await book()).body.detail).toContain('stock-taking')
    expect(await free()).toMatchObject({
      closed: 'The salon is closed that day: stock-taking.',
      times: [],
    })
    await hours([span(1, '09:00', '18:00'), span(2, '09:00', '18:00')])
  })
  test('on the day its clock changes, times are those of its own clock', async () => {
    await withDatabase((db) =>
      db.query(`UPDATE salon SET time_zone = 'Europe/Lisbon' WHERE id = $1`, [salon.id]),
    )
    // Clocks go back from 02:00 to 01:00 UTC on 26 October 2031 (last Sunday of October, Directive 2000/84/EC).
    await hours([span(7, '00:30', '03:30'), span(1, '09:00', '18:00'), span(2, '09:00', '18:00')])
    const { times } = await free({ date: '2031-10-26', slotMinutes: 30 })
    // Four hours pass between half past midnight and half past three.
    expect([times[0]!.time, times.at(-1)!.time, times.length]).toEqual(['00:30', '03:00', 15])
    await withDatabase((db) =>
      db.query(`UPDATE salon SET time_zone = 'Etc/UTC' WHERE id = $1`, [salon.id]),
    )
  })
})

describe('free times', () => {
  test('leave out what is taken, turnover included; what is refused there is booked at none of them', async () => {
    expect((await book({ time: '10:00' })).status).toBe(201)
    const { times } = await free()
    const clocks = times.map(({ time }) => time)
    expect(clocks).toContain('11:15')
    for (const time of ['09:00', '09:15', '10:00', '10:45', '11:00'])
      expect(clocks).not.toContain(time)
    const taken = await book({ time: '10:30', clientId: ids.clients })
    expect([taken.status, taken.body.code]).toEqual([409, 'room_taken'])
    expect(taken.body.detail).toContain('Nearest that fit: 11:15')
    const other = await owner.ask<{ id: string }>('POST', '/api/rooms', { name: 'Other' })
    const busy = await book({ time: '10:30', roomId: other.body.id })
    expect([busy.body.code, busy.body.path]).toEqual(['practitioner_taken', 'practitionerId'])
    // Every time that is told can be had.
    const client = await owner.ask<{ id: string }>('POST', '/api/clients', {
      ...{ name: 'Second Client', bornOn: '1990-01-01' },
    })
    const first = times[0]!
    const had = await book({
      ...{ time: first.time, clientId: client.body.id },
      ...{ roomId: first.rooms[0], practitionerId: first.practitioners[0] },
    })
    expect(had.status).toBe(201)
  })
  test('without a length are those of the card as it is written', async () => {
    const { body } = await owner.ask<Free & { usual: number }>('POST', '/api/bookings/free', {
      ...{ protocolId: 'brightening', date: TUESDAY },
    })
    expect([body.minutes, body.usual, body.minutes % 5]).toEqual([body.usual, body.usual, 0])
    expect(body.minutes).toBeGreaterThan(45)
  })
  test('are nobody’s who may not do what the card asks, and say who', async () => {
    const found = await free({ protocolId: 'course-needling', date: TUESDAY, slotMinutes: 60 })
    expect([found.times, found.unable.map(({ lacks }) => lacks)]).toEqual([[], [['needling']]])
    await withDatabase(async (db) => {
      await db.query("SELECT set_config('zen.salon', $1, false)", [salon.id])
      await db.query(
        `INSERT INTO scope_entry (practitioner_id, technique, until) VALUES ($1, 'needling', $2)`,
        [ids.practitioners, MONDAY],
      )
    })
    expect((await free({ protocolId: 'course-needling', date: MONDAY })).unable).toEqual([])
    // The licence ended the day before.
    expect((await free({ protocolId: 'course-needling', date: TUESDAY })).times).toEqual([])
  })
})

describe('a visit that is booked', () => {
  test('is moved, refused with the reason, and is not in its own way', async () => {
    const { body } = await book({ date: TUESDAY, time: '09:00' })
    const move = (more: object) =>
      owner.ask('PUT', `/api/visits/${body.id}/seat`, seat({ date: TUESDAY, ...more }))
    expect((await move({ time: '09:15' })).status).toBe(204)
    expect((await move({ time: '17:30' })).body.code).toBe('outside_hours')
    expect((await move({ time: '14:00', slotMinutes: 90 })).status).toBe(204)
    const { times } = await free({ date: TUESDAY })
    expect(times.map(({ time }) => time)).toContain('09:15')
    const there = await free({ date: TUESDAY, but: body.id })
    expect(there.times.map(({ time }) => time)).toContain('14:00')
    expect(times.map(({ time }) => time)).not.toContain('14:00')
  })
  test('is called off with a reason: it stays in the record, and its seat is free', async () => {
    const { body } = await book({ date: TUESDAY, time: '11:00' })
    const off = (more: object) =>
      owner.ask('POST', `/api/visits/${body.id}/call-off`, {
        reason: 'ill',
        noShow: false,
        ...more,
      })
    expect((await off({ reason: ' ' })).body.path).toBe('reason')
    expect((await off({ noShow: true })).body.code).toBe('not_yet')
    expect((await off({})).status).toBe(204)
    expect((await off({})).body.code).toBe('called_off')
    expect((await owner.ask('PUT', `/api/visits/${body.id}/seat`, seat())).body.code).toBe(
      'called_off',
    )
    expect((await book({ date: TUESDAY, time: '11:00' })).status).toBe(201)
    const record = await owner.ask<{ visits: { id: string }[] }>(
      'GET',
      `/api/clients/${ids.clients}`,
    )
    const kept = record.body.visits.find(({ id }) => id === body.id)
    expect(kept).toMatchObject({ stage: 'called-off', calledOff: 'called off: ill' })
    const day = await owner.ask<{ visits: { id: string }[] }>('GET', `/api/day?date=${TUESDAY}`)
    expect(day.body.visits.map(({ id }) => id)).not.toContain(body.id)
  })
  test('is repeated in one step: all of the row, or none, and told which day is in the way', async () => {
    await hours([])
    const row = await book({
      date: '2032-01-05',
      time: '09:00',
      repeat: { count: 4, everyDays: 7 },
    })
    expect([row.status, row.body.ids.length]).toEqual([201, 4])
    const before = await withDatabase(
      async (db) => (await db.query('SELECT FROM visit WHERE salon_id = $1', [salon.id])).rowCount,
    )
    const clash = await book({
      ...{ date: '2032-01-12', time: '09:30' },
      repeat: { count: 3, everyDays: 7 },
    })
    expect([clash.status, clash.body.detail.startsWith('2032-01-12: The room is taken')]).toEqual([
      409,
      true,
    ])
    const late = await book({
      ...{ date: '2031-12-29', time: '09:30' },
      repeat: { count: 3, everyDays: 7 },
    })
    expect(late.body.detail.startsWith('2032-01-05: ')).toBe(true)
    const after = await withDatabase(
      async (db) => (await db.query('SELECT FROM visit WHERE salon_id = $1', [salon.id])).rowCount,
    )
    expect(after).toBe(before)
  })
  test('of two at once for one seat one is booked', async () => {
    const both = await Promise.all([
      book({ date: '2033-03-07', time: '09:00' }),
      book({ date: '2033-03-07', time: '09:30' }),
    ])
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409])
  })
})

test('nobody who has left is offered, and nobody’s past is taken', async () => {
  const { joined } = staffOf(salon)
  const { id, email } = await joined()
  const names = async () => (await free({ date: '2034-01-02' })).times[0]!.practitioners.length
  const before = await names()
  await owner.ask('PUT', `/api/people/${id}/standing`, { left: true })
  expect(await names()).toBe(before - 1)
  expect((await enter(email, 'whatever it was')).status).toBe(401)
  expect((await free({ date: '2020-01-06' })).times).toEqual([])
})
