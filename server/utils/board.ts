import { format, parseISO } from 'date-fns'
import type { PoolClient } from 'pg'
import {
  doFirst,
  sharedDevices,
  thumbOf,
  whyCall,
  writtenThumb,
  type DeviceUse,
  type DoFirst,
} from '#core/board'
import { isCopyOld, licencesEnding } from '#core/salon'
import type { Account } from '../db/access.sql'
import { doubtsOf, testsToRead, unheardVisits, withoutConsent } from '../db/board.sql'
import type { laddersOf } from '../db/board.sql'
import { clocksOf } from '../db/booking.sql'
import { copyStanding, houseBegan } from '../db/copies.sql'
import { listPeople } from '../db/people.sql'
import { bookableCards, listBookable } from '../db/protocol.sql'
import { listDevices } from '../db/things.sql'
import type { VisitRow } from '../db/visit.sql'
import { canDo } from './capabilities'
import { forecastOf } from './forecast'

type Ladders = Awaited<ReturnType<typeof laddersOf>>

/** The ladders of a day's visits in miniature, by visit. */
export function thumbsOf(ladders: Ladders) {
  return new Map(
    ladders.map(({ visitId, segments, totalS, steps }) => {
      const isFitted = segments !== null
      const thumb = isFitted ? thumbOf(segments) : writtenThumb(steps)
      return [
        visitId,
        { ...thumb, totalS: (isFitted && totalS) || thumb.totalS, isFitted },
      ] as const
    }),
  )
}

/** Minutes of published versions, which never change. */
const minutesKnown = new Map<string, number>()
const MOST_KNOWN = 2000
const MINUTE_S = 60

/** The cards that can be booked, with their minutes as written. */
export async function cardsWithMinutes(db: PoolClient, salonId: string) {
  const heads = await listBookable(db, salonId)
  const keyOf = (versionId: string) => `${salonId} ${versionId}`
  if (heads.some(({ version_id: versionId }) => !minutesKnown.has(keyOf(versionId)))) {
    if (minutesKnown.size > MOST_KNOWN) minutesKnown.clear()
    for (const { id, steps } of await bookableCards(db, salonId))
      minutesKnown.set(keyOf(id), Math.round(writtenThumb(steps).totalS / MINUTE_S))
  }
  return heads.map(({ id, name, version_id: versionId }) => ({
    ...{ id, name },
    minutes: minutesKnown.get(keyOf(versionId)) ?? 0,
  }))
}

interface Today {
  readonly db: PoolClient
  readonly account: Account
  readonly today: string
  readonly visits: readonly VisitRow[]
  readonly ladders: Ladders
  /** Copies are the house's, and not made of the demo. */
  readonly isOwnWorld: boolean
}

const weekdayOf = (date: string): string => format(parseISO(date), 'EEEE')
const firstName = (name: string): string => name.trim().split(/\s+/u)[0]!

/** What is to be done before the rest of the day, for whoever asks: health for who may read it, papers for who is answerable for them. */
export async function firstThings(day: Today): Promise<DoFirst[]> {
  const { db, account } = day
  const mayRead = canDo(account.role, 'health.read')
  return doFirst({
    ...(mayRead ? await ofClients(day) : { tests: [], calls: [], unsigned: [], twice: [] }),
    short: await shortToday(day),
    doubtful: (await doubtsOf(db, account.id)).map(({ visitId, name }) => ({ visitId, who: name })),
    papers: canDo(account.role, 'people.write') ? await papersEnding(day) : [],
    copyIsOld: day.isOwnWorld && canDo(account.role, 'salon.write') && (await isOldCopy(db)),
  })
}

async function ofClients(day: Today) {
  const { db, account, today, visits } = day
  const unsigned = await withoutConsent(
    db,
    visits.filter(({ stage }) => stage === 'booked' || stage === 'open').map(({ id }) => id),
  )
  const clocks = await clocksOf(
    db,
    account.salon_id,
    visits.map((visit) => visit.starts_at),
  )
  return {
    tests: (await testsToRead(db, account.salon_id, today)).map(({ clientId, name, placedOn }) => ({
      ...{ clientId, who: firstName(name), weekday: weekdayOf(placedOn) },
    })),
    calls: (await unheardVisits(db, account.salon_id, today)).flatMap((visit) => {
      const because = whyCall(visit)
      const { visitId, name, on } = visit
      return because ? [{ visitId, who: firstName(name), weekday: weekdayOf(on), because }] : []
    }),
    unsigned: visits.flatMap(({ id, client_name: who }, at) =>
      unsigned.includes(id) ? [{ visitId: id, who, time: clocks[at]! }] : [],
    ),
    twice: await devicesTwice(day),
  }
}

const SECOND_MS = 1000
async function devicesTwice({ db, account, visits, ladders }: Today) {
  const startOf = new Map(visits.map((visit) => [visit.id, visit.starts_at.getTime()]))
  const uses = ladders.flatMap(({ visitId, segments, devices }): DeviceUse[] =>
    (segments ?? []).flatMap(({ stepId, startS, endS }) => {
      const [deviceId, fromMs] = [devices[stepId], startOf.get(visitId)]
      if (deviceId === undefined || fromMs === undefined) return []
      return [
        {
          ...{ deviceId, visitId },
          ...{ fromMs: fromMs + startS * SECOND_MS, toMs: fromMs + endS * SECOND_MS },
        },
      ]
    }),
  )
  const shared = sharedDevices(uses)
  if (shared.length === 0) return []
  const devices = await listDevices(db, account.salon_id)
  const clocks = await clocksOf(
    db,
    account.salon_id,
    shared.map(({ atMs }) => new Date(atMs)),
  )
  return shared.map(({ deviceId }, at) => ({
    device: devices.find(({ id }) => id === deviceId)?.name ?? deviceId,
    time: clocks[at]!,
  }))
}

async function shortToday({ db, account, today }: Today) {
  const { all } = await forecastOf(db, account.salon_id, today, today)
  return all.filter(({ short }) => short > 0).map(({ productId, name }) => ({ productId, name }))
}

const papersEnding = async ({ db, account, today }: Today) =>
  (await listPeople(db, account.salon_id))
    .filter(({ leftAt }) => leftAt === null)
    .flatMap(({ name, scope }) =>
      licencesEnding(scope, today).map(({ technique, daysLeft }) => ({
        name,
        technique,
        daysLeft,
      })),
    )

const isOldCopy = async (db: PoolClient) =>
  isCopyOld((await copyStanding(db)).lastOk, await houseBegan(db), new Date())
