import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { beforeAll, describe, expect, test } from 'vitest'
import type { CompileInput, FittedPlan } from '#core/adapt'
import {
  BASE,
  book,
  DESK,
  freeSeat,
  OWNER,
  PRACTITIONER,
  signedIn,
  withDatabase,
  type Day,
  type Person,
} from './http'

let owner: Person
let practitioner: Person
beforeAll(async () => {
  ;[owner, practitioner] = [await signedIn(OWNER), await signedIn(PRACTITIONER)]
})

interface Visit {
  input: CompileInput
  consents: { id: string; kind: string; withdrawnOn: string | null; body: string }[]
  texts: { id: string; kind: string; version: number; body: string }[]
  photos: { id: string; width: number; height: number }[]
  patchTests: { id: string; result: string }[]
  visit: { walkIn: boolean }
}
const visitOf = async (id: string) => (await owner.ask<Visit>('GET', `/api/visits/${id}`)).body
const today = async () => (await owner.ask<Day>('GET', '/api/day')).body.today
const planOf = async (id: string) =>
  (await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)).body.plan
const said = (code: string, answer: 'yes' | 'no' = 'yes', more: object = {}) => ({
  id: randomUUID(),
  fact: { code, answer, askedOn: '2026-11-24', ...more },
})
const SIGNATURE =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 150" width="300" height="150"><path d="M 10.5,20.1 C 11,22 14,30 20,33" stroke-width="2.25" stroke="#24211c" fill="none" stroke-linecap="round"></path><circle cx="50" cy="60" r="1.5" fill="#24211c"></circle></svg>'

describe('clearances', () => {
  test('one with who and when turns a clearance into a caution; after its last day it is none', async () => {
    const id = await book(owner, 'Wren Castellane')
    const facts = (
      await owner.ask('POST', `/api/visits/${id}/facts`, { facts: [said('allergy:papaya')] })
    ).status
    const crossing = (plan: FittedPlan) =>
      plan.changes.some((change) => change.why.some((why) => why.ruleId === 'B-papaya-pineapple'))
    expect([facts, crossing(await planOf(id))]).toEqual([204, true])
    const clearance = {
      clearance: 'B-papaya-pineapple',
      by: 'Allergy clinic',
      on: '2026-01-05',
      until: '2026-02-05',
    }
    await owner.ask('POST', `/api/visits/${id}/clearances`, { id: randomUUID(), clearance })
    expect(crossing(await planOf(id))).toBe(true)
    await owner.ask('POST', `/api/visits/${id}/clearances`, {
      id: randomUUID(),
      clearance: { ...clearance, until: '2099-01-01' },
    })
    expect(crossing(await planOf(id))).toBe(false)
  })
  test.each([
    [
      'no rule asks for it',
      { clearance: 'Z99', by: 'Somebody', on: '2026-01-05' },
      'unknown_clearance',
      'clearance.clearance',
    ],
    [
      'it ends before it begins',
      { clearance: 'A09-skin', by: 'Somebody', on: '2026-01-05', until: '2026-01-04' },
      'ends_before',
      'clearance.until',
    ],
    [
      'an impossible date',
      { clearance: 'A09-skin', by: 'Somebody', on: '2026-02-30' },
      'invalid',
      'clearance.on',
    ],
  ] as const)('is refused when %s', async (_name, clearance, code, path) => {
    const id = await book(owner, 'Wren Castellane')
    const { status, body } = await owner.ask('POST', `/api/visits/${id}/clearances`, {
      id: randomUUID(),
      clearance,
    })
    expect([status, body.code, body.path]).toEqual([400, code, path])
  })
})

describe('patch tests', () => {
  test('placed, read once, kept as read', async () => {
    const id = await book(owner, 'Odalys Fenwick-Rao')
    const testId = randomUUID()
    const placed = {
      productId: 'glycolic-peel',
      kind: 'delayed',
      zone: 'ears',
      placedOn: '2026-11-24',
      result: 'waiting',
    }
    expect(
      (await owner.ask('POST', `/api/visits/${id}/patch-tests`, { id: testId, test: placed }))
        .status,
    ).toBe(201)
    expect(
      (
        await owner.ask('PUT', `/api/visits/${id}/patch-tests/${testId}`, {
          result: 'calm',
          readOn: '2026-11-26',
        })
      ).status,
    ).toBe(204)
    expect((await visitOf(id)).patchTests.find((one) => one.id === testId)?.result).toBe('calm')
    expect(
      (
        await owner.ask('PUT', `/api/visits/${id}/patch-tests/${testId}`, {
          result: 'reacted',
          readOn: '2026-11-26',
        })
      ).status,
    ).toBe(404)
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/patch-tests`, {
          id: randomUUID(),
          test: { ...placed, productId: 'nothing' },
        })
      ).body.code,
    ).toBe('no_product')
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/patch-tests`, {
          id: randomUUID(),
          test: { ...placed, result: 'calm' },
        })
      ).body.code,
    ).toBe('half_read')
  })
})

