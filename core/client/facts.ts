import { addDays, differenceInCalendarDays, differenceInYears, format, parseISO } from 'date-fns'
import type { Fact } from './model'
import { EVIDENCE_CODES, questionByCode } from './questions'

/** The answer in force per code: the latest asked; of two on one day the later in the list. */
export function factsInForce(facts: readonly Fact[]): Map<string, Fact> {
  const inForce = new Map<string, Fact>()
  for (const fact of facts) {
    const earlier = inForce.get(fact.code)
    if (!earlier || fact.askedOn >= earlier.askedOn) inForce.set(fact.code, fact)
  }
  return inForce
}

/** The answers in force on the day of a visit: what is true of one day only is not known on another. */
export function factsOn(facts: readonly Fact[], date: string): Map<string, Fact> {
  const inForce = factsInForce(facts)
  for (const [code, fact] of inForce)
    if (fact.askedOn < date && questionByCode.get(code)?.ofTheDay) inForce.delete(code)
  return inForce
}

/** Every question of the day answered no: what is taken of a day that has not come, when nobody has a fever or a fresh shave yet. */
export const nothingOfTheDay = (date: string): Fact[] =>
  [...questionByCode.values()]
    .filter(({ ofTheDay }) => ofTheDay)
    .map(({ code }) => ({ code, answer: 'no', askedOn: date }))

/** Every question answered no: somebody who has just come in, as if nothing stood in the way. What may only loosen stays open. */
export const nothingKnown = (date: string): Fact[] =>
  [...questionByCode.keys(), 'allergy:any']
    .filter((code) => !EVIDENCE_CODES.includes(code))
    .map((code) => ({ code, answer: 'no', askedOn: date }))

/** Whole days from `from` to `to`, both ISO dates; negative when `to` is earlier. */
export const daysBetween = (from: string, to: string): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from))

/** The ISO date a number of days after another; before it where `days` is negative. */
export const dateAfter = (date: string, days: number): string =>
  format(addDays(parseISO(date), days), 'yyyy-MM-dd')

/** An ISO date as people read it: "24 Nov 2026". */
export const dateInWords = (date: string): string => format(parseISO(date), 'd MMM yyyy')

/** Years at which somebody is of age where nothing else is set (value from memory: most countries). */
export const MAJORITY = 18

/** Age in completed years on a date. */
export const ageOn = (bornOn: string, date: string): number =>
  differenceInYears(parseISO(date), parseISO(bornOn))
