import { fitting, gapsOf, type About, type Stretch } from '#core/board'
import type { Reply } from '~/support/api'

export type Day = Reply<'/api/day'>
export type FirstThing = Reply<'/api/day/first'>[number]
export type DayVisit = Day['visits'][number]

/** So tall is a minute: an hour of hands can be read from the door, a day needs little scrolling. */
export const PX_PER_MINUTE = 1.7
const MINUTE_MS = 60_000
const HOUR_MS = 60 * MINUTE_MS
const LEAST_GAP_MINUTES = 20
export const SNAP_MINUTES = 5

export type By = 'room' | 'person'
export interface Column {
  readonly id: string
  readonly name: string
  /** Who works in it today, or where. */
  readonly beside: string
  readonly visits: readonly DayVisit[]
}

const ms = (at: string | Date): number => new Date(at).getTime()

/** The columns of a day: every room, or everybody, in order of name; those without a visit too. */
export function columnsOf(day: Day, by: By): Column[] {
  const list = by === 'room' ? day.choices.rooms : day.choices.practitioners
  const idOf = ({ roomId, practitionerId }: DayVisit) => (by === 'room' ? roomId : practitionerId)
  const besideOf = ({ room, practitioner }: DayVisit) => (by === 'room' ? practitioner : room)
  return list.map(({ id, name }) => {
    const visits = day.visits.filter((visit) => idOf(visit) === id)
    return { id, name, visits, beside: [...new Set(visits.map(besideOf))].join(', ') }
  })
}

/** From when to when a day is drawn, in whole hours: what is open and what is booked; where no hours were ever told, what is booked and eight to six. */
export function spanOf(day: Day, utcOffsetMs: number): Stretch {
  const isTold = day.open.some(({ fromMs, toMs }) => toMs - fromMs < 24 * HOUR_MS)
  const midnight = Date.parse(`${day.date}T00:00:00Z`) - utcOffsetMs
  const usual = { fromMs: midnight + 8 * HOUR_MS, toMs: midnight + 18 * HOUR_MS }
  const open = isTold ? day.open : [usual]
  const booked = day.visits.map(({ startsAt, roomUntil }) => ({
    ...{ fromMs: ms(startsAt), toMs: ms(roomUntil) },
  }))
  const all = [...open, ...booked]
  const fromMs = Math.min(...all.map((one) => one.fromMs), usual.toMs)
  const toMs = Math.max(...all.map((one) => one.toMs), fromMs + HOUR_MS)
  return {
    fromMs: Math.floor(fromMs / HOUR_MS) * HOUR_MS,
    toMs: Math.ceil(toMs / HOUR_MS) * HOUR_MS,
  }
}

export const yOf = (atMs: number, { fromMs }: Stretch): number =>
  ((atMs - fromMs) / MINUTE_MS) * PX_PER_MINUTE
/** The instant at a height, to five minutes. */
export const atY = (y: number, { fromMs }: Stretch): number =>
  fromMs + Math.round(y / PX_PER_MINUTE / SNAP_MINUTES) * SNAP_MINUTES * MINUTE_MS

/** Full hours of a span. */
export const hoursOf = ({ fromMs, toMs }: Stretch): number[] =>
  Array.from({ length: (toMs - fromMs) / HOUR_MS + 1 }, (_, at) => fromMs + at * HOUR_MS)

export interface Gap extends Stretch {
  /** Names of the cards that fit, the longest first. */
  readonly cards: readonly {
    readonly id: string
    readonly name: string
    readonly minutes: number
  }[]
}
/** Where a room is free from now on, with the cards that fit there. A room that nobody works in today is left alone. */
export function roomGaps(day: Day, { visits }: Column, span: Stretch, nowMs: number): Gap[] {
  if (visits.length === 0) return []
  const open = day.open.map(({ fromMs, toMs }) => ({
    ...{ fromMs: Math.max(fromMs, span.fromMs), toMs: Math.min(toMs, span.toMs) },
  }))
  const taken = visits.map(({ startsAt, roomUntil }) => ({
    ...{ fromMs: ms(startsAt), toMs: ms(roomUntil) },
  }))
  return gapsOf(open, taken, LEAST_GAP_MINUTES, nowMs).map((gap) => ({
    ...gap,
    cards: fitting(gap, day.choices.protocols, day.turnoverMinutes),
  }))
}

/** Where a thing that waits is done; undefined: nowhere in particular. */
export function placeOf(about: About): string | undefined {
  switch (about.kind) {
    case 'client':
      return `/clients/${about.id}`
    case 'visit':
      return `/visits/${about.id}/consult`
    case 'closed-visit':
      return `/visits/${about.id}/close`
    case 'product':
      return `/shelf/${about.id}`
    case 'people':
    case 'copies':
      return `/settings/${about.kind}`
    case 'device':
      return undefined
  }
}

/** Minutes of a visit's slot. */
export const slotMinutes = ({ startsAt, endsAt }: Pick<DayVisit, 'startsAt' | 'endsAt'>): number =>
  (ms(endsAt) - ms(startsAt)) / MINUTE_MS
/** A visit that has not begun may be put elsewhere. */
export const mayMove = ({ stage }: DayVisit): boolean => stage === 'booked' || stage === 'open'

/** How a visit stands, in a few words; nothing for one that nobody has begun. */
export function standsAt({ stage, endsAt }: DayVisit, nowMs: number): string {
  if (stage === 'closed') return 'signed'
  if (stage === 'open') return 'being prepared'
  if (stage !== 'performing') return ''
  const left = Math.round((ms(endsAt) - nowMs) / MINUTE_MS)
  return left >= 0 ? `now, ${left} min left` : `now, ${-left} min over`
}

/** Whom to look at first: who is next, else who is here, else the last of the day. */
export function firstToShow(visits: readonly DayVisit[], nowMs: number): DayVisit | undefined {
  const waiting = visits.filter(({ stage }) => stage === 'booked' || stage === 'open')
  return (
    waiting.find(({ startsAt }) => ms(startsAt) >= nowMs) ??
    waiting.at(-1) ??
    visits.find(({ stage }) => stage === 'performing') ??
    visits.at(-1)
  )
}
