import { parse } from 'csv-parse/sync'
import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { make } from '../../demo/shelf/make'
import { readShelfCsv, shelfCsv, type ShelfRow } from '#core/csv'
import { NO_PREP, type FittedPlan } from '#core/adapt'
import type { Batch, Listed, Product } from '#core/catalog'
import type { VisitUse } from '../../server/db/use.sql'
import { ALL_NO } from '../situations'
import {
  ASSISTANT,
  BASE,
  book,
  DESK,
  OWNER,
  PRACTITIONER,
  signedIn,
  withDatabase,
  type Person,
} from './http'

let anneke: Person
let owner: Person
let tamsin: Person
let desk: Person
beforeAll(async () => {
  ;[anneke, owner, tamsin, desk] = (await Promise.all([
    signedIn(PRACTITIONER),
    signedIn(OWNER),
    signedIn(ASSISTANT),
    signedIn(DESK),
  ])) as [Person, Person, Person, Person]
})

const newId = (word: string) => `${word}-${randomUUID().slice(0, 8)}`
const product = (id: string, more: Partial<Product> = {}): Product =>
  make({ id, name: `Product ${id}`, kind: 'gel', uses: [], stock: 0, ...more })
const one = (id: string) =>
  anneke.ask<{ product: Product; batches: Batch[]; changedAt: string }>(
    'GET',
    `/api/shelf/products/${id}`,
  )
const shelf = async () =>
  (await anneke.ask<{ products: Listed[]; today: string }>('GET', '/api/shelf')).body
const batch = (id: string, left: number, more: Partial<Batch> = {}): Batch => ({
  id,
  lot: id.toUpperCase(),
  receivedOn: '2026-01-02',
  left,
  ...more,
})

describe('products', () => {
  test('are put on the shelf, changed, and refused when somebody was quicker', async () => {
    const id = newId('gel')
    const made = await anneke.ask<{ changedAt: string }>('PUT', `/api/shelf/products/${id}`, {
      product: product(id),
    })
    expect(made.status).toBe(200)
    const changed = await anneke.ask<{ changedAt: string }>('PUT', `/api/shelf/products/${id}`, {
      product: product(id, { pH: 5 }),
      seenAt: made.body.changedAt,
    })
    expect(changed.status).toBe(200)
    expect((await one(id)).body).toMatchObject({
      product: { pH: 5 },
      changedAt: changed.body.changedAt,
    })
    const late = await owner.ask('PUT', `/api/shelf/products/${id}`, {
      product: product(id, { pH: 9 }),
      seenAt: made.body.changedAt,
    })
    expect([late.status, late.body.code]).toEqual([409, 'changed_meanwhile'])
    expect((await one(id)).body.product.pH).toBe(5)
    expect(
      (await anneke.ask('PUT', `/api/shelf/products/${id}`, { product: product(id) })).body.code,
    ).toBe('taken')
  })
  test('a bad field is named; another id, a strange id and a part that is nowhere are refused', async () => {
    const id = newId('gel')
    const bad = await anneke.ask('PUT', `/api/shelf/products/${id}`, {
      product: { ...product(id), pH: 20 },
    })
    expect([bad.status, bad.body.path]).toEqual([400, 'product.pH'])
    expect(
      (await anneke.ask('PUT', `/api/shelf/products/${id}`, { product: product('other') })).body
        .code,
    ).toBe('other_id')
    expect(
      (await anneke.ask('PUT', '/api/shelf/products/Not%20An%20Id', { product: product('x') })).body
        .code,
    ).toBe('bad_id')
    const mix = (parts: string[]) =>
      product(id, {
        kind: 'mask',
        recipe: { by: 'mass', parts: parts.map((productId) => ({ productId, parts: 1 })) },
      })
    expect(
      (
        await anneke.ask('PUT', `/api/shelf/products/${id}`, {
          product: mix(['oat-mask', 'nobody']),
        })
      ).body.code,
    ).toBe('no_part')
    expect(
      (
        await anneke.ask('PUT', `/api/shelf/products/${id}`, {
          product: mix(['oat-mask', 'oat-cocktail']),
        })
      ).body.code,
    ).toBe('mix_in_mix')
    expect((await anneke.ask('GET', `/api/shelf/products/${id}`)).status).toBe(404)
  })
  test('a house mix keeps its own properties apart from those of its parts', async () => {
    const id = newId('mix')
    await anneke.ask('PUT', `/api/shelf/products/${id}`, {
      product: product(id, {
        kind: 'mask',
        properties: ['calming'],
        recipe: {
          by: 'mass',
          parts: [
            { productId: 'oat-mask', parts: 9 },
            { productId: 'glycolic-peel', parts: 1 },
          ],
        },
      }),
    })
    expect((await one(id)).body.product.properties).toEqual(['calming'])
    const line = (await shelf()).products.find((row) => row.id === id)!
    expect([line.isMix, line.actives]).toEqual([true, [{ name: 'glycolic', percent: 2.5 }]])
  })
  test('who may: the desk looks, the assistant writes, rates are the owner’s', async () => {
    const id = newId('gel')
    expect((await desk.ask('GET', '/api/shelf')).status).toBe(200)
    expect(
      (await desk.ask('PUT', `/api/shelf/products/${id}`, { product: product(id) })).status,
    ).toBe(403)
    expect(
      (await tamsin.ask('PUT', `/api/shelf/products/${id}`, { product: product(id) })).status,
    ).toBe(200)
    expect(
      (await tamsin.ask('PUT', `/api/shelf/products/${id}/archived`, { archived: true })).status,
    ).toBe(204)
    expect((await shelf()).products.find((row) => row.id === id)!.archived).toBe(true)
    const rates = {
      practitionerPerHourMinor: 2600,
      roomPerHourMinor: 900,
      marginPercent: 35,
      turnoverMinutes: 10,
    }
    expect((await anneke.ask('PUT', '/api/shelf/rates', rates)).status).toBe(403)
    expect((await owner.ask('PUT', '/api/shelf/rates', rates)).status).toBe(204)
    expect(
      (
        await tamsin.ask('PUT', '/api/shelf/prices', {
          kind: 'add-on',
          ref: 'x',
          priceMinor: 1,
          goingMinor: null,
        })
      ).status,
    ).toBe(403)
    expect(
      (await new (owner.constructor as new () => Person)().ask('GET', '/api/shelf')).status,
    ).toBe(401)
  })
})

