import type pg from 'pg'
import Ajv from 'ajv/dist/2020'
import { readFileSync } from 'node:fs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { FittedPlan } from '#core/adapt'
import type { ProtocolVersion, Step } from '#core/protocol'
import { ASSISTANT, book, DESK, OWNER, signedIn, withDatabase, type Person } from './http'

interface Opened {
  id: string
  name: string
  archived: boolean
  version: ProtocolVersion | null
  draft: { basedOn: number; name: string; steps: Step[]; methods: Record<string, string> } | null
}
let owner: Person
beforeAll(async () => {
  owner = await signedIn(OWNER)
})
const open = async (id: string) => (await owner.ask<Opened>('GET', `/api/protocols/${id}`)).body
const create = async (body: object) =>
  owner.ask<{ id: string; missing: string[] }>('POST', '/api/protocols', body)
const copied = async (of = 'undertow') =>
  (await create({ from: 'protocol', id: of, name: `A copy of ${of}` })).body.id

/** Another visit in another room, ten minutes after one; gives its id. */
async function bookNextDoor(db: pg.Client, id: string): Promise<string> {
  return (
    await db.query<{ id: string }>(
      `INSERT INTO visit (
          id,
          salon_id,
          client_id,
          room_id,
          practitioner_id,
          protocol_version_id,
          starts_at,
          ends_at,
          room_until,
          stage
        )
        SELECT
          gen_random_uuid(),
          v.salon_id,
          (
            SELECT id
            FROM client
            WHERE id <> v.client_id
            LIMIT 1
          ),
          (
            SELECT id
            FROM room
            WHERE id <> v.room_id
            LIMIT 1
          ),
          (
            SELECT id
            FROM practitioner
            WHERE id <> v.practitioner_id
              AND left_on IS NULL
            LIMIT 1
          ),
          v.protocol_version_id,
          v.starts_at + interval '10 minutes',
          v.ends_at + interval '10 minutes',
          v.room_until + interval '10 minutes',
          'open'
        FROM visit v
        WHERE v.id = $1
        RETURNING id`,
      [id],
    )
  ).rows[0]!.id
}
/** A visit fitted with the LED panel from its first minute to its eleventh. */
async function fitLedPanel(db: pg.Client, other: string) {
  await db.query(
    `INSERT INTO fitted_plan (id, visit_id, revision, engine, rule_book, plan)
      VALUES (gen_random_uuid(), $1, 1, 'x', 'x', $2)`,
    [
      other,
      JSON.stringify({
        steps: [{ id: 'led', deviceId: 'led-panel' }, { id: 'tone' }],
        segments: [
          { stepId: 'led', kind: 'dwell', startS: 60, endS: 660 },
          { stepId: 'tone', kind: 'apply', startS: 0, endS: 30 },
        ],
      }),
    ],
  )
}

describe('protocols in the making', () => {
  test('from nothing: a draft without a version, kept as it is typed, published as version 1', async () => {
    const { id } = (await create({ from: 'nothing', name: 'From nothing' })).body
    expect(await open(id)).toMatchObject({
      name: 'From nothing',
      version: null,
      draft: { basedOn: 0, steps: [] },
    })
    const { steps } = (await open('undertow')).version!
    expect(
      (
        await owner.ask('PUT', `/api/protocols/${id}/draft`, {
          basedOn: 0,
          name: 'Named anew',
          steps: steps.slice(0, 3),
          methods: { tone: 'every' },
        })
      ).status,
    ).toBe(204)
    expect((await open(id)).draft).toMatchObject({ name: 'Named anew', methods: { tone: 'every' } })
    expect(
      (
        await owner.ask('POST', `/api/protocols/${id}/versions`, {
          basedOn: 0,
          note: 'First',
          name: 'Named anew',
          methods: { tone: 'every' },
          steps: steps.slice(0, 3),
        })
      ).status,
    ).toBe(201)
    expect(await open(id)).toMatchObject({
      name: 'Named anew',
      draft: null,
      version: { version: 1, methods: { tone: 'every' } },
    })
  })
  test('bad input is refused whole, with its place', async () => {
    const id = await copied()
    const { steps } = (await open('undertow')).version!
    const put = (body: object) => owner.ask('PUT', `/api/protocols/${id}/draft`, body)
    expect((await put({ basedOn: 0, name: '', steps, methods: {} })).body).toMatchObject({
      code: 'invalid',
      path: 'name',
    })
    expect(
      (await put({ basedOn: 0, name: 'x', steps: [{ ...steps[0]!, zones: [] }], methods: {} })).body
        .path,
    ).toBe('steps.0.zones')
    expect(
      (
        await put({
          basedOn: 0,
          name: 'x',
          steps: Array.from({ length: 61 }, (_, at) => ({ ...steps[0]!, id: `s${at}` })),
          methods: {},
        })
      ).body.path,
    ).toBe('steps')
    expect(
      (
        await owner.ask('POST', `/api/protocols/${id}/versions`, {
          basedOn: 0,
          note: 'x',
          steps: [steps[0]!, steps[0]!],
        })
      ).body.code,
    ).toBe('step_twice')
    expect(
      (await owner.ask('POST', `/api/protocols/${id}/versions`, { basedOn: 0, note: '  ', steps }))
        .body.path,
    ).toBe('note')
    expect((await open(id)).draft!.steps).toHaveLength(steps.length)
    expect((await create({ from: 'protocol', id: 'nobody', name: 'x' })).body).toMatchObject({
      code: 'no_protocol',
    })
  })
  test('two who publish at once: one wins, the other is told; the draft of the loser is kept', async () => {
    const id = await copied()
    const { steps } = (await open(id)).draft!
    const replies = await Promise.all(
      [1, 2].map((n) =>
        owner.ask('POST', `/api/protocols/${id}/versions`, { basedOn: 0, note: `Nr ${n}`, steps }),
      ),
    )
    expect(replies.map((reply) => reply.status).sort()).toEqual([201, 409])
    const { body: versions } = await owner.ask<{ version: number; note: string; by: string }[]>(
      'GET',
      `/api/protocols/${id}/versions`,
    )
    expect(versions).toHaveLength(1)
    expect(versions[0]!.by).toMatch(/Maren/)
  })
  test('front desk and assistants read the library and write nothing in it', async () => {
    const id = await copied()
    for (const email of [DESK, ASSISTANT]) {
      const person = await signedIn(email)
      expect((await person.ask<unknown[]>('GET', '/api/protocols')).body.length).toBeGreaterThan(14)
      for (const [method, path, body] of [
        ['POST', '/api/protocols', { from: 'nothing', name: 'x' }],
        ['PUT', `/api/protocols/${id}/draft`, {}],
        ['DELETE', `/api/protocols/${id}/draft`, undefined],
        ['PUT', `/api/protocols/${id}/archived`, { archived: true }],
      ] as const)
        expect((await person.ask(method, path, body)).status, `${method} ${path}`).toBe(403)
    }
  })
})

