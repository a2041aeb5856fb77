import { anneke, desk, owner, tamsin } from './people'
import { describe, expect, test } from 'vitest'
import type { Batch } from '#core/catalog'
import { withDatabase, type Person } from './http'
import { newId, product, one, shelf, batch } from './shelf'

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
