import { describe, expect, test } from 'vitest'
import { Person, withDatabase } from './http'
import { furnishedSalon } from './other-salon'
import { enter, GOOD, mail, staffOf } from './staff'

// People of a salon: invited, changed, locked out, gone.

const salon = await furnishedSalon()
const { owner } = salon
const { people, invited, joined } = staffOf(salon)

describe('an invitation', () => {
  test('is nobody’s until its link has set a password, once', async () => {
    const { id, email, token } = await invited()
    expect((await enter(email, GOOD)).status).toBe(401)
    const shown = await new Person().ask('GET', `/api/links/${token}`)
    expect(shown.body).toMatchObject({ purpose: 'invite', email, salon: salon.name })
    const weak = await new Person().ask('POST', `/api/links/${token}`, { password: 'password1234' })
    expect([weak.status, weak.body.code]).toEqual([400, 'weak_password'])
    const both = await Promise.all(
      [0, 1].map(() => new Person().ask('POST', `/api/links/${token}`, { password: GOOD })),
    )
    expect(both.map(({ status }) => status).sort()).toEqual([204, 409])
    const again = await new Person().ask('POST', `/api/links/${token}`, { password: GOOD })
    expect([again.status, again.body.code]).toEqual([409, 'link_used'])
    expect((await enter(email, GOOD)).status).toBe(204)
    expect((await people()).find((one) => one.id === id)?.isInvited).toBe(false)
  })
  test('past its hour is refused in words, and a newer one takes its place', async () => {
    const { id, token } = await invited()
    await withDatabase((db) =>
      db.query(
        "UPDATE account_link SET until = now() - interval '1 minute' WHERE account_id = $1",
        [id],
      ),
    )
    const late = await new Person().ask('GET', `/api/links/${token}`)
    expect([late.status, late.body.code]).toEqual([409, 'link_late'])
    const newer = await owner.ask<{ path: string }>('POST', `/api/people/${id}/links`)
    const older = newer.body.path.split('/').at(-1)!
    await owner.ask('POST', `/api/people/${id}/links`)
    expect((await new Person().ask('GET', `/api/links/${older}`)).body.code).toBe('link_used')
    expect((await new Person().ask('GET', '/api/links/made-up')).body.code).toBe('no_link')
  })
  test('to an address that signs in already is refused', async () => {
    const { email } = await invited()
    const body = { name: 'Twice', email: email.toUpperCase(), role: 'assistant', performs: false }
    const reply = await owner.ask('POST', '/api/people', body)
    expect([reply.status, reply.body.code, reply.body.path]).toEqual([409, 'email_taken', 'email'])
  })
  test('a name of any script, right to left, with pictures, two hundred letters long, is kept or refused in words', async () => {
    const name = 'ليلى 🌊 Ωmega Иванова 陽子'
    const body = { name, email: mail(), role: 'assistant', performs: false }
    const { body: made } = await owner.ask<{ id: string }>('POST', '/api/people', body)
    expect((await people()).find(({ id }) => id === made.id)?.name).toBe(name)
    const long = await owner.ask('POST', '/api/people', {
      ...body,
      email: mail(),
      name: 'x'.repeat(200),
    })
    expect([long.status, long.body.path]).toEqual([400, 'name'])
  })
})

