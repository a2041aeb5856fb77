import { randomUUID } from 'node:crypto'
import type pg from 'pg'
import { describe, expect, test } from 'vitest'
import { withDatabase } from './http'
import { furnishedSalon } from './other-salon'

// One client where there were two.

const salon = await furnishedSalon()
const { owner } = salon
interface Named {
  readonly id: string
  readonly name: string
}
const namesOf = async (text: string) => {
  const path = `/api/clients?find=${encodeURIComponent(text)}`
  const { body } = await owner.ask<{ clients: Named[] }>('GET', path)
  return body.clients.map(({ name }) => name)
}
async function add(name: string, bornOn = '1988-05-14') {
  const reply = await owner.ask<Named>('POST', '/api/clients', { name, bornOn })
  expect(reply.status).toBe(201)
  return reply.body.id
}
const record = (id: string) => owner.ask<Record<string, unknown>>('GET', `/api/clients/${id}`)
const merge = (kept: string, other: string) =>
  owner.ask('POST', `/api/clients/${kept}/merge`, { other })

const withSalon = <T>(work: (db: pg.Client) => Promise<T>) =>
  withDatabase(async (db) => {
    await db.query("SELECT set_config('zen.salon', $1, false)", [salon.id])
    return work(db)
  })

/** A visit of an hour at the beginning of a day. */
async function visitOf(clientId: string, roomId: string, day: string, practitionerId: string) {
  const id = randomUUID()
  await withSalon((db) =>
    db.query(
      `INSERT INTO visit (id, salon_id, client_id, room_id, practitioner_id, protocol_version_id, starts_at, ends_at, room_until)
        VALUES ($1, $2, $3, $4, $5, 'brightening-v1', $6, $6::timestamptz + interval '1 hour', $6::timestamptz + interval '70 minutes')`,
      [id, salon.id, clientId, roomId, practitionerId, day],
    ),
  )
  return id
}

describe('making one client of two', () => {
  test('moves every row, signed visits and photographs too, and leads from the one to the other', async () => {
    const [kept, gone] = [await add('Kept One', '1980-01-01'), await add('Gone One', '1980-01-01')]
    const fact = { code: 'pregnancy', answer: 'no', askedOn: '2026-01-01' }
    const facts = [{ id: randomUUID(), fact }]
    await owner.ask('POST', `/api/clients/${gone}/facts`, { facts })
    const note = { id: randomUUID(), kind: 'note', body: 'hers' }
    await owner.ask('POST', `/api/clients/${gone}/notes`, note)
    const visit = await visitOf(gone, salon.ids.rooms, '2025-05-05', salon.ids.practitioners)
    await withSalon(async (db) => {
      await db.query(
        `INSERT INTO photo (id, client_id, visit_id, view, moment, width, height, bytes)
          VALUES (gen_random_uuid(), $1, $2, 'front', 'start', 1, 1, '\\x00')`,
        [gone, visit],
      )
      await db.query(`UPDATE visit SET stage = 'closed', locked_at = now() WHERE id = $1`, [visit])
    })
    expect((await merge(kept, gone)).status).toBe(204)
    const { body } = await record(kept)
    expect((body.visits as Named[]).map(({ id }) => id)).toEqual([visit])
    expect(body.health).toMatchObject({ notes: [{ body: 'hers' }], photos: 1 })
    expect((body.health as { facts: unknown[] }).facts).toHaveLength(1)
    expect((await record(gone)).body.mergedInto).toEqual({ id: kept, name: 'Kept One' })
    expect(await namesOf('gone one')).toEqual([])
    expect((await merge(kept, gone)).body.code).toBe('not_two')
    expect((await merge(kept, kept)).body.code).toBe('not_two')
  })
  test('names every table that hangs on a client', async () => {
    const left = await withDatabase(async (db) => {
      const { rows: tables } = await db.query<{ name: string }>(
        `SELECT DISTINCT table_name::text AS name
          FROM information_schema.columns
          WHERE table_schema = 'public'
            AND column_name = 'client_id'
            AND table_name <> 'erasure'
            AND table_name IN (SELECT relname FROM pg_class WHERE relkind = 'r')`,
      )
      const { rows } = await db.query<{ body: string }>(
        `SELECT prosrc AS body FROM pg_proc WHERE proname = 'merge_clients'`,
      )
      return tables.filter(({ name }) => !rows[0]!.body.includes(` ${name} `))
    })
    expect(left).toEqual([])
  })
  test('of two who have a visit at the same time is refused, and both stay', async () => {
    const [kept, gone] = [await add('Kept Three'), await add('Gone Three')]
    const { body: room } = await owner.ask<Named>('POST', '/api/rooms', { name: 'Second room' })
    await visitOf(kept, salon.ids.rooms, '2031-05-05', salon.ids.practitioners)
    await visitOf(gone, room.id, '2031-05-05', salon.ids.practitioners)
    const reply = await merge(kept, gone)
    expect([reply.status, reply.body.code]).toEqual([409, 'client_taken'])
    expect(await namesOf('gone three')).toEqual(['Gone Three'])
  })
  test('of another salon, or by somebody who is no owner, is refused', async () => {
    const other = await furnishedSalon()
    const kept = await add('Kept Four')
    expect((await merge(kept, other.ids.clients)).body.code).toBe('not_two')
    expect(
      (await other.owner.ask('POST', `/api/clients/${kept}/merge`, { other: kept })).status,
    ).toBe(404)
  })
})
