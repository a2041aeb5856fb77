import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020'
import { strFromU8, unzipSync } from 'fflate'
import type pg from 'pg'
import { beforeAll, describe, expect, test } from 'vitest'
import { BASE, book, withDatabase } from './http'
import { anneke, owner } from './people'
import { CALM, signed } from './signed'

// What a client may ask of what is kept of them.

const PASSWORD = 'quiet-tide'
const DRAWN =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M 1 1 L 9 9" stroke="black"></path></svg>'

interface Known {
  readonly id: string
  readonly name: string
  readonly visitId: string
}
let count = 0
/** A client with a visit, an answer, a note, a signature and a photograph, every text of which names them. */
async function known(): Promise<Known> {
  const name = `Fennimore Ashgrove ${++count}${randomUUID().slice(0, 6)}`
  const details = {
    name,
    bornOn: '1979-03-03',
    phone: '+000 77 31 42',
    email: `f${count}@ash.example`,
  }
  const { body } = await owner.ask<{ id: string }>('POST', '/api/clients', details)
  const visitId = await signed(name, CALM, { nextNote: `Ask ${name} how it was` })
  await owner.ask('DELETE', `/api/visits/${visitId}/next-note`)
  const uses = [
    { role: 'serum', name: `Serum of ${name}`, times: ['morning'], perWeek: 7, prescribed: false },
  ]
  const home = { id: randomUUID(), uses, kept: 'less', why: `${name} was away` }
  await owner.ask('POST', `/api/visits/${visitId}/home-told`, home)
  const note = { id: randomUUID(), kind: 'note', body: `${name} likes it quiet` }
  await owner.ask('POST', `/api/clients/${body.id}/notes`, note)
  await owner.ask('PUT', `/api/clients/${body.id}`, {
    ...details,
    phone: '+000 77 31 43',
    contact: [],
  })
  await withDatabase((db) => hangOn(db, body.id, visitId, name))
  return { id: body.id, name, visitId }
}
async function hangOn(db: pg.Client, clientId: string, visitId: string, name: string) {
  await db.query(
    `INSERT INTO health_fact (id, client_id, code, answer, asked_on, note)
      VALUES (gen_random_uuid(), $1, 'diabetes', 'yes', current_date, $2)`,
    [clientId, `told by ${name}`],
  )
  await db.query(
    `INSERT INTO consent (id, client_id, text_id, signer, relation, signed_on, signature)
      SELECT gen_random_uuid(), $1, id, $2, 'client', current_date, $3
      FROM consent_text
      WHERE kind = 'treatment' AND salon_id = current_salon()
      LIMIT 1`,
    [clientId, name, DRAWN],
  )
  await db.query('ALTER TABLE photo DISABLE TRIGGER photo_of_open_visit')
  await db.query(
    `INSERT INTO photo (id, client_id, visit_id, view, moment, width, height, bytes)
      VALUES (gen_random_uuid(), $1, $2, 'front', 'start', 1, 1, $3)`,
    [clientId, visitId, Buffer.from([0xff, 0xd8, 0xff, 1, 2, 3])],
  )
  await db.query('ALTER TABLE photo ENABLE TRIGGER photo_of_open_visit')
}

/** Tables in which a text stands in any row, in any column. */
const tablesNaming = (text: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ name: string }>(
      `SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r'`,
    )
    const found: string[] = []
    for (const { name } of rows) {
      const { rowCount } = await db.query(`SELECT FROM ${name} x WHERE x::text ILIKE $1 LIMIT 1`, [
        `%${text}%`,
      ])
      if (rowCount) found.push(name)
    }
    return found.toSorted()
  })

