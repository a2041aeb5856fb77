import { anneke, owner } from './people'
import { describe, expect, test } from 'vitest'
import { book, DESK, freeSeat, signedIn, type Person } from './http'
import { visitOf, today, planOf, said } from './visits'

describe('walk-in', () => {
  test('a client and a visit from now, with nothing asked yet; an impossible birthday is told', async () => {
    const { roomId, practitionerId } = await freeSeat()
    const body = {
      name: 'Somebody Walking-In',
      bornOn: '1990-04-03',
      roomId,
      practitionerId,
      protocolId: 'brightening',
      slotMinutes: 15,
    }
    expect(
      (await owner.ask('POST', '/api/visits/walk-in', { ...body, bornOn: '2090-01-01' })).body,
    ).toMatchObject({ code: 'bad_birthday', path: 'bornOn' })
    const { status, body: made } = await owner.ask<{ id: string }>(
      'POST',
      '/api/visits/walk-in',
      body,
    )
    const { input, visit } = await visitOf(made.id)
    expect([status, visit.walkIn, input.client.facts]).toEqual([201, true, []])
    expect((await planOf(made.id)).askFirst.length).toBeGreaterThan(0)
    expect(
      (await owner.ask('POST', '/api/visits/walk-in', { ...body, name: 'Somebody Else' })).body
        .code,
    ).toBe('room_taken')
    expect(
      (await (await signedIn(DESK)).ask('POST', '/api/visits/walk-in', { ...body, name: 'x' }))
        .status,
    ).toBe(400)
  })
})

describe('the rule book of the studio', () => {
  test('advice goes off, a window goes up and never below its floor; only the owner sets it', async () => {
    const put = (person: Person, id: string, adviceOff: boolean, windowDays: number | null) =>
      person.ask('PUT', `/api/rules/${id}`, { adviceOff, windowDays })
    expect((await put(anneke, 'A07', false, 9)).status).toBe(403)
    expect((await put(owner, 'A07', false, 2)).body.code).toBe('below_floor')
    expect((await put(owner, 'A06', false, 90)).body.code).toBe('below_floor')
    expect((await put(owner, 'A01', true, null)).body.code).toBe('never_off')
    expect((await put(owner, 'A01', false, 5)).body.code).toBe('no_window')
    expect((await put(owner, 'Z99', false, 5)).status).toBe(404)
    const id = await book(owner, 'Wren Castellane', 'acid')
    const date = (await visitOf(id)).input.date
    const sixDaysBefore = new Date(new Date(date).getTime() - 6 * 86_400_000)
      .toISOString()
      .slice(0, 10)
    await owner.ask('POST', `/api/visits/${id}/facts`, {
      facts: [
        said('retinoid-prescription', 'yes', {
          askedOn: await today(),
          on: sixDaysBefore > (await today()) ? await today() : sixDaysBefore,
        }),
      ],
    })
    const acid = async () =>
      (await planOf(id)).changes.some((change) => change.why.some((why) => why.ruleId === 'A07'))
    const atFive = await acid()
    expect((await put(owner, 'A07', false, 60)).status).toBe(204)
    expect((await owner.ask<{ windowDays: object }>('GET', '/api/rules')).body.windowDays).toEqual({
      A07: 60,
    })
    expect(await acid()).toBe(true)
    await put(owner, 'A07', false, null)
    expect(await acid()).toBe(atFive)
    expect((await put(owner, 'C16d', true, null)).status).toBe(204)
    expect((await owner.ask<{ adviceOff: string[] }>('GET', '/api/rules')).body.adviceOff).toEqual([
      'C16d',
    ])
    await put(owner, 'C16d', false, null)
    expect((await owner.ask('GET', '/api/rules')).body).toEqual({
      ...{ adviceOff: [], windowDays: {} },
      ...{ majority: 18, guardianStays: false },
    })
  })
  test('names the clients whom a rule touches, to those who may see health', async () => {
    const { body } = await owner.ask<{ clients: { name: string; because: string[] }[] }>(
      'GET',
      '/api/rules/A04',
    )
    expect(body.clients.map((client) => client.name)).toContain('Pilar Nwosu')
    expect((await (await signedIn(DESK)).ask('GET', '/api/rules/A04')).status).toBe(403)
  })
  test('medicines: an own entry answers its question, and stays while a client takes it', async () => {
    const entry = {
      kind: 'medicine',
      name: 'Lymecycline',
      synonyms: ['for spots'],
      code: 'photosensitiser-strong',
    }
    expect((await anneke.ask('PUT', '/api/known/lymecycline', entry)).status).toBe(403)
    expect(
      (await owner.ask('PUT', '/api/known/lymecycline', { ...entry, code: 'nonsense' })).body.code,
    ).toBe('unknown_question')
    expect((await owner.ask('PUT', '/api/known/Not%20an%20id', entry)).body.code).toBe('bad_id')
    expect((await owner.ask('PUT', '/api/known/lymecycline', entry)).status).toBe(204)
    const { body: list } = await owner.ask<{ id: string }[]>('GET', '/api/known')
    expect(list.map((one) => one.id)).toEqual(
      expect.arrayContaining(['lymecycline', 'doxycycline']),
    )
    const id = await book(owner, 'Wren Castellane')
    await owner.ask('POST', `/api/visits/${id}/facts`, { facts: [said('medicine:lymecycline')] })
    expect((await planOf(id)).stops.join()).toContain('light-sensitising')
    expect((await owner.ask('DELETE', '/api/known/lymecycline')).body.code).toBe('in_use')
    await owner.ask('POST', `/api/visits/${id}/facts`, {
      facts: [said('medicine:lymecycline', 'no')],
    })
    expect((await owner.ask('DELETE', '/api/known/lymecycline')).status).toBe(204)
  })
})
