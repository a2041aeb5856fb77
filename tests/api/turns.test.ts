import { addDays, format, nextTuesday } from 'date-fns'
import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import type { CompileInput, FittedPlan } from '#core/adapt'
import { ALL_NO } from '../situations'
import { clientNamed, freeSeat, OWNER, signedIn, withDatabase } from './http'
import { planOf } from './visits'

// One practitioner, two clients in two rooms: their steps are one after the other, not their visits.

const MINUTES = 90
const CARD = 'three-serum'
const owner = await signedIn(OWNER)
/** A Tuesday to come, on which what is open today is still good. */
const DAY = format(nextTuesday(addDays(new Date(), 2)), 'yyyy-MM-dd')
const [here, there] = [await freeSeat(), await freeSeat()]
const { practitionerId } = here

const clientOfOwn = async () => {
  const name = `Invented ${randomUUID().slice(0, 8)}`
  await withDatabase((db) =>
    db.query(
      `INSERT INTO client (id, salon_id, name, born_on) VALUES ($1, current_salon(), $2, '1985-06-15')`,
      [randomUUID(), name],
    ),
  )
  return clientNamed(owner, name)
}
/** Every question answered with no: nothing hinders a fit. */
const answered = async (id: string) => {
  const facts = ALL_NO.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn: DAY } }))
  expect((await owner.ask('POST', `/api/visits/${id}/facts`, { facts })).status).toBe(204)
}
const book = async (more: object) =>
  owner.ask<{ id: string; code: string; detail: string; path: string }>('POST', '/api/visits', {
    ...{ clientId: await clientOfOwn(), protocolId: CARD, date: DAY, slotMinutes: MINUTES },
    ...{ practitionerId, roomId: there.roomId, ...more },
  })
interface Free {
  readonly times: { time: string; rooms: string[]; practitioners: string[] }[]
}
const inTurn = async (more: object = {}) =>
  (
    await owner.ask<Free>('POST', '/api/bookings/free', {
      ...{ protocolId: CARD, date: DAY, slotMinutes: MINUTES, turns: true },
      ...{ practitionerId, roomId: there.roomId, ...more },
    })
  ).body.times.map(({ time }) => time)
const minuteOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))
const rowsOf = async (id: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ from: Date; to: Date }>(
      `SELECT starts_at AS "from", ends_at AS "to" FROM practitioner_booking WHERE visit_id = $1 ORDER BY 1`,
      [id],
    )
    return rows.map(({ from, to }) => [+from, +to] as const)
  })

let first = ''
let second = ''
beforeAll(async () => {
  first = (await book({ time: '10:00', roomId: here.roomId })).body.id
})

describe('a second client in turn', () => {
  test('is not offered, and not taken, as an ordinary visit', async () => {
    const { status, body } = await book({ time: '10:30' })
    expect([status, body.code]).toEqual([409, 'practitioner_taken'])
  })
  test('is offered where each asks for the hands between the other’s steps, in five-minute steps; only while the first is there', async () => {
    const times = await inTurn()
    expect(times.length).toBeGreaterThan(0)
    for (const time of times) {
      expect(minuteOf(time)).toBeGreaterThan(minuteOf('10:00') - MINUTES)
      expect(minuteOf(time)).toBeLessThan(minuteOf('10:00') + MINUTES)
    }
    expect(times).not.toContain('10:00')
  })
  test('is refused where both would want the same hands, with the nearest times that do not', async () => {
    const times = await inTurn()
    const { status, body } = await book({ time: '10:00', turns: true })
    expect([status, body.code]).toEqual([409, 'practitioner_taken'])
    expect(body.detail).toContain('Both clients would want the same hands')
    expect(body.detail).toContain('Nearest that fit: ')
    const nearest = body.detail.split('Nearest that fit: ')[1]!.replace('.', '').split(', ')
    expect(nearest.some((time) => times.includes(time))).toBe(true)
  })
  test('is booked at a time that was offered: no two of their steps at once, a change-over between any two', async () => {
    const time = (await inTurn()).find((one) => minuteOf(one) > minuteOf('10:00'))
    expect(time).toBeDefined()
    const { status, body } = await book({ time, turns: true })
    expect([status, body.detail]).toEqual([201, undefined])
    second = body.id
    const [one, other] = [await rowsOf(first), await rowsOf(second)]
    expect(one.length).toBeGreaterThan(1)
    expect(other.length).toBeGreaterThan(1)
    for (const [from, to] of one)
      for (const [begins, ends] of other) expect(to <= begins || ends <= from).toBe(true)
    // They take turns: the second begins before the first is over, and the first goes on after that.
    expect(one.at(-1)![0]).toBeGreaterThan(other[0]![0])
  })
  test('a row of visits is not booked in turn', async () => {
    const { status, body } = await book({
      ...{ time: '15:00', turns: true, repeat: { count: 2, everyDays: 7 } },
    })
    expect([status, body.path]).toEqual([400, 'repeat'])
  })
  test('called off it leaves the hands to others again', async () => {
    const { body } = await book({ time: '17:00', roomId: here.roomId })
    const [time] = (await inTurn()).filter((one) => minuteOf(one) > minuteOf('17:00'))
    const third = await book({ time, turns: true })
    expect(third.status).toBe(201)
    await owner.ask('POST', `/api/visits/${third.body.id}/call-off`, {
      reason: 'ill',
      noShow: false,
    })
    expect(await rowsOf(third.body.id)).toEqual([])
    expect((await rowsOf(body.id)).length).toBeGreaterThan(1)
  })
})

describe('the second one is fitted around the first', () => {
  const inputOf = async (id: string) =>
    (
      await owner.ask<{
        input: CompileInput
        beside: { id: string; isFitted: boolean }[]
        visit: { startsAt: string }
      }>('GET', `/api/visits/${id}`)
    ).body
  test('hands that are at the other client are known to the fit, and each knows the other', async () => {
    for (const id of [first, second]) await answered(id)
    // One that is not fitted yet is known too: hands may go there to consult.
    expect((await inputOf(first)).beside).toMatchObject([{ id: second, isFitted: false }])
    const one: FittedPlan = await planOf(first)
    expect(one.problems).toEqual([])
    expect(one.segments.length).toBeGreaterThan(0)
    const { input, beside, visit } = await inputOf(second)
    expect(beside).toMatchObject([{ id: first, isFitted: true }])
    const hands = input.reserved!.filter(({ deviceId }) => deviceId === undefined)
    expect(hands.length).toBeGreaterThan(1)
    const other: FittedPlan = await planOf(second)
    const offsetS =
      (Date.parse(visit.startsAt) - Date.parse((await inputOf(first)).visit.startsAt)) / 1000
    // As they were fitted: nothing that hands do, or stay with, is at once in two rooms.
    const bound = (plan: FittedPlan, byS: number) =>
      plan.segments
        .filter((part) => part.hands || part.presence !== 'away')
        .map(({ startS, endS }) => [startS + byS, endS + byS] as const)
    for (const [from, to] of bound(one, 0))
      for (const [starts, ends] of bound(other, offsetS))
        expect(to <= starts || ends <= from).toBe(true)
    expect((await inputOf(first)).beside).toMatchObject([{ id: second, isFitted: true }])
  })
})
