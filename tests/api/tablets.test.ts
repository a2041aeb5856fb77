import { generateSync } from 'otplib'
import { describe, expect, test } from 'vitest'
import { Person, signedIn, withDatabase } from './http'
import { furnishedSalon } from './other-salon'
import { enter, GOOD, staffOf } from './staff'

// The second step, PINs and tablets.

const salon = await furnishedSalon()
const { owner } = salon
const { people, joined } = staffOf(salon)

describe('a second step', () => {
  async function withSecondStep() {
    const someone = await joined()
    const { person } = someone
    const offer = await person.ask<{ secret: string; uri: string; picture: string }>(
      'POST',
      '/api/own/second-step',
      { password: GOOD },
    )
    const { secret, uri, picture } = offer.body
    expect([uri.startsWith('otpauth://totp/Zen%20Ladder'), picture.includes('<svg')]).toEqual([
      true,
      true,
    ])
    const epoch = () => Math.floor(Date.now() / 1000)
    const code = (steps: number) => generateSync({ secret, epoch: epoch() + 30 * steps })
    const wrong = await person.ask('PUT', '/api/own/second-step', { code: '000000' })
    expect([wrong.status, wrong.body.code]).toEqual([409, 'totp_wrong'])
    const on = await person.ask<{ recovery: string[] }>('PUT', '/api/own/second-step', {
      code: code(-1),
    })
    expect(on.body.recovery).toHaveLength(10)
    return { ...someone, code, recovery: on.body.recovery }
  }
  test('is asked after the password, and a code counts once', async () => {
    const { email, code } = await withSecondStep()
    const first = await enter(email, GOOD)
    expect([first.status, first.body.code, first.body.path]).toEqual([401, 'totp_wanted', 'code'])
    // With a wrong password nobody is told that there is a second step.
    expect((await enter(email, 'wrong one here')).body.code).toBe('wrong')
    const now = code(0)
    expect((await enter(email, GOOD, now)).status).toBe(204)
    expect((await enter(email, GOOD, now)).body.code).toBe('totp_wrong')
  })
  test('a recovery code opens once, and the owner can turn it off', async () => {
    const { id, email, recovery } = await withSecondStep()
    const [one] = recovery
    expect((await enter(email, GOOD, one!.toUpperCase())).status).toBe(204)
    expect((await enter(email, GOOD, one)).body.code).toBe('totp_wrong')
    await owner.ask('DELETE', `/api/people/${id}/second-step`)
    expect((await enter(email, GOOD)).status).toBe(204)
  })
  test('is asked where a link sets a new password too', async () => {
    const { id, recovery } = await withSecondStep()
    const { body } = await owner.ask<{ path: string }>('POST', `/api/people/${id}/links`)
    const path = `/api/links/${body.path.split('/').at(-1)}`
    const password = 'pebble orchard 33 lute'
    expect((await new Person().ask('POST', path, { password })).body.code).toBe('totp_wanted')
    const reply = await new Person().ask('POST', path, { password, code: recovery[3] })
    expect(reply.status).toBe(204)
  })
})

