import type { PoolClient } from 'pg'
import { z } from 'zod'
import { sketch } from '#core/adapt'
import { freeTimes, techniquesOf, type FreeTime } from '#core/booking'
import { needsGuardian } from '#core/client'
import { namedIn } from '#core/formats'
import { closedFor } from '#core/salon'
import { clocksOf } from '../../db/booking.sql'
import { clientDetails } from '../../db/clients.sql'
import { salonById } from '../../db/salon.sql'
import { loadShelf } from '../../db/shelf.sql'
import { bookableVersion } from '../../utils/bookable'
import { hoursFrom, seatsOn } from '../../utils/booking'
import { timesInTurn, turnsOn } from '../../utils/turns'
import { defineDoor } from '../../utils/door'

const STEP_MINUTES = 15
const ROUND_MINUTES = 5
const LEAST_MINUTES = 15
const MOST_MINUTES = 240
/** Any time of a day that is shut all day. */
const NOON = '12:00'
/** So long a client may lie waiting for hands, all in all (house figure). */
const WAITS_MOST_MINUTES = 20
const Body = z.strictObject({
  protocolId: z.string().max(80),
  date: z.iso.date(),
  /** Left out: as long as the card is written. */
  slotMinutes: z.number().int().min(15).max(240).optional(),
  clientId: z.uuid().optional(),
  roomId: z.uuid().optional(),
  practitionerId: z.uuid().optional(),
  /** A visit that is to be moved. */
  but: z.uuid().optional(),
  /** Only where whoever performs takes turns with another client. */
  turns: z.literal(true).optional(),
})

/** Times of a day at which a card can really be performed: the salon is open, a room is free with its turnover, somebody is free who may do it. */
export default defineDoor({ can: 'booking', body: Body }, async ({ db, account, body }) => {
  const salonId = account.salon_id
  const salon = (await salonById(db, salonId))!
  const card = await cardWanted(db, salon, body)
  const minutes = body.slotMinutes ?? card.usual
  const seats = await seatsOn(db, salonId, body.date, body.but ?? null)
  const able = seats.people.filter(({ scope }) => card.asked.every((one) => scope.includes(one)))
  const ableIds = able.map(({ id }) => id)
  const own = {
    ...seats,
    rooms: only(seats.rooms, body.roomId),
    practitioners: only(ableIds, body.practitionerId),
    busyDevices: seats.busyDevices.filter(({ id }) => card.deviceIds.has(id)),
  }
  const asked = { minutes, turnover: salon.turnover_minutes, notBeforeMs: Date.now() }
  const most = body.slotMinutes ?? card.usual + WAITS_MOST_MINUTES
  const times = body.turns
    ? timesInTurn(card.version, own, await turnsOn(db, salon, body.date), { ...asked, most })
    : freeTimes(own, { ...asked, step: STEP_MINUTES })
  const isShut = seats.open.length === 0
  const closed = isShut && closedFor(await hoursFrom(db, salonId, body.date), body.date, NOON, 1)
  return {
    minutes,
    usual: card.usual,
    /** Why the salon is closed all that day. */
    closed: closed || null,
    /** Who may not do what the card asks. */
    unable: seats.people
      .filter((one) => !able.includes(one))
      .map(({ name, scope }) => ({
        name,
        lacks: card.asked.filter((one) => !scope.includes(one)),
      })),
    times: await onTheClock(db, salonId, times, card.names),
  }
})

const only = (list: readonly string[], wanted: string | undefined): readonly string[] =>
  wanted === undefined ? list : list.filter((id) => id === wanted)

/** A card as a booking wants it: how long it is as written, what it asks of whoever performs it, the devices it names. */
async function cardWanted(
  db: PoolClient,
  { id: salonId, today, choices }: NonNullable<Awaited<ReturnType<typeof salonById>>>,
  { protocolId, clientId, date }: z.infer<typeof Body>,
) {
  const card = await bookableVersion(db, salonId, protocolId)
  const shelf = await loadShelf(db, salonId, namedIn(card.steps).products, today)
  const writtenMinutes = (sketch(card.steps, shelf, true).totalS ?? 0) / 60
  const rounded = ROUND_MINUTES * Math.ceil(writtenMinutes / ROUND_MINUTES)
  const client = clientId ? await clientDetails(db, salonId, clientId) : undefined
  return {
    version: card,
    usual: Math.min(MOST_MINUTES, Math.max(LEAST_MINUTES, rounded)),
    asked: techniquesOf(
      card.steps,
      shelf,
      client !== undefined && needsGuardian(client, date, choices.minors.majority),
    ),
    deviceIds: new Set(card.steps.flatMap(({ deviceId }) => deviceId ?? [])),
    names: new Map(shelf.devices.map(({ id, name }) => [id, name])),
  }
}

async function onTheClock(
  db: PoolClient,
  salonId: string,
  times: readonly (FreeTime & { readonly minutes?: number })[],
  names: ReadonlyMap<string, string>,
) {
  const clocks = await clocksOf(
    db,
    salonId,
    times.map(({ atMs }) => new Date(atMs)),
  )
  return times.map(({ atMs: _at, shares, minutes, ...time }, at) => ({
    ...time,
    /** In turn: with its waiting. */
    minutes: minutes ?? null,
    time: clocks[at]!,
    shares: shares.map((id) => names.get(id) ?? id),
  }))
}
