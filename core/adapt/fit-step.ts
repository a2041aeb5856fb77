import { deviceById } from '../catalog/shelf'
import type { Step } from '../protocol/model'
import { touches } from '../safety/subject'
import type { Constraint } from '../safety/rule'
import { withoutZones, zonesInWords } from '../skin/zones'
import { distinctWhy, type Change } from './change'
import { rungOf } from '../safety/strength'
import { capMinutes, onRung } from './levers'
import type { Option, OptionContext } from './option'
import { applyCare } from './fit-care'
import { usual, mins, rungAllowed, rungSentence, replacedChange, WHOLE } from './fit-words'
import { blocks } from './blocking'

type Fitted =
  | { readonly ok: true; readonly option: Option & { readonly step: Step } }
  | { readonly ok: false; readonly blockedBy: readonly Constraint[] }

/** A step under its constraints: zones, rungs, minutes and removal adjusted, or the constraints that block it. */
export function fitStep(candidate: Step, written: Step, context: OptionContext): Fitted {
  const changes: Change[] = []
  const constraints = context.constraintsFor(candidate)
  if (candidate.product?.productId !== written.product?.productId)
    changes.push(replacedChange(candidate, written, context))
  const zoned = cutZones(candidate, constraints, context, changes)
  if (!zoned.ok) return zoned
  const limited = limitStep(zoned.step, constraints, context, changes)
  if (!limited.ok) return limited
  const eased = easeZones(limited.step, constraints, context, changes)
  if (!eased.ok) return eased
  return {
    ok: true,
    option: { step: applyCare(eased.step, constraints, context, changes), changes },
  }
}

type Stage =
  | { readonly ok: true; readonly step: Step }
  | { readonly ok: false; readonly blockedBy: readonly Constraint[] }

function cutZones(
  step: Step,
  constraints: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  const subject = context.read(step)
  const blocking = constraints.filter(
    (constraint) => blocks(constraint) && touches(constraint, subject),
  )
  const everywhere = blocking.filter((constraint) => !constraint.zones)
  if (everywhere.length > 0) return { ok: false, blockedBy: everywhere }
  if (blocking.length === 0) return { ok: true, step }
  const zones = blocking.reduce(
    (left, constraint) => withoutZones(left, constraint.zones ?? []),
    step.zones,
  )
  const cannotOmit = WHOLE.some((property) => subject.properties.has(property))
  if (zones.length === 0 || cannotOmit) return { ok: false, blockedBy: blocking }
  changes.push({
    kind: 'zones',
    stepId: step.id,
    what: `${step.title}: leave out ${zonesInWords(withoutZones(step.zones, zones))}`,
    why: distinctWhy(blocking),
  })
  return { ok: true, step: { ...step, zones } }
}

function limitStep(
  start: Step,
  constraints: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  let step = start
  const subject = context.read(start)
  const limits = constraints.filter(
    (constraint) => constraint.effect === 'limit' && touches(constraint, subject),
  )
  const rungs = limits.filter((constraint) => constraint.limit?.kind === 'rung')
  if (rungs.length > 0 && step.lever) {
    const now = rungOf(step, subject.product) ?? step.lever.rung
    const allowed = rungs.map((constraint) =>
      rungAllowed(constraint, step.lever?.writtenRung ?? now),
    )
    const most = Math.min(...allowed)
    const behind = rungs.filter((_, at) => allowed[at]! < now)
    const lowered = onRung(step, subject.product, most)
    if (!lowered) return { ok: false, blockedBy: behind }
    if (most < now)
      changes.push({
        kind: 'rung',
        stepId: step.id,
        what: rungSentence(step, lowered, now, most),
        why: distinctWhy(
          behind.filter(
            (constraint) => rungAllowed(constraint, step.lever?.writtenRung ?? now) === most,
          ),
        ),
      })
    step = lowered
  }
  for (const constraint of limits) {
    const most = minutesAllowed(constraint, step, context)
    if (most === undefined) continue
    const capped = capMinutes(step, most)
    if (!capped) return { ok: false, blockedBy: [constraint] }
    if (usual(capped) < usual(step))
      changes.push({
        kind: 'minutes',
        stepId: step.id,
        what: `${step.title}: ${mins(step)} → ${mins(capped)} min`,
        why: distinctWhy([constraint]),
      })
    step = capped
  }
  return { ok: true, step }
}

/** Minutes a limit leaves: its own figure, or the device's. */
function minutesAllowed(
  constraint: Constraint,
  step: Step,
  { shelf }: OptionContext,
): number | undefined {
  if (constraint.limit?.kind === 'dwell-minutes') return constraint.limit.max
  return constraint.limit?.kind === 'device-minutes'
    ? deviceById(shelf, step.deviceId)?.maxMinutes
    : undefined
}

/** Zones that take only a lower rung are left out of a stronger step (the neck, rule C14); a step on those zones alone is lowered instead. */
function easeZones(
  step: Step,
  constraints: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  const subject = context.read(step)
  const now = rungOf(step, subject.product)
  const tender = constraints.filter(
    (constraint) =>
      constraint.limit?.kind === 'zone-rung' &&
      touches(constraint, subject) &&
      now !== undefined &&
      now > constraint.limit.max,
  )
  if (tender.length === 0) return { ok: true, step }
  const zones = tender.reduce(
    (left, constraint) => withoutZones(left, constraint.zones ?? []),
    step.zones,
  )
  if (zones.length > 0) {
    changes.push({
      kind: 'zones',
      stepId: step.id,
      what: `${step.title}: leave out ${zonesInWords(withoutZones(step.zones, zones))}`,
      why: distinctWhy(tender),
    })
    return { ok: true, step: { ...step, zones } }
  }
  const most = Math.min(
    ...tender.map((constraint) =>
      constraint.limit?.kind === 'zone-rung' ? constraint.limit.max : Infinity,
    ),
  )
  const lowered = onRung(step, subject.product, most)
  if (!lowered) return { ok: false, blockedBy: tender }
  changes.push({
    kind: 'rung',
    stepId: step.id,
    what: rungSentence(step, lowered, now!, most),
    why: distinctWhy(tender),
  })
  return { ok: true, step: lowered }
}
