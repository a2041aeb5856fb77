import { differenceInCalendarDays, parseISO } from 'date-fns'
import type { ScopeEntry } from './model'

/** Days before its end in which a licence says so. */
const SOON_DAYS = 30

/** A licence that has ended or ends soon. */
export interface EndingLicence {
  readonly technique: ScopeEntry['technique']
  readonly until: string
  /** Whole days from today to its last day; below zero: it has ended. */
  readonly daysLeft: number
}

/** Whether a licence with this last day (ISO) is to be renewed, on a day (ISO): in its last thirty days, and after them. */
export const endsSoon = (until: string, today: string): boolean =>
  differenceInCalendarDays(parseISO(until), parseISO(today)) <= SOON_DAYS

/** The licences of a person that have ended or end soon, the first first. Its last day is still a day of it. */
export const licencesEnding = (scope: readonly ScopeEntry[], today: string): EndingLicence[] =>
  scope
    .flatMap(({ technique, until }) => (until === undefined ? [] : [{ technique, until }]))
    .filter(({ until }) => endsSoon(until, today))
    .map(({ technique, until }) => ({
      technique,
      until,
      daysLeft: differenceInCalendarDays(parseISO(until), parseISO(today)),
    }))
    .sort((a, b) => a.daysLeft - b.daysLeft)

/** How long a licence still lasts, in words. */
export function endInWords(daysLeft: number): string {
  if (daysLeft < 0) return 'has ended'
  if (daysLeft === 0) return 'ends today'
  return daysLeft === 1 ? 'ends tomorrow' : `ends in ${daysLeft} days`
}
