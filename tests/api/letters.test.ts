import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Letter } from '#core/formats'
import { book, BASE, DESK, OWNER, Person, PRACTITIONER, signedIn, withDatabase } from './http'
import { owner } from './people'
import { event } from './signed'
import { base64, sealedTo, type Box, type Change } from './seal-letter'
import { planOf, said } from './visits'

// Letters, and what becomes of them.

const sealed = (box: Box, change: Change, id: string = randomUUID()) => sealedTo(box, id, change)
const boxOf = async (person: Person): Promise<Box> =>
  (await person.ask<{ outbox: Box }>('GET', '/api/session')).body.outbox
/** Brought by nobody: no cookie, no sign-in. */
const bring = (...letters: readonly Letter[]) =>
  new Person().ask<{ acknowledged: string[] }>('POST', '/api/outbox/sealed', { letters })
const note = (visitId: string, text: string): Change => ({
  method: 'POST',
  path: `/api/visits/${visitId}/events`,
  body: { events: [event({ type: 'note', text })] },
})
const notesOf = (visitId: string) =>
  withDatabase(async (db) =>
    (
      await db.query<{ text: string }>(
        `SELECT body ->> 'text' AS text FROM run_event WHERE visit_id = $1 ORDER BY 1`,
        [visitId],
      )
    ).rows.map(({ text }) => text),
  )
interface Waiting {
  readonly id: string
  readonly reason: string
  readonly client: string
}
const waiting = async () => (await owner.ask<Waiting[]>('GET', '/api/outbox')).body
const decide = (id: string, take: boolean) => owner.ask('PUT', `/api/outbox/${id}`, { take })

let visitId: string
beforeAll(async () => {
  visitId = await book(owner, 'Hollis Marchetti')
  await planOf(visitId)
})

describe('what a tablet could not send before its session ended', () => {
  test('is taken in for whoever made it, once, whoever brings it', async () => {
    const person = await signedIn(PRACTITIONER)
    const box = await boxOf(person)
    await person.ask('DELETE', '/api/session')
    const letter = await sealed(box, note(visitId, 'sent after signing out'))
    for (let times = 0; times < 2; times++)
      expect((await bring(letter)).body.acknowledged).toEqual([letter.id])
    expect(await notesOf(visitId)).toEqual(['sent after signing out'])
    expect((await waiting()).map(({ id }) => id)).not.toContain(letter.id)
  })

  test('of a session that was called off on another device waits for the owner, who takes it in or leaves it out, once', async () => {
    const tablet = await signedIn(OWNER)
    const box = await boxOf(tablet)
    const elsewhere = await signedIn(OWNER)
    await elsewhere.ask('DELETE', '/api/session?everywhere=1')
    expect((await tablet.ask<{ revoked: boolean }>('GET', '/api/session')).body.revoked).toBe(true)
    // The owner of these tests was signed out with it.
    await owner.ask('POST', '/api/session', { email: OWNER, password: 'quiet-tide' })
    const [good, bad] = [
      await sealed(box, note(visitId, 'true')),
      await sealed(box, note(visitId, 'not mine')),
    ]
    expect((await bring(good, bad)).body.acknowledged).toEqual([good.id, bad.id])
    expect(await notesOf(visitId)).not.toContain('true')
    const listed = (await waiting()).filter(({ id }) => id === good.id || id === bad.id)
    expect(listed.map(({ client, reason }) => [client, reason])).toEqual(
      listed.map(() => ['Hollis Marchetti', 'The session that made it was called off.']),
    )
    expect([listed.length, (await decide(good.id, true)).status]).toEqual([2, 204])
    expect([(await decide(bad.id, false)).status, (await decide(bad.id, true)).status]).toEqual([
      204, 404,
    ])
    expect(await notesOf(visitId)).toContain('true')
    expect(await notesOf(visitId)).not.toContain('not mine')
  })

  test('of a session that ended more than a day ago waits too', async () => {
    const person = await signedIn(PRACTITIONER)
    const box = await boxOf(person)
    const [, sessionId] = box.pass.split('.')
    await withDatabase((db) =>
      db.query(`UPDATE session SET ended_at = now() - interval '25 hours' WHERE id = $1`, [
        sessionId,
      ]),
    )
    const letter = await sealed(box, note(visitId, 'of yesterday'))
    await bring(letter)
    expect((await waiting()).find(({ id }) => id === letter.id)?.reason).toContain('a day')
    await decide(letter.id, false)
  })

  test('goes through the same door as ever: what that refuses waits, in its words', async () => {
    const person = await signedIn(DESK)
    const box = await boxOf(person)
    const letter = await sealed(box, {
      method: 'POST',
      path: `/api/visits/${visitId}/facts`,
      body: { facts: [said('pregnancy')] },
    })
    await bring(letter)
    expect((await waiting()).find(({ id }) => id === letter.id)?.reason).toContain(
      'may not do this',
    )
    await decide(letter.id, false)
  })
})

describe('a letter that is none', () => {
  test('spoilt, under another id, with a pass that was made up, for another door: nothing happens, and nobody keeps it', async () => {
    const person = await signedIn(PRACTITIONER)
    const box = await boxOf(person)
    const before = [await notesOf(visitId), await waiting()]
    const right = await sealed(box, note(visitId, 'never'))
    const [, , seal] = box.pass.split('.')
    const letters = [
      { ...right, data: base64(Buffer.from(right.data, 'base64').fill(1, 0, 4)) },
      { ...right, id: randomUUID() },
      await sealed({ ...box, pass: `${randomUUID()}.${seal}` }, note(visitId, 'never')),
      await sealed({ ...box, pass: 'x' }, note(visitId, 'never')),
      await sealed(box, { method: 'DELETE', path: '/api/known/doxycycline', body: null }),
      await sealed(box, { method: 'POST', path: `/api/visits/${visitId}/../../session`, body: {} }),
    ]
    const { status, body } = await bring(...letters)
    expect([status, body.acknowledged]).toEqual([200, letters.map(({ id }) => id)])
    expect([await notesOf(visitId), await waiting()]).toEqual(before)
  })
  test('what looks like a question of the server to itself is one from outside', async () => {
    const reply = await fetch(`${BASE}/api/day`, { headers: { 'x-zen-inside': 'a'.repeat(64) } })
    expect(reply.status).toBe(401)
  })
})
