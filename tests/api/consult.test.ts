import { anneke, owner } from './people'
import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { FittedPlan } from '#core/adapt'
import { book, withDatabase } from './http'
import { visitOf, planOf, said, SIGNATURE, today } from './visits'

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
    expect((await visitOf(id)).patchTests.find((other) => other.id === testId)?.result).toBe('calm')
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

// Their words were published when the demo was loaded: nobody signed before.
const TODAY = await today()

describe('consent', () => {
  const sign = async (id: string, kind: string, more: object = {}) => {
    const text = (await visitOf(id)).texts.find((text) => text.kind === kind)!
    return owner.ask('POST', `/api/visits/${id}/consents`, {
      id: randomUUID(),
      factId: randomUUID(),
      textId: text.id,
      signer: 'Somebody Signing',
      relation: 'client',
      signedOn: TODAY,
      signature: SIGNATURE,
      ...more,
    })
  }
  test.each([
    ['before there were any words', { signedOn: '2020-01-01' }, 'long_ago'],
    ['in the future', { signedOn: '2099-01-01' }, 'future'],
    [
      'with a dot and no stroke',
      { signature: SIGNATURE.replace(/<path.*<\/path>/, '') },
      'invalid',
    ],
  ])('is not signed %s', async (_what, more, code) => {
    const id = await book(owner, 'Marguerite Abiola')
    const { status, body } = await sign(id, 'treatment', more)
    expect([status, body.code]).toEqual([400, code])
  })
  test('is kept with its exact words; withdrawn once, never changed', async () => {
    const id = await book(owner, 'Marguerite Abiola')
    expect((await sign(id, 'treatment')).status).toBe(201)
    const consent = (await visitOf(id)).consents.find((consent) => consent.kind === 'treatment')!
    expect(consent.body.length).toBeGreaterThan(100)
    expect(
      (
        await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
          on: TODAY,
          factId: randomUUID(),
        })
      ).status,
    ).toBe(204)
    expect(
      (
        await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
          on: TODAY,
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
    // What else is to be asked on the day is still open.
    expect((await planOf(id)).status).toBe('ask-first')
    const held = (await visitOf(id)).consents.filter(
      (consent) => consent.kind === 'guardian' && consent.withdrawnOn === null,
    )
    for (const consent of held)
      await owner.ask('DELETE', `/api/visits/${id}/consents/${consent.id}`, {
        on: TODAY,
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
    const text = (await visitOf(id)).texts.find((text) => text.kind === 'photo-publish')!
    const body = {
      kind: 'photo-publish',
      after: text.version,
      title: 'Photographs to be shown',
      body: 'New words of the studio, long enough to be read by somebody.',
    }
    expect((await anneke.ask('POST', '/api/consent-texts', body)).status).toBe(403)
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
    expect((await visitOf(id)).texts.find((text) => text.kind === 'photo-publish')).toMatchObject({
      version: text.version + 1,
      body: body.body,
    })
    await expect(
      withDatabase((db) => db.query(`UPDATE consent_text SET body = 'x' WHERE id = $1`, [text.id])),
    ).rejects.toMatchObject({ code: '23001' })
  })
})

test('goals keep their places and the client’s wish; whoever sends none of it leaves them as they are', async () => {
  const id = await book(owner, 'Wren Castellane')
  const path = `/api/visits/${id}/goals`
  const details = { firm: { zones: ['neck-front'], wish: true } }
  const goalsOf = async () => {
    const { client } = (await visitOf(id)).input
    return [client.concerns, client.goalDetails]
  }
  const first = await owner.ask('PUT', path, { concerns: ['firm', 'eyes'], details })
  expect([first.status, await goalsOf()]).toEqual([204, [['firm', 'eyes'], details]])
  await owner.ask('PUT', path, { concerns: ['eyes', 'firm'] })
  expect(await goalsOf()).toEqual([['eyes', 'firm'], details])
  await owner.ask('PUT', path, { concerns: ['brighten', 'hydrate'], details: {} })
  expect(await goalsOf()).toEqual([['brighten', 'hydrate'], {}])
})