describe('erasing a client', () => {
  let client: Known
  const erase = (id: string, more: object = {}) =>
    owner.ask<{ photos: number; calledOff: number; code: string; path?: string }>(
      'POST',
      `/api/clients/${id}/erasure`,
      { why: 'asked', password: PASSWORD, ...more },
    )
  beforeAll(async () => {
    client = await known()
  })
  test('asks the password, and is the owner’s', async () => {
    expect((await erase(client.id, { password: 'wrong' })).body.path).toBe('password')
    const path = `/api/clients/${client.id}/erasure`
    expect((await anneke.ask('POST', path, { why: 'asked', password: PASSWORD })).status).toBe(403)
  })
  test('leaves no row that names them; what counts without a name stays', async () => {
    const soon = await book(owner, client.name, 'brightening', 40)
    const before = await tablesNaming(client.name)
    expect(before).toEqual(
      expect.arrayContaining(['client', 'client_note', 'client_was', 'consent', 'health_fact']),
    )
    const { status, body } = await erase(client.id)
    expect([status, body.photos, body.calledOff]).toEqual([200, 1, 1])
    for (const text of [client.name, '77 31 4', 'ash.example'])
      expect([text, await tablesNaming(text)]).toEqual([text, []])
    const left = await withDatabase(async (db) => {
      const { rows } = await db.query<Record<string, unknown>>(
        `SELECT
            (SELECT count(*)::int FROM photo WHERE client_id = $1) AS photos,
            (SELECT count(*)::int FROM fitted_plan WHERE visit_id = $2) AS plans,
            (SELECT count(*)::int FROM run_event WHERE visit_id = $2) AS events,
            (SELECT planned_s > 0 AND answer IS NULL AND leaving IS NULL AND note = '' AND next_note = '' FROM outcome WHERE visit_id = $2) AS counts,
            (SELECT count(*)::int > 0 FROM visit_use WHERE visit_id = $2) AS used,
            (SELECT stage FROM visit WHERE id = $3) AS later,
            (SELECT count(*)::int FROM audit WHERE subject_id = $1::text AND action = 'client.erase') AS log`,
        [client.id, client.visitId, soon],
      )
      return rows[0]
    })
    const none = { photos: 0, plans: 0, events: 0 }
    expect(left).toEqual({ ...none, counts: true, used: true, later: 'called-off', log: 1 })
  })
  test('is once for all: nobody finds or opens them, and nothing is made one with them', async () => {
    const gone = await owner.ask('GET', `/api/clients/${client.id}`)
    expect([gone.status, gone.body.detail]).toEqual([404, expect.stringContaining('erased')])
    expect((await erase(client.id)).status).toBe(404)
    const { body } = await owner.ask<{ clients: object[] }>('GET', '/api/clients?find=Erased')
    expect(body.clients).toEqual([])
    const other = await known()
    const merged = await owner.ask('POST', `/api/clients/${other.id}/merge`, { other: client.id })
    expect(merged.body.code).toBe('not_two')
  })
  test('takes along whoever was made one with them', async () => {
    const [kept, gone] = [await known(), await known()]
    await owner.ask('POST', `/api/clients/${kept.id}/merge`, { other: gone.id })
    // Who leads to another has nothing of their own: it is said, and the log does not claim that they were erased.
    const alone = await erase(gone.id)
    expect([alone.status, alone.body.code]).toEqual([409, 'not_two'])
    const { rows } = await withDatabase((db) =>
      db.query(`SELECT FROM audit WHERE action = 'client.erase' AND subject_id = $1`, [gone.id]),
    )
    expect(rows).toEqual([])
    await erase(kept.id)
    expect(await tablesNaming(gone.name)).toEqual([])
  })
  test('every table that holds a client or a visit is thought of', async () => {
    const [{ body }] = (await withDatabase(async (db) => {
      const asked = `SELECT pg_get_functiondef('erase_client(uuid, uuid, text)'::regprocedure) AS body`
      return (await db.query<{ body: string }>(asked)).rows
    })) as [{ body: string }]
    const { rows } = await withDatabase((db) =>
      db.query<{ name: string }>(
        `SELECT DISTINCT c.table_name AS name FROM information_schema.columns c JOIN pg_class k ON k.relname = c.table_name AND k.relkind = 'r'
          WHERE c.table_schema = 'public' AND c.column_name IN ('client_id', 'visit_id')`,
      ),
    )
    // Who signed is a person of the salon, and what was used and moved is counted without a name.
    const staying = ['signature_doubt', 'stock_move', 'visit_use']
    const forgotten = rows.filter(
      ({ name }) => !staying.includes(name) && !new RegExp(`\\b${name}\\b`).test(body),
    )
    expect(forgotten).toEqual([])
  })
})

test('all of a client is one archive, by its published schema, with photographs and signatures', async () => {
  const client = await known()
  const reply = await fetch(`${BASE}/api/clients/${client.id}/archive`, {
    headers: owner.headers(),
  })
  expect([reply.status, reply.headers.get('content-type')]).toEqual([200, 'application/zip'])
  const files = unzipSync(new Uint8Array(await reply.arrayBuffer()))
  const file = JSON.parse(strFromU8(files['client.json']!)) as {
    client: { name: string }
    facts: { note?: string }[]
    photos: { file: string }[]
    consents: { file: string; signer: string }[]
    visits: { id: string; plan: object | null; events: object[]; note: string }[]
  }
  const schema = JSON.parse(
    readFileSync(join(import.meta.dirname, '../../docs/formats/client.schema.json'), 'utf8'),
  ) as object
  const ajv = new Ajv2020({ strict: false, validateFormats: false })
  expect([ajv.validate(schema, file), ajv.errors]).toEqual([true, null])
  expect(file.client.name).toBe(client.name)
  expect(file.facts.some(({ note }) => note === `told by ${client.name}`)).toBe(true)
  const [photo, consent, visit] = [file.photos[0]!, file.consents[0]!, file.visits[0]!]
  expect([...files[photo.file]!]).toEqual([0xff, 0xd8, 0xff, 1, 2, 3])
  expect(strFromU8(files[consent.file]!)).toBe(DRAWN)
  expect([visit.id, visit.plan !== null, visit.events.length, visit.note]).toEqual([
    client.visitId,
    true,
    2,
    'done',
  ])
  expect((await anneke.ask('GET', `/api/clients/${client.id}/archive`)).status).toBe(403)
})