describe('consent', () => {
  const sign = async (id: string, kind: string, more: object = {}) => {
    const text = (await visitOf(id)).texts.find((one) => one.kind === kind)!
    return owner.ask('POST', `/api/visits/${id}/consents`, {
      id: randomUUID(),
      factId: randomUUID(),
      textId: text.id,
      signer: 'Somebody Signing',
      relation: 'client',
      signedOn: '2026-11-24',
      signature: SIGNATURE,
      ...more,
    })
  }
  test('is kept with its exact words; withdrawn once, never changed', async () => {
    const id = await book(owner, 'Marguerite Abiola')
    expect((await sign(id, 'treatment')).status).toBe(201)
    const consent = (await visitOf(id)).consents.find((one) => one.kind === 'treatment')!
    expect(consent.body.length).toBeGreaterThan(100)
    expect(
      (
        await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
          on: '2026-11-24',
          factId: randomUUID(),
        })
      ).status,
    ).toBe(204)
    expect(
      (
        await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
          on: '2026-11-24',
          factId: randomUUID(),
        })
      ).status,
    ).toBe(404)
    const change = withDatabase((db) =>
      db.query(`UPDATE consent SET signer = 'x' WHERE id = $1`, [consent.id]),
    )
    await expect(change).rejects.toMatchObject({ code: '23001' })
  })
  test('a guardian’s is the dated answer that opens a minor’s visit; the minor’s own signature is not', async () => {
    const id = await book(owner, 'Theo Lindqvist', 'clarifying')
    await owner.ask('POST', `/api/visits/${id}/facts`, { facts: [said('guardian-consent', 'no')] })
    expect((await planOf(id)).status).toBe('postponed')
    expect((await sign(id, 'guardian')).body.code).toBe('not_guardian')
    expect((await planOf(id)).status).toBe('postponed')
    expect((await sign(id, 'guardian', { relation: 'guardian' })).status).toBe(201)
    expect((await planOf(id)).status).toBe('ready')
    const held = (await visitOf(id)).consents.filter(
      (one) => one.kind === 'guardian' && one.withdrawnOn === null,
    )
    for (const consent of held)
      await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
        on: '2026-11-24',
        factId: randomUUID(),
      })
    expect((await planOf(id)).status).toBe('postponed')
  })
  test.each([
    ['a script', SIGNATURE.replace('<path', '<script>alert(1)</script><path')],
    ['an event handler', SIGNATURE.replace('fill="none"', 'onload="go()"><x')],
    [
      'a link out',
      SIGNATURE.replace('<circle', '<image href="https://elsewhere.example/x"/><circle'),
    ],
    ['a picture of another kind', 'data:image/png;base64,AAAA'],
    ['nothing', ''],
  ])('a signature that is %s is refused', async (_name, signature) => {
    const { status, body } = await sign(await book(owner, 'Marguerite Abiola'), 'treatment', {
      signature,
    })
    expect([status, body.path]).toEqual([400, 'signature'])
  })
})

describe('the words of a consent', () => {
  test('get a new version from the owner; what was signed keeps its own; two at once are one', async () => {
    const id = await book(owner, 'Marguerite Abiola')
    const text = (await visitOf(id)).texts.find((one) => one.kind === 'photo-publish')!
    const body = {
      kind: 'photo-publish',
      after: text.version,
      title: 'Photographs to be shown',
      body: 'New words of the studio, long enough to be read by somebody.',
    }
    expect((await practitioner.ask('POST', '/api/consent-texts', body)).status).toBe(403)
    expect(
      (await owner.ask('POST', '/api/consent-texts', { ...body, body: 'short' })).body,
    ).toMatchObject({ code: 'invalid', path: 'body' })
    expect((await owner.ask('POST', '/api/consent-texts', { ...body, after: 99 })).body.code).toBe(
      'no_version',
    )
    const both = await Promise.all([
      owner.ask('POST', '/api/consent-texts', body),
      owner.ask('POST', '/api/consent-texts', body),
    ])
    expect(both.map((one) => one.status).sort()).toEqual([201, 409])
    expect((await visitOf(id)).texts.find((one) => one.kind === 'photo-publish')).toMatchObject({
      version: text.version + 1,
      body: body.body,
    })
    await expect(
      withDatabase((db) => db.query(`UPDATE consent_text SET body = 'x' WHERE id = $1`, [text.id])),
    ).rejects.toMatchObject({ code: '23001' })
  })
})