describe('batches', () => {
  test('are received, opened, counted and thrown away; every change of amount keeps its reason and cannot be rewritten', async () => {
    const id = newId('gel')
    const b = newId('b')
    await anneke.ask('PUT', `/api/shelf/products/${id}`, {
      product: product(id, { afterOpeningMonths: 6 }),
    })
    const put = (row: Batch, reason: string) =>
      tamsin.ask('PUT', `/api/shelf/batches/${row.id}`, { productId: id, batch: row, reason })
    expect((await put(batch(b, 200), 'received')).status).toBe(204)
    expect((await put(batch(b, 150, { openedOn: '2026-10-01' }), 'count')).status).toBe(204)
    expect((await shelf()).products.find((row) => row.id === id)).toMatchObject({
      stock: 150,
      state: 'good',
      lot: b.toUpperCase(),
      until: '2027-04-01',
    })
    expect((await put(batch(b, 0, { openedOn: '2026-10-01' }), 'discarded')).status).toBe(204)
    expect((await shelf()).products.find((row) => row.id === id)!.state).toBe('out')
    expect((await put(batch(b, 1, { openedOn: '2025-12-31' }), 'count')).body.path).toBe(
      'batch.openedOn',
    )
    await withDatabase(async (db) => {
      const { rows } = await db.query<{ amount: string; reason: string }>(
        'SELECT amount, reason FROM stock_move WHERE batch_id = $1 ORDER BY at',
        [b],
      )
      expect(rows.map((row) => [Number(row.amount), row.reason])).toEqual([
        [200, 'received'],
        [-50, 'count'],
        [-150, 'discarded'],
      ])
      await expect(
        db.query('UPDATE stock_move SET amount = 0 WHERE batch_id = $1', [b]),
      ).rejects.toThrow(/kept as it was written/)
    })
    const other = newId('gel')
    await anneke.ask('PUT', `/api/shelf/products/${other}`, { product: product(other) })
    expect(
      (
        await anneke.ask('PUT', `/api/shelf/batches/${b}`, {
          productId: other,
          batch: batch(b, 5),
          reason: 'count',
        })
      ).body.code,
    ).toBe('other_product')
  })
})

