import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { Conflict } from '#core/fault'
import { calledOffText, confirmationText, type MessageText } from '#core/messages'
import type { Account } from '../db/access.sql'
import { movedTimes } from '../db/booking.sql'
import { clientDetails } from '../db/clients.sql'
import { addMessage } from '../db/message.sql'
import { salonById } from '../db/salon.sql'
import type { VisitRow } from '../db/visit.sql'
import { calendarOf } from './calendar'
import type { World } from './db'
import { isMailSent } from './mail'

/** Of the demo nothing is ever sent. */
export const isShownOnly = (world: World): boolean => world === 'demo' || !isMailSent()

const clock = (at: Date, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(at)
const dayOf = (at: Date, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone }).format(at).replace(',', '')

/** A visit's calendar file. */
export async function visitCalendar(db: PoolClient, visit: VisitRow): Promise<string> {
  const salon = (await salonById(db, visit.salon_id))!
  return calendarOf({
    ...{ id: visit.id, salon: salon.name, address: salon.address },
    ...{ startsAt: visit.starts_at, endsAt: visit.ends_at },
    moved: await movedTimes(db, visit.id),
    isCalledOff: visit.stage === 'called-off',
  })
}

/** What a client would be told of a visit, to whom, and why it may not be sent: nothing goes without their consent. */
export async function visitMessage(db: PoolClient, visit: VisitRow) {
  const salon = (await salonById(db, visit.salon_id))!
  const client = (await clientDetails(db, visit.salon_id, visit.client_id))!
  const { starts_at: from, ends_at: to, time_zone: zone } = visit
  const words = {
    ...{ salon: salon.name, address: salon.address, name: client.name },
    when: `${dayOf(from, zone)}, ${clock(from, zone)} to ${clock(to, zone)}`,
  }
  const isCalledOff = visit.stage === 'called-off'
  const own = salon.choices.words
  const text: MessageText = isCalledOff
    ? calledOffText(words, own.calledOff)
    : confirmationText(words, own.confirmation)
  return {
    ...text,
    kind: isCalledOff ? ('called-off' as const) : ('confirmation' as const),
    to: client.email,
    whyNot: whyNot(client),
  }
}

function whyNot({ email, contact }: { email: string; contact: readonly string[] }): string {
  if (!email) return 'There is no e-mail address in the record.'
  return contact.includes('email')
    ? ''
    : 'The client has not agreed to e-mail: ask, and tick it under Name and contact.'
}

/** Puts it among what goes out, or what is shown. */
export async function queueVisitMessage(
  db: PoolClient,
  account: Account,
  visit: VisitRow,
  world: World,
): Promise<void> {
  const { whyNot: refusal, kind, to, subject, body } = await visitMessage(db, visit)
  if (refusal) throw new Conflict({ code: 'not_agreed', detail: refusal })
  await addMessage(db, {
    ...{ id: randomUUID(), kind, to, subject, body, by: account.id },
    ...{ clientId: visit.client_id, visitId: visit.id },
    calendar: await visitCalendar(db, visit),
    isShown: isShownOnly(world),
  })
}