test('a record that rests is closed to everybody’s work, and open to the owner’s hand', async () => {
  const client = await known()
  const rest = (why: string | null) =>
    owner.ask('PUT', `/api/clients/${client.id}/restriction`, { why })
  expect((await rest('asked for it, until the dispute is over')).status).toBe(204)
  const shown = await owner.ask<{ name: string; health: object | null; visits: object[] }>(
    'GET',
    `/api/clients/${client.id}`,
  )
  expect(shown.body).toMatchObject({ name: client.name, health: null, visits: [], was: [] })
  for (const [method, path] of [
    ['GET', `/api/visits/${client.visitId}`],
    ['GET', `/api/clients/${client.id}/visits`],
    ['POST', `/api/clients/${client.id}/notes`],
  ] as const) {
    const { status, body } = await owner.ask(method, path)
    expect([path, status, body.code]).toEqual([path, 409, 'at_rest'])
  }
  await expect(book(owner, client.name)).rejects.toThrow('at_rest')
  const day = await owner.ask<{ choices: { practitioners: { id: string }[] } }>('GET', '/api/day')
  const weighed = await owner.ask('POST', '/api/cards/booking', {
    ...{ clientId: client.id, practitionerId: day.body.choices.practitioners[0]!.id },
    ...{ date: '2027-01-04', time: '10:00', slotMinutes: 60 },
  })
  expect([weighed.status, weighed.body.code]).toEqual([409, 'at_rest'])
  const open = await known()
  const merged = await owner.ask('POST', `/api/clients/${open.id}/merge`, { other: client.id })
  expect([merged.status, merged.body.code]).toEqual([409, 'at_rest'])
  const path = `/api/clients/${client.id}/archive`
  expect((await fetch(`${BASE}${path}`, { headers: owner.headers() })).status).toBe(200)
  expect((await rest(null)).status).toBe(204)
  expect((await owner.ask('GET', `/api/visits/${client.visitId}`)).status).toBe(200)
})

describe('what has served its time', () => {
  interface Due {
    readonly clients: { id: string; name: string; lastOn: string }[]
    readonly photos: { clientId: string; ids: string[] }[]
  }
  const due = async () => (await owner.ask<Due>('GET', '/api/retention')).body
  const choose = (recordYears: number, photoYears: number) =>
    owner.ask('PUT', '/api/settings/choices', { keep: { recordYears, photoYears } })
  test('is listed first, and goes only when it was chosen', async () => {
    const [old, fresh] = [await known(), await known()]
    await withDatabase(async (db) => {
      await db.query('ALTER TABLE visit DISABLE TRIGGER visit_locked')
      await db.query('ALTER TABLE photo DISABLE TRIGGER photo_immutable')
      await db.query(
        `UPDATE visit
          SET starts_at = starts_at - interval '12 years', ends_at = ends_at - interval '12 years', room_until = room_until - interval '12 years'
          WHERE id = $1`,
        [old.visitId],
      )
      await db.query('DELETE FROM practitioner_booking WHERE visit_id = $1', [old.visitId])
      await db.query(
        `UPDATE photo SET taken_at = taken_at - interval '4 years' WHERE client_id = $1`,
        [fresh.id],
      )
      await db.query('ALTER TABLE visit ENABLE TRIGGER visit_locked')
      await db.query('ALTER TABLE photo ENABLE TRIGGER photo_immutable')
    })
    expect((await choose(10, 3)).status).toBe(204)
    const listed = await due()
    expect(listed.clients.map(({ id }) => id)).toEqual([old.id])
    expect(listed.photos.find(({ clientId }) => clientId === fresh.id)!.ids).toHaveLength(1)
    const go = (body: object) =>
      owner.ask('POST', '/api/retention', { password: PASSWORD, ...body })
    const wrong = await go({ clients: [old.id, fresh.id], photosOf: [] })
    expect([wrong.status, wrong.body.code]).toEqual([409, 'changed_meanwhile'])
    expect(await due()).toEqual(listed)
    const gone = await go({ clients: [old.id], photosOf: [fresh.id] })
    expect(gone.body).toEqual({ clients: 1, photos: 1 })
    expect(await tablesNaming(old.name)).toEqual([])
    expect((await due()).clients).toEqual([])
    expect((await owner.ask('GET', `/api/clients/${fresh.id}`)).status).toBe(200)
    await choose(10, 10)
  })
})
