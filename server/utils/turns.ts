import { ladderAround } from '#core/adapt'
import {
  alternates,
  boundSpans,
  freeTimes,
  type FreeTime,
  type Seats,
  type Span,
} from '#core/booking'
import { CHANGE_OVER_S, type ProtocolVersion } from '#core/protocol'
import { boundVisits } from '../db/booking.sql'
import { latestPlan } from '../db/plan.sql'
import { versionById } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import { salonInstant } from '../db/salon.sql'
import type { Turn } from '../db/visit.sql'

// One pair of hands for two clients: while a mask that nobody stays with lies on the one, they are at the other.

const MINUTE_MS = 60_000
const DAY_MS = 1440 * MINUTE_MS
const ROUND_MINUTES = 5
const LEAST_MINUTES = 15

const whole = (lengthMs: number): Span[] => [{ fromMs: 0, toMs: lengthMs }]

/** When a ladder binds whoever performs it within a slot, change-overs included, in milliseconds from its beginning; all of it where it has no order. */
function boundIn(segments: Parameters<typeof boundSpans>[0], lengthMs: number): Span[] {
  const spans = boundSpans(segments)
    .map(({ fromS, toS }) => ({ fromMs: fromS * 1000, toMs: Math.min(toS * 1000, lengthMs) }))
    .filter(({ fromMs, toMs }) => fromMs < toMs)
  return spans.length > 0 ? spans : whole(lengthMs)
}

/** A visit, and when it binds whoever performs it. */
export interface Bound extends Turn, Span {
  readonly practitionerId: string
}
interface Salon {
  readonly id: string
  readonly today: string
}

const isSame = (a: Span, b: Span): boolean => a.fromMs === b.fromMs && a.toMs === b.toMs

/** When a visit really binds whoever performs it: as it is fitted, else as its card is written. */
async function spansOf(
  db: Db,
  salon: Salon,
  { id, versionId, startsAt, endsAt }: Awaited<ReturnType<typeof boundVisits>>[number],
): Promise<Span[]> {
  const plan = await latestPlan(db, id)
  const card = plan ? undefined : await versionById(db, salon.id, versionId)
  const segments = plan?.plan.segments ?? (card ? ladderAround(card.steps, [])?.segments : [])
  return boundIn(segments ?? [], +endsAt - +startsAt).map(({ fromMs, toMs }) => ({
    fromMs: +startsAt + fromMs,
    toMs: +startsAt + toMs,
  }))
}

/** Visits that bind somebody on a day, and when each of them does: as it was booked in turn already, as it is fitted, else as its card is written. */
export async function turnsOn(db: Db, salon: Salon, date: string): Promise<Bound[]> {
  const from = await salonInstant(db, salon.id, date, '00:00')
  const to = new Date(from.getTime() + DAY_MS)
  const turns: Bound[] = []
  for (const visit of await boundVisits(db, salon.id, { from, to })) {
    const { id, practitionerId, startsAt, endsAt, booked } = visit
    const span = { fromMs: +startsAt, toMs: +endsAt }
    const isWhole = booked.length === 1 && isSame(booked[0]!, span)
    const spans = isWhole ? await spansOf(db, salon, visit) : booked
    turns.push({ id, practitionerId, ...span, spans })
  }
  return turns
}

/** A card at a time around another client: how long it takes with its waiting, and when it binds whoever performs it. */
interface InTurn extends Turn {
  readonly minutes: number
  /** The visits it takes turns with. */
  readonly met: readonly Bound[]
}

/** Fits a card in turn with what else a practitioner does. Undefined where it would only wait for the other to be over, or does not fit within so many minutes. */
export function placedInTurn(
  { steps }: Pick<ProtocolVersion, 'steps'>,
  booked: readonly Bound[],
  { id, atMs, most }: { readonly id: string; readonly atMs: number; readonly most: number },
): InTurn | undefined {
  const until = (minutes: number) => atMs + minutes * MINUTE_MS
  const near = booked.filter(({ fromMs, toMs }) => fromMs < until(most) && toMs > atMs)
  if (near.length === 0) return undefined
  const second = (ms: number) => Math.round((ms - atMs) / 1000)
  const reserved = near.flatMap(({ spans }) =>
    spans.map(({ fromMs, toMs }) => ({
      fromS: second(fromMs) - CHANGE_OVER_S,
      toS: second(toMs),
    })),
  )
  const laid = ladderAround(steps, reserved)
  if (!laid || laid.totalS > most * 60) return undefined
  const minutes = ROUND_MINUTES * Math.ceil(laid.totalS / 60 / ROUND_MINUTES)
  const met = near.filter(({ fromMs }) => fromMs < until(minutes))
  const spans = boundIn(laid.segments, most * MINUTE_MS).map(({ fromMs, toMs }) => ({
    fromMs: atMs + fromMs,
    toMs: atMs + toMs,
  }))
  const others = met.flatMap((one) => one.spans)
  return alternates(spans, others) ? { id, spans, minutes, met } : undefined
}

/** Times of a day at which somebody is with another client and can perform a card in turn all the same, in a room that is free for as long as that takes. */
export function timesInTurn(
  card: Pick<ProtocolVersion, 'steps'>,
  seats: Seats,
  turns: readonly Bound[],
  wish: { readonly most: number; readonly turnover: number; readonly notBeforeMs: number },
): (FreeTime & { readonly minutes: number })[] {
  const { most, turnover, notBeforeMs } = wish
  const ownOf = (practitioner: string) =>
    turns.filter(({ practitionerId }) => practitionerId === practitioner)
  const starts = freeTimes(
    { ...seats, busyPractitioners: [] },
    { minutes: LEAST_MINUTES, turnover, step: ROUND_MINUTES, notBeforeMs },
  )
  return starts.flatMap(({ atMs }) => {
    const found = seats.practitioners.flatMap((id) => {
      const placed = placedInTurn(card, ownOf(id), { id, atMs, most })
      if (!placed) return []
      const { minutes } = placed
      const open = seats.open.filter(({ toMs }) => atMs + minutes * MINUTE_MS <= toMs)
      const [time] = freeTimes(
        { ...seats, practitioners: [id], busyPractitioners: [], open: open.slice(0, 1) },
        { minutes, turnover, step: ROUND_MINUTES, notBeforeMs: atMs },
      )
      return time?.atMs === atMs ? [{ ...time, minutes }] : []
    })
    // With whom it waits the least.
    return found.sort((a, b) => a.minutes - b.minutes).slice(0, 1)
  })
}
