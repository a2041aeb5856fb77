import { describe, expect, test } from 'vitest'
import type { FittedPlan } from '#core/adapt'
import { ASSISTANT, book, clientNamed, DESK, OWNER, signedIn } from './http'
import { owner } from './people'

interface Library {
  readonly cards: { readonly protocolId: string; readonly steps: unknown[] }[]
  readonly shelf: { readonly products: unknown[] }
  readonly prices: Record<string, number>
  readonly currency: string
}
interface Problem {
  readonly code: string
  readonly path?: string
}
const day = async () => {
  const { body } = await owner.ask<{
    today: string
    choices: Record<'practitioners', { id: string; name: string }[]>
  }>('GET', '/api/day')
  return body
}
const visitAt = async (id: string) =>
  (
    await owner.ask<{
      input: { protocol: { protocolId: string }; overrides: unknown[]; fit?: unknown }
      visit: { stage: string }
    }>('GET', `/api/visits/${id}`)
  ).body

describe('the cards that can be compared', () => {
  test('every card that can be booked, whole, with the shelf they need and their prices', async () => {
    const { body, status } = await owner.ask<Library>('GET', '/api/cards')
    expect(status).toBe(200)
    expect(body.cards.length).toBeGreaterThanOrEqual(24)
    expect(body.cards.every(({ steps }) => steps.length > 0)).toBe(true)
    expect(body.shelf.products.length).toBeGreaterThan(40)
    expect(Object.values(body.prices).every(Number.isInteger)).toBe(true)
  })
  test('not for the front desk: what suits a client tells of their health', async () => {
    const desk = await signedIn(DESK)
    expect((await desk.ask('GET', '/api/cards')).status).toBe(403)
    const { today, choices } = await day()
    const seat = { practitionerId: choices.practitioners[0]!.id, slotMinutes: 60 }
    const known = { ...seat, clientId: await clientNamed(desk), date: today, time: '16:00' }
    expect((await desk.ask('POST', '/api/cards/booking', known)).status).toBe(403)
    const cameIn = { ...seat, bornOn: '1991-03-04' }
    expect((await desk.ask('POST', '/api/cards/booking', cameIn)).status).toBe(200)
  })
})

describe('for a booking', () => {
  test('what is known of the client, and nothing of the day', async () => {
    const { today, choices } = await day()
    const seat = {
      clientId: await clientNamed(owner),
      practitionerId: choices.practitioners[0]!.id,
      date: today,
      time: '16:00',
      slotMinutes: 60,
    }
    const { body, status } = await owner.ask<{
      input: { slotMinutes: number; client: { facts: { code: string; answer: string }[] } }
      cards: unknown[]
    }>('POST', '/api/cards/booking', seat)
    expect(status).toBe(200)
    expect(body.input.slotMinutes).toBe(60)
    expect(body.input.client.facts.filter(({ code }) => code === 'infection').at(-1)!.answer).toBe(
      'no',
    )
  })
  test('of somebody who has just come in nothing is known: as if every answer were no, nothing loosened', async () => {
    const { choices } = await day()
    const seat = { practitionerId: choices.practitioners[0]!.id, slotMinutes: 45 }
    const { body } = await owner.ask<{
      input: {
        client: { bornOn: string; facts: { code: string; answer: string }[] }
        history: unknown[]
      }
    }>('POST', '/api/cards/booking', { ...seat, bornOn: '1991-03-04' })
    const { client, history } = body.input
    expect([client.bornOn, history]).toEqual(['1991-03-04', []])
    expect(new Set(client.facts.map(({ answer }) => answer))).toEqual(new Set(['no']))
    const codes = client.facts.map(({ code }) => code)
    expect(codes).toEqual(expect.arrayContaining(['infection', 'pregnancy', 'allergy:any']))
    expect(codes).not.toContain('guardian-consent')
  })
  test('a client who is not there is said', async () => {
    const { today, choices } = await day()
    const { body, status } = await owner.ask<Problem>('POST', '/api/cards/booking', {
      clientId: '00000000-0000-4000-8000-000000000009',
      practitionerId: choices.practitioners[0]!.id,
      date: today,
      time: '16:00',
      slotMinutes: 60,
    })
    expect([status, body.code, body.path]).toEqual([404, 'no_client', 'clientId'])
  })
})

describe('another card for a visit', () => {
  test('is taken, and what was decided about the steps of the old one goes with it', async () => {
    const id = await book(await signedIn(OWNER), 'Theo Lindqvist')
    await owner.ask('PUT', `/api/visits/${id}/fit`, {
      mustStay: ['enzyme'],
      grow: true,
      slotMinutes: 75,
    })
    const { status } = await owner.ask('PUT', `/api/visits/${id}/card`, { protocolId: 'hydrating' })
    expect(status).toBe(204)
    const { input } = await visitAt(id)
    expect(input.protocol.protocolId).toBe('hydrating')
    expect(input.fit).toEqual({ mustStay: [], grow: false, slotMinutes: 75 })
    const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)
    expect(body.plan.protocolVersionId).toContain('hydrating')
  })
  test('one that is not there, and somebody who may not', async () => {
    const id = await book(await signedIn(OWNER), 'Theo Lindqvist')
    const { body, status } = await owner.ask<Problem>('PUT', `/api/visits/${id}/card`, {
      protocolId: 'nothing',
    })
    expect([status, body.code]).toEqual([404, 'no_protocol'])
    const assistant = await signedIn(ASSISTANT)
    expect(
      (await assistant.ask('PUT', `/api/visits/${id}/card`, { protocolId: 'hydrating' })).status,
    ).toBe(403)
  })
})
