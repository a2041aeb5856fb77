import { anneke } from './people'
import { parse } from 'csv-parse/sync'
import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { readShelfCsv, shelfCsv, type ShelfRow } from '#core/csv'
import { BASE } from './http'
import { newId, product, one, batch } from './shelf'

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