describe('the open file', () => {
  test('goes out by the published schema, judged by Ajv, and comes in as it went out', async () => {
    const { body: file } = await owner.ask<{
      protocol: { name: string; steps: Step[] }
      products: { id: string }[]
    }>('GET', '/api/protocols/kit/file')
    const validate = new Ajv({ strict: false, validateFormats: false }).compile(
      JSON.parse(readFileSync('docs/formats/protocol.schema.json', 'utf8')) as object,
    )
    expect(validate(file), JSON.stringify(validate.errors)).toBe(true)
    expect(validate({ ...file, format: 'something/else' })).toBe(false)
    expect(file.products.map((product) => product.id)).toContain('moor-vial')
    const { body, status } = await create({ from: 'file', file })
    expect([status, body.missing]).toEqual([201, []])
    expect((await open(body.id)).draft!.steps).toEqual(file.protocol.steps)
  })
  test('a broken file is refused with the path of every fault shown, and nothing is taken in', async () => {
    const count = () =>
      withDatabase(
        async (db) =>
          (await db.query<{ n: number }>('SELECT count(*)::int AS n FROM protocol')).rows[0]!.n,
      )
    const before = await count()
    const { body: file } = await owner.ask<{ protocol: { steps: Step[] } }>(
      'GET',
      '/api/protocols/kit/file',
    )
    const broken = (steps: unknown[]) =>
      create({ from: 'file', file: { ...file, protocol: { ...file.protocol, steps } } })
    expect((await create({ from: 'file', file: 'text' })).status).toBe(400)
    expect(
      JSON.stringify((await broken([{ ...file.protocol.steps[0]!, priority: 9 }])).body),
    ).toContain('$.protocol.steps[0].priority')
    expect(
      JSON.stringify((await broken([file.protocol.steps[0]!, file.protocol.steps[0]!])).body),
    ).toContain('Two steps are called')
    expect(await count()).toBe(before)
  })
  test('what is not published yet has no file', async () =>
    expect(
      (
        await owner.ask(
          'GET',
          `/api/protocols/${(await create({ from: 'nothing', name: 'Empty' })).body.id}/file`,
        )
      ).body.code,
    ).toBe('not_published'))
})

describe('a visit and its slot', () => {
  test('the wish is kept with the visit, the server fits by it, and a visit that has begun is not cut', async () => {
    const id = await book(owner, 'Wren Castellane')
    const fit = (body: object) => owner.ask('PUT', `/api/visits/${id}/fit`, body)
    const plan = async () =>
      (await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)).body.plan
    expect((await plan()).fit).toBeUndefined()
    expect((await fit({ mustStay: [], grow: false, slotMinutes: 50 })).status).toBe(204)
    const cut = await plan()
    expect(cut.totalS).toBeLessThanOrEqual(50 * 60)
    const gone = cut.changes.find((change) => change.why.some((why) => why.ruleId === 'T01'))!
    await fit({ mustStay: [gone.stepId], grow: false, slotMinutes: 50 })
    expect((await plan()).steps.map((step) => step.id)).toContain(gone.stepId)
    expect((await fit({ mustStay: [], grow: false, slotMinutes: 5 })).body.path).toBe('slotMinutes')
    await withDatabase((db) =>
      db.query(`UPDATE visit SET stage = 'performing' WHERE id = $1`, [id]),
    )
    expect((await fit({ mustStay: [], grow: false })).body.code).toBe('underway')
  })
  test('a device that another room has fitted for the same minutes is waited for', async () => {
    // Far off: the plan that is written here has no more than what reserves a device, and the forecast reads whole ones.
    const id = await book(owner, 'Wren Castellane', 'acid', 300)
    const read = async () =>
      (
        await owner.ask<{
          input: { reserved: { deviceId: string; fromS: number; toS: number }[] }
          visit: { startsAt: string; endsAt: string }
        }>('GET', `/api/visits/${id}`)
      ).body
    expect((await read()).input.reserved).toEqual([])
    await withDatabase(async (db) => fitLedPanel(db, await bookNextDoor(db, id)))
    expect((await read()).input.reserved).toEqual([
      { deviceId: 'led-panel', fromS: 660, toS: 1260 },
    ])
  })
})
