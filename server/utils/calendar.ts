import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator'

interface CalendarVisit {
  readonly id: string
  readonly salon: string
  readonly address: string
  readonly startsAt: Date
  readonly endsAt: Date
  /** How often it was moved: a calendar takes the higher one for newer. */
  readonly moved: number
  readonly isCalledOff: boolean
}

/** A visit as a calendar file (RFC 5545): one UID a visit, moves with a higher SEQUENCE, and nothing of what is done at it. */
export function calendarOf(visit: CalendarVisit): string {
  const { id, salon, address, startsAt, endsAt, moved, isCalledOff } = visit
  const calendar = ical({
    prodId: { company: 'Zen Ladder', product: 'visits', language: 'EN' },
    method: isCalledOff ? ICalCalendarMethod.CANCEL : ICalCalendarMethod.PUBLISH,
  })
  calendar.createEvent({
    ...{ id: `${id}@zen-ladder`, start: startsAt, end: endsAt, stamp: new Date() },
    summary: `Visit at ${salon}`,
    sequence: moved + (isCalledOff ? 1 : 0),
    status: isCalledOff ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    ...(address ? { location: address } : {}),
  })
  return calendar.toString()
}
