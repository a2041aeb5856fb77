import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { FittedPlan } from '#core/adapt'
import { ALL_NO } from '../situations'
import { book, dayOf, withDatabase } from './http'
import { owner, tamsin } from './people'
import { event } from './signed'

// "Not this one": what was refused in a visit is kept with the client; taken back it is not, and what was known before stays.

interface Opened {
  readonly input: {
    readonly client: {
      readonly memories: readonly { productId: string; on: string; note?: string }[]
    }
  }
}
const memoriesOf = async (id: string) =>
  (await owner.ask<Opened>('GET', `/api/visits/${id}`)).body.input.client.memories
const BEFORE = { productId: 'rose-toner', memory: 'refused', on: '2026-03-01', note: 'Scent' }

async function somebody() {
  const client = { id: randomUUID(), name: `Invented ${randomUUID().slice(0, 8)}` }
  await withDatabase(async (db) => {
    await db.query(
      `INSERT INTO client (id, salon_id, name, born_on) VALUES ($1, current_salon(), $2, '1985-06-15')`,
      [client.id, client.name],
    )
    await db.query(
      `INSERT INTO product_memory (client_id, product_id, memory, since, note) VALUES ($1, $2, 'refused', $3, $4)`,
      [client.id, BEFORE.productId, BEFORE.on, BEFORE.note],
    )
  })
  const id = await book(owner, client.name)
  const askedOn = await dayOf(owner, id)
  const facts = ALL_NO.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn } }))
  await owner.ask('POST', `/api/visits/${id}/facts`, { facts })
  const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)
  const step = body.plan.steps.find(({ product }) => product?.productId.includes('enzyme'))!
  return { name: client.name, id, stepId: step.id, productId: step.product!.productId }
}
const say = (id: string, events: unknown[], who = owner) =>
  who.ask<{ path?: string }>('POST', `/api/visits/${id}/events`, { events })

describe('a product refused in a visit', () => {
  test('is kept with why, and falls out of the next visit; taken back it is forgotten, an older one is not', async () => {
    const { name, id, stepId, productId } = await somebody()
    const of = (product: string, n: number) =>
      event({ type: 'refused', stepId, productId: product, why: 'Smell' }, n)
    const refusals = [of(productId, 1), of(BEFORE.productId, 2), of('none-of-ours', 3)]
    expect((await say(id, [event({ type: 'start' }), ...refusals])).status).toBe(200)
    const kept = await memoriesOf(id)
    expect(kept).toContainEqual(BEFORE)
    expect(kept).toContainEqual(expect.objectContaining({ productId, note: 'Smell' }))
    expect(kept).toHaveLength(2)

    const next = await book(owner, name, 'brightening', 7)
    const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${next}/plan`)
    const used = body.plan.steps.flatMap(({ product }) => product?.productId ?? [])
    expect(used).not.toContain(productId)
    expect(
      body.plan.changes.find((change) => change.stepId === stepId)?.why.map(({ ruleId }) => ruleId),
    ).toContain('B02')

    const back = refusals.map(({ id: eventId }, n) => event({ type: 'retract', eventId }, 4 + n))
    await say(id, back)
    expect(await memoriesOf(id)).toEqual([BEFORE])
  })
  test('is for a practitioner to say: an assistant’s waits on the tablet', async () => {
    const { id, stepId, productId } = await somebody()
    const told = await say(
      id,
      [event({ type: 'refused', stepId, productId, why: 'Smell' })],
      tamsin,
    )
    expect(told.status).toBe(403)
    expect(told.body.path).toBe('events.0')
    expect(await memoriesOf(id)).toEqual([BEFORE])
  })
})
