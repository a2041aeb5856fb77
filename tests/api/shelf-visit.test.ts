import { anneke, desk, owner, tamsin } from './people'
import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { NO_PREP, type FittedPlan } from '#core/adapt'
import type { Batch } from '#core/catalog'
import { withDatabase } from './http'
import { one, shelf, fittedVisit, visitOf, type Fitted } from './shelf'

/** Started at eight and over a minute later. */
async function perform(id: string) {
  const wall = Date.parse(`${(await shelf()).today}T08:00:00Z`)
  const event = (seq: number, body: object) => ({
    id: randomUUID(),
    deviceId: 'test',
    seq,
    wallMs: wall + seq * 60_000,
    elapsedMs: seq * 60_000,
    body,
  })
  await owner.ask('POST', `/api/visits/${id}/events`, {
    events: [event(0, { type: 'start' }), event(1, { type: 'finish' })],
  })
}
/** What is not on the shelf was not used: the refused signature takes nothing. */
async function refusesUnknownGoods(id: string) {
  const used = [{ productId: 'nobody', amount: 1 }]
  const reply = await owner.ask('POST', `/api/visits/${id}/close`, { answer: null, note: '', used })
  expect([reply.status, reply.body.code]).toEqual([400, 'no_product'])
}
/** Six hands on the same button: one signature, so that the goods go once. */
async function signSixTimesAtOnce(id: string, used: object[]) {
  const signed = await Promise.all(
    Array.from({ length: 6 }, () =>
      owner.ask('POST', `/api/visits/${id}/close`, { answer: null, note: '', used }),
    ),
  )
  expect(signed.map(({ status }) => status).sort()).toEqual([204, 409, 409, 409, 409, 409])
}
/** A signed visit takes no other signature, however many come at once, and its record no change. */
async function refusesAnotherSignature(id: string) {
  const again = await Promise.all(
    Array.from({ length: 6 }, () =>
      owner.ask('POST', `/api/visits/${id}/close`, { answer: null, note: '' }),
    ),
  )
  expect(again.map(({ status, body }) => [status, body.code])).toEqual(
    again.map(() => [409, 'locked']),
  )
  await withDatabase((db) =>
    expect(db.query('DELETE FROM visit_use WHERE visit_id = $1', [id])).rejects.toThrow(
      /kept as it was written/,
    ),
  )
}

