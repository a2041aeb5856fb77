import { daysBetween } from '../client/facts'
import type { Concern } from '../client/model'
import type { FindingKind } from '../skin/findings'
import type { Finding, Reading } from '../skin/model'
import type { PastVisit } from './model'

/** What a concern is seen by. */
const SEEN_BY: Readonly<Record<Concern, readonly FindingKind[]>> = {
  calm: ['flushing', 'vessels', 'sensitive', 'inflamed'],
  clarify: ['congestion', 'inflamed', 'pores'],
  hydrate: ['dehydrated', 'dry', 'surface-dry'],
  firm: ['laxity', 'lines'],
  brighten: ['patchy-pigment', 'marks', 'dull', 'tone-step'],
  smooth: ['scars', 'pores', 'lines'],
  eyes: ['puffy', 'lines', 'dehydrated'],
  lips: ['dry', 'lines'],
}
const VISITS_TO_JUDGE = 4
/** Weeks before it can be told whether a concern moves (common practice, no source): pigment, lines and firmness are slow. */
const WEEKS_TO_JUDGE: Readonly<Record<Concern, number>> = {
  calm: 6,
  clarify: 6,
  hydrate: 6,
  brighten: 12,
  firm: 12,
  smooth: 12,
  eyes: 6,
  lips: 6,
}
const WEEK_DAYS = 7

/** How much of a concern a reading shows: grade times zones, summed. */
export const burden = (concern: Concern, findings: readonly Finding[]): number =>
  findings
    .filter((finding) => SEEN_BY[concern].includes(finding.kind))
    .reduce((sum, finding) => sum + finding.grade * finding.zones.length, 0)

/** E12: true when the first concern was there four visits and six or twelve weeks ago and has not become less since, today's reading included. */
export function notMoving(
  concern: Concern | undefined,
  history: readonly PastVisit[],
  today: Pick<Reading, 'done' | 'findings'>,
  date: string,
): boolean {
  if (!concern || !today.done) return false
  const past = history
    .filter((visit) => visit.findings !== undefined)
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .slice(-VISITS_TO_JUDGE)
  if (past.length < VISITS_TO_JUDGE) return false
  if (daysBetween(past[0]!.on, date) < WEEKS_TO_JUDGE[concern] * WEEK_DAYS) return false
  const before = burden(concern, past[0]!.findings!)
  return (
    before > 0 &&
    [
      ...past.slice(1).map((visit) => burden(concern, visit.findings!)),
      burden(concern, today.findings),
    ].every((now) => now >= before)
  )
}

/** E08: active inflammation while the first wish is a lighter skin. */
export const clearFirst = (concern: Concern | undefined, findings: readonly Finding[]): boolean =>
  concern === 'brighten' &&
  findings.some((finding) => finding.kind === 'inflamed' && finding.grade >= 2)
