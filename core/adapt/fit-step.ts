import { deviceById } from '../catalog/shelf'
import type { Step } from '../protocol/model'
import { touches } from '../safety/touches'
import type { Constraint } from '../safety/rule'
import { withoutZones, zonesInWords } from '../skin/zones'
import { distinctWhy, type Change } from './change'
import { onRung, picksOf, type Subject } from '../strength'
import { asPrinted, capMinutes, withLevers } from '../strength/lower'
import type { LeverId } from '../protocol/words'
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
  if (candidate.product?.productId !== written.product?.productId && picksOf(written).length === 1)
    changes.push(replacedChange(candidate, written, context))
  const zoned = cutZones(candidate, constraints, context, changes)
  if (!zoned.ok) return zoned
  const limited = limitStep(zoned.step, constraints, context, changes)
  if (!limited.ok) return limited
  const eased = easeZones(limited.step, constraints, context, changes)
  if (!eased.ok) return eased
  if (isHardlyLeft(eased.step, candidate, context))
    return { ok: false, blockedBy: cutters(candidate, constraints, context) }
  return {
    ok: true,
    option: {
      step: withLevers(applyCare(eased.step, constraints, context, changes), context.read),
      changes,
    },
  }
}

/** A device or a blade on less than a third of its zones is not worth laying out, and uneven. */
const WORTH_LAYING_OUT = 1 / 3
const isHardlyLeft = (now: Step, written: Step, { read }: OptionContext): boolean => {
  const { properties } = read(written)
  const isLaidOut =
    written.deviceId !== undefined || properties.has('blade') || properties.has('device')
  return isLaidOut && now.zones.length < written.zones.length * WORTH_LAYING_OUT
}

/** Rules that take zones of a step out. */
const cutters = (
  step: Step,
  constraints: readonly Constraint[],
  { read }: OptionContext,
): Constraint[] =>
  constraints.filter(
    (constraint) =>
      constraint.zones !== undefined &&
      (blocks(constraint) || constraint.limit?.kind === 'zone-rung') &&
      touches(constraint, read(step)),
  )

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
  const limits = constraints.filter(
    (constraint) => constraint.effect === 'limit' && touches(constraint, context.read(start)),
  )
  let stage: Stage = { ok: true, step: start }
  for (const { lever } of context.read(start).levers) {
    if (stage.ok) stage = onAllowedRung(stage.step, lever, limits, context, changes)
  }
  for (const constraint of limits)
    if (stage.ok) stage = inAllowedMinutes(stage.step, constraint, context, changes)
  return stage
}

/** The step on the rung that is allowed of one of its levers. */
function onAllowedRung(
  step: Step,
  lever: LeverId,
  limits: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  const rungs = limits.filter(({ limit }) => limit?.kind === 'rung' && limit.lever === lever)
  const subject = context.read(step)
  const now = subject.levers.find((pulled) => pulled.lever === lever)?.rung
  if (rungs.length === 0 || now === undefined) return { ok: true, step }
  const written = step.levers?.find((pulled) => pulled.lever === lever)?.writtenRung ?? now
  const allowed = rungs.map((constraint) => rungAllowed(constraint, written))
  const most = Math.min(...allowed)
  if (most >= now) return { ok: true, step }
  const lowered = onRung(subject, lever, most)
  if (!lowered) return { ok: false, blockedBy: rungs.filter((_, at) => allowed[at]! < now) }
  changes.push({
    kind: 'rung',
    stepId: step.id,
    what: rungSentence(step, lowered, lever, now, most),
    why: distinctWhy(rungs.filter((_, at) => allowed[at] === most)),
  })
  return { ok: true, step: lowered }
}

function inAllowedMinutes(
  step: Step,
  constraint: Constraint,
  context: OptionContext,
  changes: Change[],
): Stage {
  const capped = cappedBy(constraint, step, context)
  if (!capped) return { ok: false, blockedBy: [constraint] }
  if (usual(capped) < usual(step))
    changes.push({
      kind: 'minutes',
      stepId: step.id,
      what: `${step.title}: ${mins(step)} → ${mins(capped)} min`,
      why: distinctWhy([constraint]),
    })
  return { ok: true, step: capped }
}

/** The step in the minutes a limit leaves: its own figure, the device's, or what each product's maker prints. Undefined where it needs more. */
function cappedBy({ limit }: Constraint, step: Step, context: OptionContext): Step | undefined {
  if (limit?.kind === 'dwell-minutes') return capMinutes(context.read(step), limit.max)
  if (limit?.kind === 'device-minutes') {
    const most = deviceById(context.shelf, step.deviceId)?.maxMinutes
    return most === undefined ? step : capMinutes(context.read(step), most)
  }
  return limit?.kind === 'maker-minutes' ? asPrinted(context.read(step)) : step
}

/** Zones that take only a lower rung are left out of a stronger step (the neck, rule C14); a step on those zones alone is lowered instead. */
function easeZones(
  step: Step,
  constraints: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  const subject = context.read(step)
  const tender = constraints.filter(
    (constraint) => touches(constraint, subject) && isOverZoneRung(constraint, subject),
  )
  if (tender.length === 0) return { ok: true, step }
  const zones = tender.reduce(
    (left, constraint) => withoutZones(left, constraint.zones ?? []),
    step.zones,
  )
  if (zones.length === 0) return easeWhole(step, tender, context, changes)
  changes.push({
    kind: 'zones',
    stepId: step.id,
    what: `${step.title}: leave out ${zonesInWords(withoutZones(step.zones, zones))}`,
    why: distinctWhy(tender),
  })
  return { ok: true, step: { ...step, zones } }
}

const isOverZoneRung = ({ limit }: Constraint, { levers }: Subject): boolean =>
  limit?.kind === 'zone-rung' &&
  levers.some(({ lever, rung }) => lever === limit.lever && rung > limit.max)

/** A step on tender zones alone, on the rung they take. */
function easeWhole(
  start: Step,
  tender: readonly Constraint[],
  context: OptionContext,
  changes: Change[],
): Stage {
  let step = start
  for (const constraint of tender) {
    const { limit } = constraint
    if (limit?.kind !== 'zone-rung') continue
    const subject = context.read(step)
    const now = subject.levers.find(({ lever }) => lever === limit.lever)?.rung ?? 0
    if (now <= limit.max) continue
    const lowered = onRung(subject, limit.lever, limit.max)
    if (!lowered) return { ok: false, blockedBy: tender }
    changes.push({
      kind: 'rung',
      stepId: step.id,
      what: rungSentence(step, lowered, limit.lever, now, limit.max),
      why: distinctWhy([constraint]),
    })
    step = lowered
  }
  return { ok: true, step }
}
