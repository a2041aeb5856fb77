import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { sealedTo } from './seal-letter'
import type { Person } from './http'
import { book, forgetTries, PRACTITIONER, withDatabase } from './http'
import { owner } from './people'
import { A_DROP, CALM, event } from './signed'
import { forgetPins, onTablet, PIN } from './tablet-people'

// A tablet that is covered, in a client's hands, and signs.

let tablet: Person
let visitId: string
beforeAll(async () => {
  ;({ tablet } = await onTablet(PRACTITIONER))
  visitId = await book(owner, 'Marguerite Abiola')
})
afterAll(async () => {
  await forgetPins()
  await forgetTries()
})
const unlock = (body: object) => tablet.ask('POST', '/api/own/unlock', body)
interface Shown {
  readonly account: { readonly id: string; readonly handedVisitId: string | null }
  readonly outbox: { readonly key: string; readonly pass: string }
}
const shown = async () => (await tablet.ask<Shown>('GET', '/api/session')).body

describe('a tablet in a client’s hands', () => {
  const answers = (id: string) =>
    tablet.ask('POST', `/api/visits/${id}/facts`, {
      facts: [
        {
          id: randomUUID(),
          fact: {
            code: 'diabetes',
            answer: 'no',
            askedOn: new Date().toISOString().slice(0, 10),
          },
        },
      ],
    })
  test('answers for their own visit alone, until it is taken back by PIN', async () => {
    const other = await book(owner, 'Marguerite Abiola')
    expect((await tablet.ask('PUT', `/api/visits/${visitId}/handed`)).status).toBe(204)
    expect((await shown()).account.handedVisitId).toBe(visitId)
    expect((await tablet.ask('GET', `/api/visits/${visitId}`)).status).toBe(200)
    expect((await answers(visitId)).status).toBe(204)
    const closed = [
      ['GET', '/api/day'],
      ['GET', '/api/clients'],
      ['GET', `/api/visits/${other}`],
      ['POST', `/api/visits/${visitId}/plan`],
      ['GET', '/api/own'],
      ['PUT', `/api/visits/${other}/handed`],
    ] as const
    for (const [method, path] of closed) {
      const { status, body } = await tablet.ask(method, path)
      expect([path, status, body.code]).toEqual([path, 401, 'handed_over'])
    }
    expect((await answers(other)).body.code).toBe('handed_over')
    expect((await unlock({ pin: '1111' })).body).toMatchObject({ code: 'wrong_pin', path: 'pin' })
    expect((await tablet.ask('GET', '/api/day')).status).toBe(401)
    expect((await unlock({ pin: PIN })).status).toBe(204)
    expect((await tablet.ask('GET', '/api/day')).status).toBe(200)
  })
  test('is taken back by password too, and by a PIN that was sealed for that', async () => {
    await tablet.ask('PUT', `/api/visits/${visitId}/handed`)
    const { account, outbox } = await shown()
    const sealed = (id: string, pin: string) =>
      sealedTo(outbox, id, { method: 'POST', path: '/api/own/unlock', body: { pin } })
    // For something else, or wrong.
    expect((await unlock({ sealed: await sealed(visitId, PIN) })).status).toBe(400)
    expect((await unlock({ sealed: await sealed(account.id, '1111') })).body.code).toBe('wrong_pin')
    expect((await unlock({ sealed: await sealed(account.id, PIN) })).status).toBe(204)
    await tablet.ask('PUT', `/api/visits/${visitId}/handed`)
    expect((await unlock({ password: 'wrong' })).body.path).toBe('password')
    expect((await unlock({ password: 'quiet-tide' })).status).toBe(204)
    expect((await unlock({})).body.code).toBe('invalid')
    expect((await unlock({ pin: PIN, password: 'quiet-tide' })).body.code).toBe('invalid')
  })
  test('what opened it without a check is in the log', async () => {
    const at = '2026-11-29T08:00:00.000Z'
    expect((await tablet.ask('POST', '/api/own/unchecked', { at })).status).toBe(204)
    const { rows } = await withDatabase((db) =>
      db.query(`SELECT detail FROM audit WHERE action = 'own.unchecked' ORDER BY at DESC LIMIT 1`),
    )
    expect(rows[0]).toEqual({ detail: { at } })
  })
  test('a PIN opens nothing where it is no tablet', async () => {
    const { body } = await owner.ask('POST', '/api/own/unlock', { pin: PIN })
    expect([body.code, body.detail]).toEqual([
      'wrong_pin',
      'A PIN opens tablets of the salon alone. Type your password.',
    ])
  })
})

describe('signing on a tablet', () => {
  async function performed() {
    const id = await book(owner, 'Marguerite Abiola')
    await owner.ask('POST', `/api/visits/${id}/plan`)
    const events = [event({ type: 'start' }), event({ type: 'finish' }, 1)]
    await owner.ask('POST', `/api/visits/${id}/events`, { events })
    return id
  }
  const sign = async (id: string, pin?: object) =>
    tablet.ask('POST', `/api/visits/${id}/close`, {
      answer: CALM,
      note: '',
      used: A_DROP,
      ...(pin ? { pin } : {}),
    })
  const sealedPin = async (id: string, pin: string) =>
    sealedTo((await shown()).outbox, id, { method: 'POST', path: '/api/own/pin', body: { pin } })
  const doubtOf = async (id: string) => {
    const { body } = await owner.ask<{ outcome: { doubt: string | null } | null }>(
      'GET',
      `/api/visits/${id}`,
    )
    return body.outcome?.doubt
  }
  test('takes the PIN; without it nothing is signed', async () => {
    const id = await performed()
    expect((await sign(id)).body).toMatchObject({ code: 'pin_wanted', path: 'pin' })
    expect(await doubtOf(id)).toBeUndefined()
    expect((await sign(id, await sealedPin(id, PIN))).status).toBe(204)
    expect(await doubtOf(id)).toBeNull()
  })
  test('a PIN that is wrong on arrival leaves a signature to be confirmed by its owner’s password', async () => {
    const [id, other] = [await performed(), await performed()]
    expect((await sign(id, await sealedPin(other, PIN))).status).toBe(204)
    expect(await doubtOf(id)).toBe('Its PIN could not be read.')
    expect((await sign(other, await sealedPin(other, '1111'))).status).toBe(204)
    expect(await doubtOf(other)).toBe('That is not the PIN.')
    const confirm = (person: Person, password: string) =>
      person.ask('POST', `/api/visits/${other}/signature`, { password })
    expect((await confirm(owner, 'quiet-tide')).body.code).toBe('no_doubt')
    expect((await confirm(tablet, 'wrong')).body.path).toBe('password')
    expect((await confirm(tablet, 'quiet-tide')).status).toBe(204)
    expect(await doubtOf(other)).toBeNull()
    expect((await confirm(tablet, 'quiet-tide')).body.code).toBe('no_doubt')
  })
})
