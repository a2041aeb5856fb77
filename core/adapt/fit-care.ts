import type { Segment, Step } from '../protocol/model'
import { TEMPERATURE_WORDS } from '../protocol/words'
import { touches } from '../safety/touches'
import type { Constraint } from '../safety/rule'
import { distinctWhy, type Change } from './change'
import type { OptionContext } from './option'

export function applyCare(
  start: Step,
  constraints: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Step {
  let step = start
  const subject = context.read(start)
  const needs = (name: Constraint['require']) =>
    constraints.filter(
      (constraint) =>
        constraint.effect === 'require' &&
        constraint.require === name &&
        touches(constraint, subject),
    )
  const cool = needs('cool-removal')
  const lukewarm = needs('lukewarm-removal')
  if (cool.length > 0) step = retemper(step, 'cool', cool, changes)
  else if (lukewarm.length > 0) step = retemper(step, 'lukewarm', lukewarm, changes)
  const along = needs('along-growth')
  const beardDone = step.adjustedBy?.includes('C12')
  if (
    along.length > 0 &&
    !beardDone &&
    step.segments.some((segment) => segment.kind === 'remove')
  ) {
    step = {
      ...step,
      adjustedBy: [...(step.adjustedBy ?? []), 'C12'],
      segments: step.segments.map((segment) =>
        segment.kind === 'remove' ? longer(segment, 1.25) : segment,
      ),
    }
    changes.push({
      kind: 'care',
      stepId: step.id,
      what: `${step.title}: along the growth, removal a quarter longer`,
      why: distinctWhy(along),
    })
  }
  return step
}

/** A segment's times stretched, to whole seconds. */
const longer = (segment: Segment, by: number): Segment => ({
  ...segment,
  minS: Math.round(segment.minS * by),
  usualS: Math.round(segment.usualS * by),
  maxS: Math.round(segment.maxS * by),
})

const WARMTH = { cool: 0, room: 1, lukewarm: 2, warm: 3 } as const
/** What is to come off cool may as well come off at room temperature (rule D01). */
const WARMEST = { cool: WARMTH.room, lukewarm: WARMTH.lukewarm } as const

function retemper(
  step: Step,
  to: 'cool' | 'lukewarm',
  because: readonly Constraint[],
  changes: Change[],
): Step {
  const tooWarm = step.segments.filter(
    (segment) =>
      segment.kind === 'remove' && segment.temperature && WARMTH[segment.temperature] > WARMEST[to],
  )
  if (tooWarm.length === 0) return step
  changes.push({
    kind: 'removal',
    stepId: step.id,
    what: `${step.title}: take it off ${to}, not ${TEMPERATURE_WORDS[tooWarm[0]!.temperature!]}`,
    why: distinctWhy(because),
  })
  return {
    ...step,
    segments: step.segments.map((segment) =>
      tooWarm.includes(segment) ? { ...segment, temperature: to } : segment,
    ),
  }
}