interface Fitted {
  plan: FittedPlan
}
async function fittedVisit(protocol: string): Promise<string> {
  const client = `Invented ${randomUUID().slice(0, 8)}`
  await withDatabase((db) =>
    db.query(
      `INSERT INTO client (id, salon_id, name, born_on, concerns)
        SELECT gen_random_uuid(), id, $1, '1985-06-15', '{hydrate,calm}'
        FROM salon`,
      [client],
    ),
  )
  const id = await book(owner, client, protocol)
  const { today } = await shelf()
  await owner.ask('POST', `/api/visits/${id}/facts`, {
    facts: ALL_NO.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn: today } })),
  })
  await owner.ask('PUT', `/api/visits/${id}/reading`, {
    id: randomUUID(),
    reading: { done: true, findings: [], lesions: [], meters: [] },
  })
  await owner.ask('POST', `/api/visits/${id}/plan`)
  return id
}
const visitOf = async (id: string) =>
  (
    await owner.ask<{ plan: Fitted; used: VisitUse[]; input: { prep?: unknown } }>(
      'GET',
      `/api/visits/${id}`,
    )
  ).body

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
    const gauze = async () =>
      (
        await anneke.ask<{ supplies: { id: string; stock: number }[] }>('GET', '/api/shelf')
      ).body.supplies.find((supply) => supply.id === 'gauze')!.stock
    const gauzeBefore = await gauze()
    const before = (await one(kit)).body.batches
    const left = (rows: Batch[]) => rows.reduce((sum, row) => sum + row.left, 0)
    const open = before.find((row) => row.openedOn)!
    const signed = await owner.ask('POST', `/api/visits/${id}/close`, {
      answer: null,
      note: '',
      used: [
        { productId: kit, amount: open.left + 5 },
        { productId: 'clover-drops', amount: 1.5 },
      ],
    })
    expect(signed.status).toBe(204)
    expect(gauzeBefore - (await gauze())).toBe(
      (await visitOf(id)).plan.plan.tray
        .filter((item) => item.supply?.id === 'gauze')
        .reduce((sum, item) => sum + item.supply!.count, 0),
    )
    const after = (await one(kit)).body.batches
    expect(left(before) - left(after)).toBeCloseTo(open.left + 5, 6)
    expect(after.find((row) => row.id === open.id)!.left).toBe(0)
    expect(after.every((row) => row.id === open.id || row.openedOn !== undefined)).toBe(true)
    const { used } = await visitOf(id)
    expect(used.filter((use) => use.productId === kit).map((use) => [use.lot, use.amount])).toEqual(
      expect.arrayContaining([
        [open.lot, open.left],
        [before.find((row) => row.id !== open.id)!.lot, 5],
      ]),
    )
    expect(used.find((use) => use.productId === 'clover-drops')).toMatchObject({
      lot: 'not counted',
      amount: 1.5,
    })
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/close`, {
          answer: null,
          note: '',
          used: [{ productId: 'nobody', amount: 1 }],
        })
      ).body.code,
    ).toBe('no_product')
    expect(
      (await owner.ask('POST', `/api/visits/${id}/close`, { answer: null, note: '' })).status,
    ).toBe(409)
    expect(left((await one(kit)).body.batches)).toBe(left(after))
    await withDatabase((db) =>
      expect(db.query('DELETE FROM visit_use WHERE visit_id = $1', [id])).rejects.toThrow(
        /kept as it was written/,
      ),
    )
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

describe('files', () => {
  const csv = async () =>
    (await fetch(`${BASE}/api/shelf/file`, { headers: anneke.headers() })).text()
  const send = async (rows: readonly ShelfRow[], count = rows.length) => {
    const {
      body: { id },
    } = await anneke.ask<{ id: string }>('POST', '/api/shelf/imports')
    for (let from = 0; from < rows.length; from += 500)
      expect(
        (
          await anneke.ask('PUT', `/api/shelf/imports/${id}/rows`, {
            from,
            rows: rows.slice(from, from + 500),
          })
        ).status,
      ).toBe(204)
    return anneke.ask<{ added: number; changed: number; code: string }>(
      'POST',
      `/api/shelf/imports/${id}`,
      { count },
    )
  }
  const setting = { minorDigits: 2, today: '2026-11-25' }

  test('the shelf as a file reads in a reference parser, and taken in again changes nothing', async () => {
    const text = await csv()
    const table = parse(text, { columns: true }) as Record<string, string>[]
    expect(table.map((row) => row.id)).toContain('oat-cleanser')
    const before = (await one('oat-cleanser')).body
    const { rows, faults } = readShelfCsv(text, setting)
    expect(faults).toEqual([])
    expect((await send(rows.filter((row) => row.product.id === 'oat-cleanser'))).body).toEqual({
      added: 0,
      changed: 1,
    })
    const after = (await one('oat-cleanser')).body
    expect(after.product).toEqual(before.product)
    expect(after.batches).toEqual(before.batches)
  })
  test('all of a file or nothing: rows that are missing, a mix, an id twice sent', async () => {
    const ids = [newId('row'), newId('row')]
    const rows = readShelfCsv(
      shelfCsv(
        ids.map((id) => ({ product: product(id), batch: batch(`${id}-b`, 3) })),
        2,
      ),
      setting,
    ).rows
    expect((await send(rows, 3)).body.code).toBe('rows_missing')
    expect((await anneke.ask('GET', `/api/shelf/products/${ids[0]}`)).status).toBe(404)
    const mix: ShelfRow = { product: product('oat-cocktail'), columns: ['name', 'kind'] }
    expect((await send([...rows, mix])).body.code).toBe('mix')
    expect((await anneke.ask('GET', `/api/shelf/products/${ids[1]}`)).status).toBe(404)
    expect((await send(rows)).body).toEqual({ added: 2, changed: 0 })
    expect((await one(ids[0]!)).body.batches[0]!.left).toBe(3)
    expect(
      (await anneke.ask('POST', `/api/shelf/imports/${randomUUID()}`, { count: 1 })).body.code,
    ).toBe('no_import')
  })
})
