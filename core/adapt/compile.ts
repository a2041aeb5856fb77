import type { Client } from '../client/model'
import type { Shelf } from '../catalog/model'
import type { PastVisit } from '../climb/model'
import { trayFor } from '../mixing/tray'
import type { ProtocolVersion, Segment, Step } from '../protocol/model'
import { presenceOf, segment, usesHands } from '../protocol/segments'
import { place } from '../schedule/place'
import type { Placing } from '../schedule/problem'
import { constrain, type Constraints } from '../safety/constrain'
import { RULE_BOOK, RULE_BOOK_VERSION } from '../safety/rules'
import { subjectReader } from '../safety/subject'
import type { Reading } from '../skin/model'
import { cautionsFor, stopsInWords } from './cautions'
import { ownWhy, type Change } from './change'
import { hostsOf, needsHygiene, partId, placingOf } from './ladder'
import { rungOf } from './levers'
import type { FittedPlan, PlacedSegment } from './plan'
import { resolve, type Override } from './resolve'

export const ENGINE_VERSION = '0.1.0'

/** Everything a plan is made from; a value. `date` ISO in the salon's zone; `daytime`: the visit ends by daylight. */
export interface CompileInput {
  readonly protocol: ProtocolVersion
  readonly client: Client
  readonly reading: Reading
  readonly history: readonly PastVisit[]
  readonly shelf: Shelf
  readonly overrides: readonly Override[]
  readonly slotMinutes: number
  readonly date: string
  readonly daytime: boolean
}

/** The first hands-on second of the day's light counts: what is fitted is a function of these values and nothing else. */
export function constraintsFor(input: CompileInput): Constraints {
  const levers = [...input.protocol.steps].sort((a, b) => b.priority - a.priority).flatMap((step) => (step.lever ? [step.lever.lever] : []))
  return constrain(RULE_BOOK, { client: input.client, reading: input.reading, history: input.history, levers, date: input.date, daytime: input.daytime })
}

/**
 * From a written protocol to a fitted plan with reasons. Pure and deterministic. `status` says when there is no plan:
 * `postponed` (a rule says not today), `infeasible` (with the clashing rules or limits), `stopped` (search limit).
 */
export function compile(input: CompileInput): FittedPlan {
  const constraints = constraintsFor(input)
  const written = withHygiene(input.protocol.steps)
  const draft = emptyPlan(input, constraints, written)
  const postponed = constraints.inForce.filter((constraint) => constraint.effect === 'postpone')
  if (postponed.length > 0) return { ...draft, status: 'postponed', problems: postponed.map((c) => `${c.title}: ${c.reason} ${c.instead}`) }
  const resolution = resolve(written, constraints, input.shelf, input.overrides)
  if (resolution.kind === 'stopped') return { ...draft, status: 'stopped', problems: [`The search stopped after ${resolution.triedNodes} tries; take a step out and fit again.`] }
  if (resolution.kind === 'infeasible') return { ...draft, status: 'infeasible', problems: resolution.clashes.map((clash) => `${clash.reason} ${clash.instead} (${clash.ruleId})`) }
  return placed(draft, withHygiene(resolution.steps), resolution.changes, constraints, input)
}

/** Steps away from the face end with hand hygiene before the hands come back (hygiene rule H). */
function withHygiene(steps: readonly Step[]): Step[] {
  return steps.map((step) => (needsHygiene(step) ? { ...step, segments: [...step.segments, segment('hands', 'hygiene', 0.5)] } : step))
}

function emptyPlan(input: CompileInput, constraints: Constraints, written: readonly Step[]): FittedPlan {
  const ladder = placeKeeping(written)
  return {
    format: 'zen-ladder/plan', engine: ENGINE_VERSION, ruleBook: RULE_BOOK_VERSION, protocolVersionId: input.protocol.id,
    status: 'ready', problems: [], slotS: input.slotMinutes * 60, totalS: 0, writtenTotalS: ladder.placing.kind === 'infeasible' || ladder.placing.kind === 'stopped' ? 0 : ladder.placing.makespanS,
    proof: { kind: 'none', gapS: 0, nodes: 0 }, steps: [], segments: [], written: { steps: [...written], segments: segmentsOf(ladder.steps, ladder.placing) },
    changes: [], askFirst: [...new Set(constraints.inForce.filter((c) => c.unasked && c.target.everything).map((c) => c.because))],
    stops: stopsInWords(constraints.inForce), cautions: [], checked: [...constraints.checked], notChecked: [...constraints.notChecked],
    levers: [], suggestions: constraints.suggestions.map((s) => ({ ...s, ruleIds: [...s.ruleIds] })), tray: [],
  }
}