describe('photographs', () => {
  const send = async (id: string, bytes: Buffer, photoId = randomUUID()) => {
    const form = new FormData()
    for (const [name, value] of Object.entries({
      id: photoId,
      view: 'front',
      moment: 'start',
      light: 'ring lamp',
    }))
      form.append(name, value)
    form.append('photo', new Blob([new Uint8Array(bytes)]), 'face.jpg')
    return owner.send<{ code: string; detail: string; width: number; height: number }>(
      'POST',
      `/api/visits/${id}/photos`,
      form,
    )
  }
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#c99f7d' } })
  test('only with the signed consent; turned upright, at most 2048 pixels, without where and when', async () => {
    const bytes = await picture(3000, 2000)
      .withExif({
        IFD0: { Make: 'Camera' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 0/1 0/1' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    expect((await send(await book(owner, 'Hollis Marchetti'), bytes)).body.code).toBe('no_consent')
    const id = await book(owner, 'Yuna Delacroix')
    const photoId = randomUUID()
    const { status, body } = await send(id, bytes, photoId)
    expect([status, body.width, body.height]).toEqual([201, 1365, 2048])
    const kept = await fetch(`${BASE}/api/visits/${id}/photos/${photoId}`, {
      headers: owner.headers(),
    })
    const { format, exif, orientation } = await sharp(
      Buffer.from(await kept.arrayBuffer()),
    ).metadata()
    expect([
      kept.headers.get('cache-control')?.includes('private'),
      format,
      exif,
      orientation,
    ]).toEqual([true, 'jpeg', undefined, undefined])
    const other = await book(owner, 'Wren Castellane')
    expect((await owner.ask('GET', `/api/visits/${other}/photos/${photoId}`)).status).toBe(404)
  })
  test.each([
    ['text under a picture’s name', Buffer.from('this is no picture'), 415, 'not_a_photo'],
    [
      'a drawing that could hold scripts',
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
      ),
      415,
      'not_a_photo',
    ],
    ['half a picture', undefined, 415, 'not_a_photo'],
    ['30 MB', Buffer.alloc(30 * 1024 * 1024, 1), 413, 'photo_too_large'],
  ] as const)('%s is refused in words, and nothing is kept', async (_name, given, status, code) => {
    const id = await book(owner, 'Yuna Delacroix')
    const before = (await visitOf(id)).photos.length
    const whole = await picture(800, 800).jpeg().toBuffer()
    const reply = await send(id, given ?? whole.subarray(0, whole.length / 2))
    expect([reply.status, reply.body.code]).toEqual([status, code])
    expect(reply.body.detail).toMatch(/photograph/i)
    expect((await visitOf(id)).photos.length).toBe(before)
  })
})

describe('the intake as a file', () => {
  interface Intake {
    facts: { code: string; answer: string; askedOn: string; on?: string }[]
    client: { name: string; concerns: string[] }
  }
  test('goes out, and comes in for another client with all its answers', async () => {
    const from = await book(owner, 'Ingrid Solvay')
    const { body: intake } = await owner.ask<Intake>('GET', `/api/visits/${from}/intake`)
    expect(intake.facts.find((fact) => fact.code === 'implant-electronic')?.answer).toBe('yes')
    const to = await book(owner, 'Hollis Marchetti')
    const { status } = await owner.ask('POST', `/api/visits/${to}/intake`, {
      ...intake,
      facts: intake.facts.map((fact) => ({ ...fact, askedOn: '2026-11-24' })),
    })
    const { input } = await visitOf(to)
    expect([status, input.client.name, input.client.concerns]).toEqual([
      204,
      'Hollis Marchetti',
      intake.client.concerns,
    ])
    expect((await planOf(to)).stops.join()).toContain('Electronic implant')
  })
  test.each([
    [
      'a question that does not exist',
      { code: 'nonsense', answer: 'yes', askedOn: '2026-11-24' },
      '$.facts[1].code',
    ],
    [
      'a date to come',
      { code: 'sunburn', answer: 'yes', askedOn: '2026-11-24', on: '2090-01-01' },
      '$.facts[1].on',
    ],
    [
      'a day before the client was born',
      { code: 'isotretinoin', answer: 'yes', askedOn: '2026-11-24', on: '1931-01-01' },
      '$.facts[1].on',
    ],
    [
      'yes and no on one day',
      { code: 'pregnancy', answer: 'no', askedOn: '2026-11-24' },
      '$.facts[1].answer',
    ],
    [
      'an impossible date',
      { code: 'sunburn', answer: 'yes', askedOn: '2026-13-45' },
      '$.facts[1].askedOn',
    ],
  ] as const)('with %s is refused whole, with the path', async (_name, second, path) => {
    const id = await book(owner, 'Hollis Marchetti')
    const count = () =>
      withDatabase(
        async (db) =>
          (
            await db.query(
              `SELECT 1
                FROM health_fact f
                  JOIN visit v ON v.client_id = f.client_id
                WHERE v.id = $1`,
              [id],
            )
          ).rowCount,
      )
    const before = await count()
    const { status, body } = await owner.ask('POST', `/api/visits/${id}/intake`, {
      format: 'zen-ladder/intake',
      version: 1,
      takenOn: '2026-11-24',
      client: { name: 'X', bornOn: '1980-01-01', concerns: [], notes: [] },
      facts: [{ code: 'pregnancy', answer: 'yes', askedOn: '2026-11-24' }, second],
    })
    expect([status, body.detail.includes(path), await count()]).toEqual([400, true, before])
  })
})

describe('answers that cannot be', () => {
  test('yes and no in one list are refused; control characters are taken out, and nothing else', async () => {
    const id = await book(owner, 'Pilar Nwosu')
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('melasma'), said('melasma', 'no')],
        })
      ).body,
    ).toMatchObject({ code: 'contradiction', path: 'facts.1.fact.answer' })
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('sunburn', 'yes', { note: 'after\u0000noon' })],
        })
      ).status,
    ).toBe(204)
    expect(
      (await visitOf(id)).input.client.facts.findLast((one) => one.code === 'sunburn')?.note,
    ).toBe('afternoon')
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('sunburn', 'yes', { note: 'x'.repeat(501) })],
        })
      ).body.path,
    ).toBe('facts.0.fact.note')
  })
})

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
    expect((await put(practitioner, 'A07', false, 9)).status).toBe(403)
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
    expect((await owner.ask('GET', '/api/rules')).body).toEqual({ adviceOff: [], windowDays: {} })
  })
  test('names the clients whom a rule touches, to those who may see health', async () => {
    const { body } = await owner.ask<{ clients: { name: string; because: string[] }[] }>(
      'GET',
      '/api/rules/A04',
    )
    expect(body.clients.map((one) => one.name)).toContain('Pilar Nwosu')
    expect((await (await signedIn(DESK)).ask('GET', '/api/rules/A04')).status).toBe(403)
  })
  test('medicines: an own entry answers its question, and stays while a client takes it', async () => {
    const entry = {
      kind: 'medicine',
      name: 'Lymecycline',
      synonyms: ['for spots'],
      code: 'photosensitiser-strong',
    }
    expect((await practitioner.ask('PUT', '/api/known/lymecycline', entry)).status).toBe(403)
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

test('a reading under the lamp and the ladder fitted from it are kept from the run’s own log', async () => {
  const id = await book(owner, 'Caspian Hurst')
  const plan = await planOf(id)
  const reading = {
    done: true,
    findings: [{ kind: 'patchy-pigment', grade: 2, zones: ['forehead'] }],
    lesions: [],
    meters: [],
  }
  const event = (body: object, seq: number) => ({
    id: randomUUID(),
    deviceId: 'test',
    seq,
    wallMs: Date.now() + seq,
    elapsedMs: seq,
    body,
  })
  const events = [
    event({ type: 'start' }, 0),
    event({ type: 'read', stepId: 'lamp', reading }, 1),
    event({ type: 'replanned', plan: { ...plan, totalS: plan.totalS - 60 } }, 2),
  ]
  for (let times = 0; times < 2; times++)
    expect((await owner.ask('POST', `/api/visits/${id}/events`, { events })).status).toBe(200)
  const { body } = await owner.ask<{
    input: CompileInput
    plan: { revision: number; plan: FittedPlan }
  }>('GET', `/api/visits/${id}`)
  expect([body.input.reading.findings, body.plan.revision, body.plan.plan.totalS]).toEqual([
    reading.findings,
    2,
    plan.totalS - 60,
  ])
})
