import { randomUUID } from 'node:crypto'
import ICAL from 'ical.js'
import { createTransport } from 'nodemailer'
import { describe, expect, test } from 'vitest'
import { claimMessages, settleMessage } from '../../server/db/message.sql'
import { mailOf } from '../../server/utils/mail'
import { BASE, book, withDatabase } from './http'
import { desk, owner } from './people'

// What goes out to people: only with consent, only what was looked at, and nothing of anybody's health.

interface Shown {
  readonly to: string
  readonly subject: string
  readonly body: string
  readonly whyNot: string
}
interface Box {
  readonly messages: {
    readonly to: string
    readonly subject: string
    readonly state: string
    readonly kind: string
    readonly calendar: string | null
    readonly body: string
  }[]
}
async function client(contact: string[], email = 'tess@reader.example') {
  const name = `Tess ${randomUUID().slice(0, 8)}`
  const { body } = await owner.ask<{ id: string }>('POST', '/api/clients', {
    name,
    bornOn: '1985-06-15',
    email,
    contact,
  })
  return { id: body.id, name, visitId: await book(owner, name, 'acid') }
}
const box = async () => (await owner.ask<Box>('GET', '/api/messages')).body.messages
/** The one event of a calendar file, read by another library than wrote it. */
function eventOf(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  const [event] = calendar.getAllSubcomponents('vevent')
  return {
    method: String(calendar.getFirstPropertyValue('method')),
    event: new ICAL.Event(event!),
    raw: event!,
  }
}

describe('a confirmation', () => {
  test('is shown before it goes, and does not go without consent or an address', async () => {
    const [none, silent] = [await client(['email'], ''), await client(['phone'])]
    for (const { visitId } of [none, silent]) {
      const { body } = await desk.ask<Shown>('GET', `/api/visits/${visitId}/message`)
      expect(body.whyNot).not.toBe('')
      const sent = await desk.ask('POST', `/api/visits/${visitId}/message`)
      expect([sent.status, sent.body.code]).toEqual([409, 'not_agreed'])
    }
  })
  test('goes with its calendar file, and says nothing of what is done', async () => {
    const { visitId } = await client(['email'])
    const { body: shown } = await desk.ask<Shown>('GET', `/api/visits/${visitId}/message`)
    expect([shown.whyNot, shown.to]).toEqual(['', 'tess@reader.example'])
    expect((await desk.ask('POST', `/api/visits/${visitId}/message`)).status).toBe(204)
    const [message] = await box()
    expect(message).toMatchObject({
      subject: shown.subject,
      body: shown.body,
      state: 'shown',
      kind: 'confirmation',
    })
    expect(`${message!.body}${message!.calendar!}`.toLowerCase()).not.toMatch(/acid|peel|anneke/)
    const { method, event, raw } = eventOf(message!.calendar!)
    const { body: visit } = await owner.ask<{ visit: { startsAt: string; endsAt: string } }>(
      'GET',
      `/api/visits/${visitId}`,
    )
    expect([method, event.uid, event.sequence]).toEqual(['PUBLISH', `${visitId}@zen-ladder`, 0])
    expect(event.startDate.toJSDate().toISOString()).toBe(visit.visit.startsAt)
    expect(event.endDate.toJSDate().toISOString()).toBe(visit.visit.endsAt)
    expect(String(raw.getFirstPropertyValue('status'))).toBe('CONFIRMED')
  })
  test('after a move has the same UID and a higher sequence; called off it is cancelled', async () => {
    const { visitId } = await client(['email'])
    const { body } = await owner.ask<{
      visit: { startsAt: string; roomId: string; practitionerId: string }
    }>('GET', `/api/visits/${visitId}`)
    const at = new Date(body.visit.startsAt)
    const seat = {
      ...{ date: at.toISOString().slice(0, 10), time: at.toISOString().slice(11, 16) },
      ...{ slotMinutes: 60, roomId: body.visit.roomId, practitionerId: body.visit.practitionerId },
    }
    expect((await owner.ask('PUT', `/api/visits/${visitId}/seat`, seat)).status).toBe(204)
    const file = await fetch(`${BASE}/api/visits/${visitId}/calendar`, { headers: desk.headers() })
    expect(file.headers.get('content-type')).toContain('text/calendar')
    expect(eventOf(await file.text()).event.sequence).toBe(1)
    const off = await desk.ask('POST', `/api/visits/${visitId}/call-off`, {
      reason: 'ill',
      noShow: false,
      tell: true,
    })
    expect(off.status).toBe(204)
    const [message] = await box()
    const { method, event, raw } = eventOf(message!.calendar!)
    expect([method, event.uid, event.sequence]).toEqual(['CANCEL', `${visitId}@zen-ladder`, 2])
    expect(String(raw.getFirstPropertyValue('status'))).toBe('CANCELLED')
    expect(message!.body).not.toContain('ill')
  })
})