describe('a person', () => {
  const written = (more: object) => ({
    ...{ name: 'Invented Hand', role: 'practitioner', performs: true, hazards: [], scope: [] },
    ...more,
  })
  test('has scope with licence and end; what ends soon says so; what has ended counts no more', async () => {
    const { id } = await joined()
    const scope = [
      { technique: 'minors', licence: 'M-1' },
      { technique: 'needling', licence: 'N-1', until: '2020-01-01' },
    ]
    const put = await owner.ask('PUT', `/api/people/${id}`, written({ scope, hazards: ['latex'] }))
    expect(put.status).toBe(204)
    const kept = (await people()).find((one) => one.id === id)!
    expect(kept).toMatchObject({ scope, hazards: ['latex'] })
    expect(kept.ending).toMatchObject([{ technique: 'needling', until: '2020-01-01' }])
    const [row] = await withDatabase(
      async (db) =>
        (
          await db.query<{ scope: string[] }>(
            `SELECT scope_on(a.salon_id, a.practitioner_id, '2026-01-01') AS scope FROM account a WHERE id = $1`,
            [id],
          )
        ).rows,
    )
    expect(row!.scope).toEqual(['minors'])
    const twice = await owner.ask(
      'PUT',
      `/api/people/${id}`,
      written({ scope: [scope[0], scope[0]] }),
    )
    expect([twice.status, twice.body.path]).toEqual([400, 'scope'])
  })
  test('who is locked out, or has left, is out at once; let in again, comes in again', async () => {
    const { id, email, person } = await joined()
    for (const [out, back] of [
      [{ locked: true }, { locked: false }],
      [{ left: true }, { left: false }],
    ]) {
      expect((await owner.ask('PUT', `/api/people/${id}/standing`, out)).status).toBe(204)
      expect((await person.ask('GET', '/api/day')).status).toBe(401)
      expect((await enter(email, GOOD)).status).toBe(401)
      await owner.ask('PUT', `/api/people/${id}/standing`, back)
      expect((await person.ask('POST', '/api/session', { email, password: GOOD })).status).toBe(204)
    }
  })
  test('who has left keeps a name in what was done, and is not booked any more', async () => {
    const { id } = await joined()
    const day = async () =>
      (await owner.ask<{ choices: { practitioners: { name: string }[] } }>('GET', '/api/day')).body
        .choices.practitioners.length
    const before = await day()
    await owner.ask('PUT', `/api/people/${id}/standing`, { left: true })
    expect(await day()).toBe(before - 1)
    expect((await people()).at(-1)).toMatchObject({ id })
  })
  test('the last owner can neither leave, nor be locked out, nor become something else', async () => {
    const me = (await people()).find(({ role }) => role === 'owner')!
    const asked = [
      await owner.ask('PUT', `/api/people/${me.id}/standing`, { left: true }),
      await owner.ask('PUT', `/api/people/${me.id}/standing`, { locked: true }),
      await owner.ask(
        'PUT',
        `/api/people/${me.id}`,
        written({ role: 'assistant', performs: false }),
      ),
    ]
    expect(asked.map(({ status, body }) => [status, body.code])).toEqual(
      Array.from({ length: 3 }, () => [409, 'last_owner']),
    )
  })
  test('of two owners who both leave at once one stays', async () => {
    const { id, person } = await joined('owner')
    const me = (await people()).find(({ role, id: other }) => role === 'owner' && other !== id)!
    const both = await Promise.all([
      owner.ask('PUT', `/api/people/${id}/standing`, { left: true }),
      person.ask('PUT', `/api/people/${me.id}/standing`, { left: true }),
    ])
    expect(both.map(({ status }) => status)).toContain(204)
    const left = await withDatabase(
      async (db) =>
        (
          await db.query(
            `SELECT FROM account WHERE salon_id = $1 AND role = 'owner' AND left_at IS NULL`,
            [salon.id],
          )
        ).rowCount,
    )
    expect(left).toBe(1)
    // Whoever it was: the tests that follow are this owner's.
    await withDatabase((db) => db.query('UPDATE account SET left_at = NULL WHERE id = $1', [me.id]))
    const password = 'far-shore'
    await owner.ask('POST', '/api/session', { email: me.email, password })
  })
})

describe('one’s own password', () => {
  test('is changed by whoever knows the old one; other devices are signed out, this one stays', async () => {
    const { email, person } = await joined()
    const elsewhere = new Person()
    await elsewhere.ask('POST', '/api/session', { email, password: GOOD })
    const change = (old: string, password: string) =>
      person.ask('PUT', '/api/own/password', { old, password })
    const wrong = await change('not it', 'hollow cinder 88 tern')
    expect([wrong.status, wrong.body.path]).toEqual([400, 'old'])
    const weak = await change(GOOD, 'password1234')
    expect([weak.status, weak.body.code, weak.body.path]).toEqual([
      400,
      'weak_password',
      'password',
    ])
    expect((await change(GOOD, 'hollow cinder 88 tern')).status).toBe(204)
    expect((await person.ask('GET', '/api/own')).status).toBe(200)
    expect((await elsewhere.ask('GET', '/api/own')).status).toBe(401)
    expect((await enter(email, GOOD)).status).toBe(401)
  })
  test('set together at the desk, it signs out who was in with the old one', async () => {
    const { id, email, person } = await joined('assistant')
    const put = await owner.ask('PUT', `/api/people/${id}/password`, {
      password: 'amber sluice 19 wren',
    })
    expect(put.status).toBe(204)
    expect((await person.ask('GET', '/api/own')).status).toBe(401)
    expect((await enter(email, 'amber sluice 19 wren')).status).toBe(204)
  })
  test('one’s sessions are listed with their browser, and called off one by one', async () => {
    const { email, person } = await joined()
    const other = new Person()
    await other.ask('POST', '/api/session', { email, password: GOOD }, { 'user-agent': 'Tablet 7' })
    const { body } = await person.ask<{
      sessions: { id: string; agent: string; isHere: boolean }[]
    }>('GET', '/api/own')
    expect(body.sessions.filter(({ isHere }) => isHere)).toHaveLength(1)
    const theirs = body.sessions.find(({ agent }) => agent === 'Tablet 7')!
    expect((await person.ask('DELETE', `/api/own/sessions/${theirs.id}`)).status).toBe(204)
    expect((await other.ask<{ revoked: boolean }>('GET', '/api/session')).body.revoked).toBe(true)
    const nobodys = await owner.ask(
      'DELETE',
      `/api/own/sessions/${body.sessions.find(({ isHere }) => isHere)!.id}`,
    )
    expect(nobodys.status).toBe(404)
  })
})