interface Kept { readonly steps: readonly Step[]; readonly placing: Placing; readonly left: readonly Change[] }

/** Places a ladder; enhancements that find no host, or for which no order exists, are left out and say so. */
function placeKeeping(steps: readonly Step[]): Kept {
  const homeless = steps.filter((step) => step.floating && hostsOf(step, steps).length === 0)
  const left: Change[] = homeless.map((step) => ({ kind: 'dropped', stepId: step.id, what: `${step.title} left out`, why: [ownWhy('S01', 'No mask or rest in this visit admits it.', 'Choose a mask that leaves the hands free, or give it its own time.')] }))
  let kept = steps.filter((step) => !homeless.includes(step))
  for (;;) {
    const placing = place(placingOf(kept))
    const hung = kept.filter((step) => step.floating).sort((a, b) => a.priority - b.priority)
    if (placing.kind !== 'infeasible' || hung.length === 0) return { steps: kept, placing, left }
    left.push({ kind: 'dropped', stepId: hung[0]!.id, what: `${hung[0]!.title} left out`, why: [ownWhy('S02', `It does not fit under a mask in time: ${placing.clash.join('; ')}.`, 'A shorter enhancement, or one mask that dwells longer.')] })
    kept = kept.filter((step) => step !== hung[0])
  }
}

function segmentsOf(steps: readonly Step[], placing: Placing): PlacedSegment[] {
  if (placing.kind === 'infeasible' || placing.kind === 'stopped') return []
  const at = new Map(placing.placed.map((one) => [one.partId, one]))
  return steps.flatMap((step) => step.segments.map((part) => placedSegment(step, part, at.get(partId(step, part))!))).sort((a, b) => a.startS - b.startS || a.endS - b.endS)
}

function placedSegment(step: Step, part: Segment, at: { startS: number; endS: number }): PlacedSegment {
  return {
    id: partId(step, part), stepId: step.id, kind: part.kind, startS: at.startS, endS: at.endS, maxS: part.maxS, active: part.active ?? false,
    hands: usesHands(part), presence: presenceOf(part), zones: part.kind === 'prepare' || part.kind === 'hygiene' ? [] : [...step.zones],
  }
}

function placed(draft: FittedPlan, resolved: readonly Step[], changes: readonly Change[], constraints: Constraints, input: CompileInput): FittedPlan {
  const { steps, placing, left } = placeKeeping(resolved)
  if (placing.kind === 'infeasible') return { ...draft, status: 'infeasible', problems: [`These limits clash: ${placing.clash.join('; ')}.`] }
  if (placing.kind === 'stopped') return { ...draft, status: 'stopped', problems: [`No order was found in ${placing.nodes} tries.`] }
  const read = subjectReader(input.shelf)
  const all = [...changes, ...left, ...hungChanges(steps, placing)]
  return {
    ...draft, totalS: placing.makespanS, proof: { kind: placing.kind, gapS: placing.gapS, nodes: placing.nodes },
    steps: [...steps], segments: segmentsOf(steps, placing), changes: all.map((change) => ({ ...change, why: change.why.map((why) => ({ ...why })) })),
    cautions: cautionsFor(steps, constraints.inForce, read), tray: trayFor(steps, input.shelf),
    levers: steps.flatMap((step) => (step.lever ? [{ lever: step.lever.lever, rung: Math.min(5, rungOf(step, read(step).product) ?? step.lever.rung) }] : [])),
  }
}

function hungChanges(steps: readonly Step[], placing: Placing): Change[] {
  if (placing.kind === 'infeasible' || placing.kind === 'stopped') return []
  return steps.filter((step) => step.floating).map((step) => {
    const hostPart = placing.hosts.get(step.id) ?? ''
    const host = steps.find((candidate) => candidate.segments.some((part) => partId(candidate, part) === hostPart))
    const proven = placing.kind === 'optimal' ? 'proven shortest' : `at most ${placing.gapS} s above the shortest`
    return { kind: 'hung', stepId: step.id, what: `${step.title} hangs under ${host?.title ?? 'a mask'}`, why: [{ ...ownWhy('S00', `Your hands are free meanwhile; it costs no extra minutes. Schedule, ${proven}.`, 'Ask first, and wash before you come back to the face.'), basis: 'house' as const }] }
  })
}

/** The fitted plan read as a protocol again: resolving it gives the plan once more. */
export function asProtocol(plan: FittedPlan, written: ProtocolVersion): ProtocolVersion {
  return { ...written, steps: plan.steps.map((step) => ({ ...step })) }
}