describe('a message on its way', () => {
  const waiting = (body = 'https://salon.example/join/abcdefghijklmnopqrstuvwxyz') =>
    withDatabase(async (db) => {
      const id = randomUUID()
      await db.query(
        `INSERT INTO message (id, kind, to_address, subject, body) VALUES ($1, 'invitation', 'a@b.example', 's', $2)`,
        [id, body],
      )
      return id
    })
  const stateOf = (id: string) =>
    withDatabase(
      async (db) =>
        (await db.query('SELECT state, tries, body, trouble FROM message WHERE id = $1', [id]))
          .rows[0] as Record<string, unknown>,
    )
  test('is taken by one sender alone, and its link is not kept once it went', async () => {
    const id = await waiting()
    const taken = await Promise.all(
      [1, 2, 3].map(() => withDatabase((db) => claimMessages(db as never, 50))),
    )
    expect(taken.flat().filter((one) => one.id === id)).toHaveLength(1)
    await withDatabase((db) => settleMessage(db as never, id, true, ''))
    expect(await stateOf(id)).toMatchObject({ state: 'sent', body: 'https://salon.example/join/…' })
  })
  test('that does not go is tried again later, and given up after eight tries', async () => {
    const id = await waiting()
    for (let at = 1; at <= 8; at++) {
      await withDatabase((db) =>
        db.query('UPDATE message SET next_try_at = now() WHERE id = $1', [id]),
      )
      const taken = await withDatabase((db) => claimMessages(db as never, 50))
      expect(taken.some((one) => one.id === id)).toBe(true)
      await withDatabase((db) => settleMessage(db as never, id, false, 'no route to host'))
      // Not at once again.
      expect(
        (await withDatabase((db) => claimMessages(db as never, 50))).some((one) => one.id === id),
      ).toBe(false)
      expect((await stateOf(id)).state).toBe(at < 8 ? 'waits' : 'given-up')
    }
    expect((await stateOf(id)).trouble).toBe('no route to host')
  })
  test('is a mail with its calendar in it, as the mail package writes it', async () => {
    const { visitId } = await client(['email'])
    const calendar = await (
      await fetch(`${BASE}/api/visits/${visitId}/calendar`, { headers: desk.headers() })
    ).text()
    const mail = mailOf(
      {
        kind: 'confirmation',
        to: 'a@b.example',
        subject: 'Your visit',
        body: 'Dear Tess',
        calendar,
      },
      'salon@c.example',
    )
    const sent = await createTransport({ streamTransport: true, buffer: true }).sendMail(mail)
    const text = (sent as unknown as { message: Buffer }).message.toString()
    expect(text).toContain('From: salon@c.example')
    expect(text).toContain('To: a@b.example')
    expect(text).toMatch(/text\/calendar; charset=utf-8; method=PUBLISH/)
  })
})

test('a link that sets a password goes by mail to whom it is for', async () => {
  const email = `${randomUUID().slice(0, 8)}@saltgrass.example`
  const { body } = await owner.ask<{ id: string; link: { path: string } }>('POST', '/api/people', {
    ...{ name: 'Invited Hand', email, role: 'assistant', performs: false },
  })
  const path = `/api/people/${body.id}/messages`
  expect((await owner.ask('POST', path, { path: 'https://elsewhere.example/' })).status).toBe(400)
  expect((await owner.ask('POST', path, { path: body.link.path })).status).toBe(204)
  const [message] = await box()
  expect(message).toMatchObject({ to: email, kind: 'invitation' })
  expect(message!.body).toContain(`${BASE}${body.link.path}`)
})
