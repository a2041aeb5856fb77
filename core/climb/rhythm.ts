import { daysBetween } from '../client/facts'
import type { Course, Step } from '../protocol/model'
import { visitPoints } from '../strength/points'
import type { Property } from '../protocol/words'
import { daysBeforeAgain } from './intervals'
import type { LeverUse, PastVisit } from './model'
import { GAP_DAYS } from './suggest'

/** What of a written step the days between visits are read from. */
interface Work {
  readonly step: Pick<Step, 'id' | 'title' | 'zones'>
  readonly levers: readonly LeverUse[]
  readonly properties: ReadonlySet<Property>
  readonly points: number
}

/** A card that asks for its next visit sooner than its own work allows (rule E01, for young skin; longer with age). */
export interface ShortRhythm {
  readonly stepId: string
  /** From so many days on it is no fault any more. */
  readonly leastDays: number
  readonly says: string
  readonly fix: string
}

/** The finding on a course, read against what its own steps do; undefined where its rhythm leaves them the time they need. */
export function shortRhythm(course: Course, steps: readonly Work[]): ShortRhythm | undefined {
  // One visit that nothing follows has nothing to be too close to.
  if (course.visits === 1 && course.next === undefined) return undefined
  // Steps on the same zones add up, so each is read with the points of the whole visit.
  const points = visitPoints(steps)
  const [slowest] = steps
    .map(({ step, levers, properties, points: own }) => ({
      step,
      days: daysBeforeAgain({ levers, work: [...properties], points: own > 0 ? points : 0 }),
    }))
    .sort((a, b) => b.days - a.days)
  if (!slowest || slowest.days <= course.leastDays) return undefined
  const { step, days } = slowest
  return {
    stepId: step.id,
    leastDays: days,
    says: `Visits ${daysInWords(course.leastDays)} apart: ${step.title} needs ${days} days between.`,
    fix: `Make it at least ${days} days.`,
  }
}

const daysInWords = (days: number): string => (days === 1 ? '1 day' : `${days} days`)

/** Where in its course a visit stands: counted back over visits with the same card, none more than a gap after the one before. */
export function visitOfCourse(
  course: Course,
  protocolId: string,
  on: string,
  history: readonly PastVisit[],
): number {
  const before = history
    .filter((visit) => visit.protocolId === protocolId && visit.on < on)
    .map((visit) => visit.on)
    .sort()
    .reverse()
  const days = [on, ...before]
  const broken = before.findIndex((day, at) => daysBetween(day, days[at]!) > GAP_DAYS)
  const run = broken === -1 ? before.length : broken
  return (run % course.visits) + 1
}

/** “Three visits, 7 to 10 days apart”. */
export function courseInWords({ visits, leastDays, mostDays }: Course): string {
  const apart = leastDays === mostDays ? daysInWords(leastDays) : `${leastDays} to ${mostDays} days`
  return visits === 1 ? `One visit, the next after ${apart}` : `${visits} visits, ${apart} apart`
}
