import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import { withoutZones, zonesInWords } from '../skin/zones'
import { distinctWhy, ownWhy } from './change'
import type { Option } from './option'
import type { Clash } from './together'

export const blockedClash =
  (step: Step) =>
  (constraint: Constraint): Clash => ({
    ruleId: constraint.ruleId,
    reason: `${step.title}: ${constraint.reason}`,
    instead: constraint.instead,
    constraint,
  })

/** The same way of doing a step, without the zones on which it clashes. */
export function elsewhere(option: Option, { leaveOut, ruleId, reason, instead }: Clash): Option[] {
  const { step } = option
  const zones = step && leaveOut ? withoutZones(step.zones, leaveOut) : []
  if (!step || zones.length === 0) return []
  return [
    {
      step: { ...step, zones },
      changes: [
        ...option.changes,
        {
          kind: 'zones',
          stepId: step.id,
          what: `${step.title}: leave out ${zonesInWords(withoutZones(step.zones, zones))}`,
          why: [ownWhy(ruleId, reason, instead)],
        },
      ],
    },
  ]
}

/** An option taken because better ones clashed with the rest of the visit says so. */
export function explained(option: Option, clashes: readonly Clash[]): Option {
  if (clashes.length === 0 || option.changes.length === 0) return option
  const why = distinctClashes(clashes).map((clash) =>
    clash.constraint
      ? { ...distinctWhy([clash.constraint])[0]!, reason: clash.reason }
      : ownWhy(clash.ruleId, clash.reason, clash.instead),
  )
  const last = option.changes.at(-1)!
  return {
    ...option,
    changes: [...option.changes.slice(0, -1), { ...last, why: [...last.why, ...why] }],
  }
}

export function distinctClashes(clashes: readonly Clash[]): Clash[] {
  return [...new Map(clashes.map((clash) => [`${clash.ruleId}|${clash.reason}`, clash])).values()]
}
