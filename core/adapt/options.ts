import type { Product, Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import { LEVER_WORDS } from '../protocol/words'
import type { Pick, Segment, Step } from '../protocol/model'
import { toMinutes } from '../quantity/time'
import { touches, type Subject } from '../safety/subject'
import type { Constraint } from '../safety/rule'
import { withoutZones, zonesInWords } from '../skin/zones'
import { distinctWhy, ownWhy, type Change } from './change'
import { leverSegments, rungOf } from '../safety/strength'
import { capMinutes, onRung } from './levers'

/** One way to do (or not do) a written step. */
export interface Option {
  /** Undefined: the step is left out. */
  readonly step: Step | undefined
  readonly changes: readonly Change[]
}

export interface OptionContext {
  readonly shelf: Shelf
  readonly read: (step: Step) => Subject
  /** Constraints a step is subject to, overrides already taken out. */
  readonly constraintsFor: (step: Step) => readonly Constraint[]
}

type Fitted =
  | { readonly ok: true; readonly option: Option & { readonly step: Step } }
  | { readonly ok: false; readonly blockedBy: readonly Constraint[] }

const BLOCKING = new Set(['stop', 'clearance', 'refer', 'scope', 'replace', 'omit-zone'])
/** Keeps a step from being done as it stands: stops and their kind, and a patch test that has not been passed. A soft referral only speaks. */
const blocks = (constraint: Constraint): boolean =>
  (BLOCKING.has(constraint.effect) && !(constraint.effect === 'refer' && constraint.soft)) ||
  constraint.require === 'patch-test'
/** Wrapping, shining and blowing cannot leave a zone out. */
const WHOLE: readonly string[] = ['steam', 'led', 'aerosol', 'self-heating', 'film-peel']

/**
 * Every permitted way to do a step, best first: as written; the same product on lower rungs; the slot's other picks; other
 * products of the same kind on the shelf; left out. Empty only when the step is essential and nothing is permitted.
 */
export function optionsFor(
  step: Step,
  context: OptionContext,
): { options: Option[]; blockedBy: readonly Constraint[] } {
  const options: Option[] = []
  const blockedBy: Constraint[] = []
  for (const candidate of candidates(step, context.shelf)) {
    const fitted = fitStep(candidate, step, context)
    if (!fitted.ok) {
      blockedBy.push(...fitted.blockedBy)
      continue
    }
    options.push(fitted.option, ...lowerRungs(fitted.option, step, context))
  }
  if (options.length === 0) options.push(...asLastResort(step, context))
  if (!step.essential) options.push({ step: undefined, changes: [droppedChange(step, blockedBy)] })
  return { options, blockedBy }
}

/** Nothing better is on the shelf: what should rather be replaced may stay, with a caution. */
function asLastResort(step: Step, context: OptionContext): Option[] {
  const lenient: OptionContext = {
    ...context,
    constraintsFor: (candidate) =>
      context.constraintsFor(candidate).filter((constraint) => !constraint.soft),
  }
  const fitted = fitStep(step, step, lenient)
  return fitted.ok ? [fitted.option] : []
}

function candidates(step: Step, shelf: Shelf): Step[] {
  const written = productById(shelf, step.product?.productId)
  if (!step.product || !written) return step.product ? otherPicks(step, shelf, undefined) : [step]
  return [...(written.stock > 0 ? [step] : []), ...otherPicks(step, shelf, written)]
}

function otherPicks(step: Step, shelf: Shelf, written: Product | undefined): Step[] {
  const named = step.otherPicks ?? []
  const similar = shelf.products
    .filter(
      (product) =>
        product.id !== written?.id &&
        product.kind === written?.kind &&
        product.leaves === written.leaves,
    )
    .sort(
      (a, b) =>
        Number(b.concerns.includes(step.concern ?? 'calm')) -
        Number(a.concerns.includes(step.concern ?? 'calm')),
    )
    .flatMap((product) =>
      product.uses
        .filter((use) => use.phase === step.phase)
        .slice(0, 1)
        .map((use) => ({ productId: product.id, useId: use.id })),
    )
  const picks = [
    ...named,
    ...similar.filter((pick) => !named.some((other) => other.productId === pick.productId)),
  ]
  return picks
    .filter((pick) => pick.productId !== step.product?.productId)
    .flatMap((pick) => withPick(step, pick, shelf) ?? [])
}

/** The step with another product: its use gives the times and the way off; zones stay as far as the use covers them. */
export function withPick(step: Step, pick: Pick, shelf: Shelf): Step | undefined {
  const product = productById(shelf, pick.productId)
  const use = useOf(product, pick.useId)
  if (!product || !use || product.stock <= 0) return undefined
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  if (zones.length === 0) return undefined
  const swapped: Step = {
    ...step,
    title: product.name,
    product: pick,
    zones,
    segments: use.segments,
  }
  const rung = rungOf(swapped, product)
  return step.lever && rung !== undefined
    ? {
        ...swapped,
        lever: {
          ...step.lever,
          rung: Math.min(rung, 5),
          writtenRung: step.lever.writtenRung ?? step.lever.rung,
        },
      }
    : swapped
}

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
  const cannotOmit = WHOLE.some((property) => subject.properties.has(property as 'steam'))
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

const usual = (step: Step): number =>
  leverSegments(step).reduce((sum, segment) => sum + segment.usualS, 0)
const mins = (step: Step): number => toMinutes(usual(step))

function rungAllowed(constraint: Constraint, writtenRung: number): number {
  if (constraint.limit?.kind !== 'rung') return 5
  const below = constraint.limit.belowWritten
  return Math.max(1, Math.min(constraint.limit.max, below === undefined ? 5 : writtenRung - below))
}

function rungSentence(from: Step, to: Step, now: number, then: number): string {
  const change = usual(to) < usual(from) ? `, ${mins(from)} → ${mins(to)} min` : ''
  return `${from.title}: ${from.lever ? LEVER_WORDS[from.lever.lever] : 'rung'} ${now} → ${then}${change}`
}

function applyCare(
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

const WARMTH = { cool: 0, lukewarm: 1, warm: 2 } as const

function retemper(
  step: Step,
  to: 'cool' | 'lukewarm',
  because: readonly Constraint[],
  changes: Change[],
): Step {
  const tooWarm = step.segments.filter(
    (segment) =>
      segment.kind === 'remove' && segment.temperature && WARMTH[segment.temperature] > WARMTH[to],
  )
  if (tooWarm.length === 0) return step
  changes.push({
    kind: 'removal',
    stepId: step.id,
    what: `${step.title}: take it off ${to}, not ${tooWarm[0]!.temperature}`,
    why: distinctWhy(because),
  })
  return {
    ...step,
    segments: step.segments.map((segment) =>
      tooWarm.includes(segment) ? { ...segment, temperature: to } : segment,
    ),
  }
}

function lowerRungs(
  option: Option & { readonly step: Step },
  written: Step,
  context: OptionContext,
): Option[] {
  const { product } = context.read(option.step)
  const rung = option.step.lever?.rung ?? 1
  return Array.from({ length: Math.max(0, rung - 1) }, (_, below) => rung - 1 - below).flatMap(
    (lower) => {
      const step = onRung(option.step, product, lower)
      if (!step) return []
      return [
        {
          step,
          changes: [
            ...option.changes,
            {
              kind: 'rung' as const,
              stepId: written.id,
              what: rungSentence(option.step, step, rung, lower),
              why: [],
            },
          ],
        },
      ]
    },
  )
}

function replacedChange(candidate: Step, written: Step, context: OptionContext): Change {
  const before = context.read(written)
  const blocking = context
    .constraintsFor(written)
    .filter(
      (constraint) =>
        (blocks(constraint) ||
          constraint.limit?.kind === 'rung' ||
          constraint.limit?.kind === 'dwell-minutes') &&
        touches(constraint, before),
    )
  const stops = blocking.filter(blocks)
  if (blocking.length === 0 && before.product && before.product.stock <= 0)
    return {
      kind: 'replaced',
      stepId: written.id,
      what: `${written.title} → ${candidate.title}`,
      why: [
        ownWhy(
          'S07',
          `${before.product.name} is out.`,
          'Order it, or choose what stands in on Prepare.',
        ),
      ],
    }
  const why = distinctWhy(stops.length > 0 ? stops : blocking).map((one) => ({
    ...one,
    reason:
      one.reason +
      ingredientsBehind(
        stops.filter((constraint) => constraint.ruleId === one.ruleId),
        before,
      ),
  }))
  return {
    kind: 'replaced',
    stepId: written.id,
    what: `${written.title} → ${candidate.title}`,
    why,
  }
}

function ingredientsBehind(stops: readonly Constraint[], subject: Subject): string {
  const names = stops.flatMap((constraint) =>
    constraint.target.family ? (subject.inci.families.get(constraint.target.family) ?? []) : [],
  )
  return names.length > 0 ? ` Listed: ${[...new Set(names)].join(', ')}.` : ''
}

function droppedChange(step: Step, blockedBy: readonly Constraint[]): Change {
  return {
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out`,
    why: distinctWhy(blockedBy),
  }
}