describe('a visit and the shelf', () => {
  test('a booster that is out is replaced in its mix, and the server fits again under the same rules', async () => {
    const id = await fittedVisit('mixed-bowl')
    const bowl = (plan: FittedPlan) =>
      plan.steps.find((step) => step.id === 'bowl')!.product!.productId
    const before = (await visitOf(id)).plan.plan
    expect(bowl(before)).toBe('oat-cocktail')
    expect(before.changes.find((change) => change.stepId === 'bowl')!.why[0]!.reason).toBe(
      'Meadow Cocktail Mask is out.',
    )
    const prep = {
      ...NO_PREP,
      partStandIns: { 'meadow-cocktail': { 'clover-drops': 'panthenol-drops' } },
    }
    const { status, body } = await tamsin.ask<{ plan: Fitted }>(
      'PUT',
      `/api/visits/${id}/prep`,
      prep,
    )
    expect([status, bowl(body.plan.plan)]).toEqual([200, 'meadow-cocktail'])
    expect((await visitOf(id)).input.prep).toEqual(prep)
    const bad = await tamsin.ask('PUT', `/api/visits/${id}/prep`, { ...prep, size: 'XL' })
    expect([bad.status, bad.body.path]).toEqual([400, 'size'])
  })
  test('signing takes what was used off its batches, with the lots on the record; twice is once', async () => {
    const [id, kit] = [await fittedVisit('mixed-bowl'), 'oat-mask']
    await perform(id)
    const gauze = async () =>
      (
        await anneke.ask<{ supplies: { id: string; stock: number }[] }>('GET', '/api/shelf')
      ).body.supplies.find((supply) => supply.id === 'gauze')!.stock
    const gauzeBefore = await gauze()
    const before = (await one(kit)).body.batches
    const left = (rows: Batch[]) => rows.reduce((sum, row) => sum + row.left, 0)
    const open = before.find((row) => row.openedOn)!
    await refusesUnknownGoods(id)
    const used = [
      { productId: kit, amount: open.left + 5 },
      { productId: 'clover-drops', amount: 1.5 },
    ]
    await signSixTimesAtOnce(id, used)
    expect(gauzeBefore - (await gauze())).toBe(
      (await visitOf(id)).plan.plan.tray
        .filter((item) => item.supply?.id === 'gauze')
        .reduce((sum, item) => sum + item.supply!.count, 0),
    )
    const after = (await one(kit)).body.batches
    expect(left(before) - left(after)).toBeCloseTo(open.left + 5, 6)
    expect(after.find((row) => row.id === open.id)!.left).toBe(0)
    expect(after.every((row) => row.id === open.id || row.openedOn !== undefined)).toBe(true)
    const { used: taken } = await visitOf(id)
    expect(
      taken.filter((use) => use.productId === kit).map((use) => [use.lot, use.amount]),
    ).toEqual(
      expect.arrayContaining([
        [open.lot, open.left],
        [before.find((row) => row.id !== open.id)!.lot, 5],
      ]),
    )
    expect(taken.find((use) => use.productId === 'clover-drops')).toMatchObject({
      lot: 'not counted',
      amount: 1.5,
    })
    await refusesAnotherSignature(id)
    expect(left((await one(kit)).body.batches)).toBe(left(after))
    // The opened pack goes back, so that other tests find the shelf full.
    await owner.ask('PUT', `/api/shelf/batches/${open.id}`, {
      productId: kit,
      batch: open,
      reason: 'count',
    })
  })
  test('a kit is opened once a visit; what the visit does not use goes home', async () => {
    const id = await fittedVisit('kit')
    const opened = await tamsin.ask<{
      openings: { kitId: string; rest: { productId: string; amount: number }[] }[]
    }>('POST', `/api/visits/${id}/kits`, { id: randomUUID(), kitId: 'clear-start-kit' })
    expect(opened.status).toBe(201)
    expect(opened.body.openings[0]!.rest.map((rest) => rest.productId)).toContain('sorrel-spot')
    expect(
      (
        await tamsin.ask('POST', `/api/visits/${id}/kits`, {
          id: randomUUID(),
          kitId: 'clear-start-kit',
        })
      ).status,
    ).toBe(409)
    expect(
      (await tamsin.ask('POST', `/api/visits/${id}/kits`, { id: randomUUID(), kitId: 'nothing' }))
        .body.code,
    ).toBe('no_kit')
  })
  test('the booked weeks: what runs out, and what to order', async () => {
    const { body } = await desk.ask<{
      visits: number
      products: { productId: string; booked: number; short: number }[]
      orders: { productId: string; packs: number }[]
    }>('GET', '/api/shelf/forecast?weeks=8')
    expect(body.visits).toBeGreaterThan(10)
    expect(body.orders.map((line) => line.productId)).toEqual(
      expect.arrayContaining(
        body.products.filter((row) => row.short > 0).map((row) => row.productId),
      ),
    )
    expect((await desk.ask('GET', '/api/shelf/forecast?weeks=0')).status).toBe(400)
  })
  test('prices: every published card costs something to perform; the assistant sees them, the desk does not', async () => {
    const { body } = await tamsin.ask<
      { kind: string; ref: string; costMinor: number; goodsMinor: number }[]
    >('GET', '/api/shelf/prices')
    expect(body.filter((row) => row.kind === 'protocol').length).toBeGreaterThanOrEqual(24)
    for (const row of body.filter((one) => one.kind === 'protocol'))
      expect(row.costMinor).toBeGreaterThan(row.goodsMinor)
    expect((await desk.ask('GET', '/api/shelf/prices')).status).toBe(403)
  })
})