describe('a tablet', () => {
  interface Shown {
    readonly revoked: boolean
    readonly account: object | null
    readonly tablet: { readonly people: { readonly id: string; readonly hasPin: boolean }[] } | null
  }
  const shown = async (person: Person) => (await person.ask<Shown>('GET', '/api/session')).body
  async function enrolled() {
    const tablet = new Person()
    const [me] = (await people()).filter(({ role }) => role === 'owner')
    await tablet.ask('POST', '/api/session', { email: me!.email, password: 'far-shore' })
    const body = { name: 'Trolley', roomId: salon.ids.rooms, password: 'far-shore' }
    const wrong = await tablet.ask('POST', '/api/tablets', { ...body, password: 'wrong' })
    expect([wrong.status, wrong.body.path]).toEqual([400, 'password'])
    const reply = await tablet.ask<{ id: string }>('POST', '/api/tablets', body)
    expect(reply.status).toBe(201)
    await tablet.ask('DELETE', '/api/session')
    return { tablet, id: reply.body.id }
  }
  const withPin = async (pin = '2580') => {
    const someone = await joined()
    const put = await someone.person.ask('PUT', '/api/own/pin', { pin, password: GOOD })
    expect(put.status).toBe(204)
    return someone
  }
  const open = (tablet: Person, accountId: string, pin: string) =>
    tablet.ask('POST', '/api/session/pin', { accountId, pin })

  test('shows names, and opens to a name with its PIN; elsewhere a PIN opens nothing', async () => {
    const [{ tablet }, { id }] = [await enrolled(), await withPin()]
    expect((await shown(tablet)).tablet?.people.find((one) => one.id === id)?.hasPin).toBe(true)
    expect((await open(tablet, id, '2580')).status).toBe(204)
    expect((await shown(tablet)).account).not.toBeNull()
    expect((await open(new Person(), id, '2580')).body.code).toBe('no_tablet')
  })
  test('a PIN that everybody tries first is not taken, nor one without the password', async () => {
    const { person } = await joined()
    const weak = await person.ask('PUT', '/api/own/pin', { pin: '1234', password: GOOD })
    expect([weak.status, weak.body.code]).toEqual([400, 'weak_pin'])
    const wrong = await person.ask('PUT', '/api/own/pin', { pin: '2580', password: 'x' })
    expect([wrong.status, wrong.body.path]).toEqual([400, 'password'])
  })
  test('a PIN is missed five times, also all at once; then the password alone, which gives it back', async () => {
    const [{ tablet }, { id, email }] = [await enrolled(), await withPin('9031')]
    const guesses = await Promise.all(
      Array.from({ length: 12 }, (_, at) => open(tablet, id, `77${10 + at}`)),
    )
    expect(new Set(guesses.map(({ status }) => status))).toEqual(new Set([401]))
    const missed = guesses.filter(({ body }) => body.detail === 'That is not the PIN.')
    expect(missed).toHaveLength(4)
    expect((await open(tablet, id, '9031')).body.detail).toContain('five times')
    await tablet.ask('POST', '/api/session', { email, password: GOOD })
    await tablet.ask('DELETE', '/api/session')
    expect((await open(tablet, id, '9031')).status).toBe(204)
  })
  test('called off, it is out at once, knows it, and opens to nobody', async () => {
    const [{ tablet, id }, someone] = [await enrolled(), await withPin()]
    await open(tablet, someone.id, '2580')
    expect((await owner.ask('DELETE', `/api/tablets/${id}`)).status).toBe(204)
    expect((await tablet.ask('GET', '/api/day')).status).toBe(401)
    expect(await shown(tablet)).toMatchObject({ revoked: true, tablet: null })
    expect((await open(tablet, someone.id, '2580')).body.code).toBe('no_tablet')
    expect((await owner.ask('DELETE', `/api/tablets/${id}`)).body.code).toBe('no_tablet')
    // Whoever was on it signs in elsewhere as before.
    expect((await enter(someone.email, GOOD)).status).toBe(204)
  })
  test('of another salon shows nobody of this one, and its people no PIN here', async () => {
    const [{ tablet }, theirs] = [await enrolled(), await signedIn('anneke@saltgrass.example')]
    const { body } = await theirs.ask<{ account: { id: string } }>('GET', '/api/session')
    const { account } = body
    await withDatabase((db) =>
      db.query(
        'UPDATE account SET pin_hash = (SELECT pin_hash FROM account WHERE pin_hash IS NOT NULL LIMIT 1) WHERE id = $1',
        [account.id],
      ),
    )
    expect((await open(tablet, account.id, '2580')).body.code).toBe('wrong_pin')
    expect((await shown(tablet)).tablet?.people.some((one) => one.id === account.id)).toBe(false)
  })
})

test('rooms and hours: renamed, put away, refused in words', async () => {
  const { body: made } = await owner.ask<{ id: string }>('POST', '/api/rooms', { name: 'Kiln' })
  const twice = await owner.ask('POST', '/api/rooms', { name: 'Kiln' })
  expect([twice.status, twice.body.code]).toEqual([409, 'name_taken'])
  await owner.ask('PUT', `/api/rooms/${made.id}`, { name: 'Old kiln', isUsed: false })
  const { body: day } = await owner.ask<{ choices: { rooms: { name: string }[] } }>(
    'GET',
    '/api/day',
  )
  expect(day.choices.rooms.map(({ name }) => name)).not.toContain('Old kiln')
  const span = (opens: string, closes: string) => ({ weekday: 1, opens, closes })
  const hours = (...spans: object[]) =>
    owner.ask('PUT', '/api/settings/hours', { hours: spans, closedDays: [], turnoverMinutes: 5 })
  expect((await hours(span('09:00', '13:00'), span('12:00', '18:00'))).body.detail).toContain(
    'overlap',
  )
  expect((await hours(span('09:00', '12:00'), span('13:00', '18:00'))).status).toBe(204)
})
