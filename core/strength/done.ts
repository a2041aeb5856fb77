import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import type { ZoneId } from '../skin/zones'
import { leversOfPart, leversPulled, type LeverRung } from './levers'
import { visitPoints } from './points'
import type { Subject } from './subject'

/** A lever as it was done, with the days between that its makers print, where, and whether its step stung. */
export type LeverDone = LeverRung & {
  makerDays?: number
  redHours?: number
  zones?: ZoneId[]
  stung?: true
}

/** The levers of fitted steps as they were done. `stung`: ids of steps that stung or burned. */
export const leversDone = (
  steps: readonly Step[],
  read: (step: Step) => Subject,
  stung: ReadonlySet<string> = new Set(),
): LeverDone[] =>
  steps.flatMap((step) => {
    const { parts, levers } = read(step)
    const pulled = step.levers ? leversPulled(step) : levers
    const redHours = Math.max(0, ...parts.map((part) => part.product?.aftermath?.rednessHours ?? 0))
    return pulled.map((use) => {
      const makers = parts
        .filter((part) => leversOfPart(part, step).some(({ lever }) => lever === use.lever))
        .map((part) => part.product?.maker?.daysBetween)
      const days = makers.filter((known) => known !== undefined)
      // One product whose maker says nothing keeps the house's days for all of them.
      const isSaid = days.length > 0 && days.length === makers.length
      return {
        ...use,
        ...(isSaid ? { makerDays: Math.max(...days) } : {}),
        ...(redHours > 0 ? { redHours } : {}),
        ...(step.zones.length > 0 ? { zones: [...step.zones] } : {}),
        ...(stung.has(step.id) ? { stung: true as const } : {}),
      }
    })
  })

/** What steps did: levers and their rungs, every property of what touched the skin, and the exfoliation points on the zone that got most. */
export function doneBy(
  steps: readonly Step[],
  read: (step: Step) => Subject,
  stung?: ReadonlySet<string>,
): { levers: LeverDone[]; work: Property[]; points: number } {
  const subjects = steps.map(read)
  return {
    levers: leversDone(steps, read, stung),
    work: [...new Set(subjects.flatMap(({ properties }) => [...properties]))],
    points: visitPoints(subjects),
  }
}
