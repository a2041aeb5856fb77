import type { Client } from '../client/model'
import type { Known } from '../client/medicines'
import type { Shelf } from '../catalog/model'
import type { PastVisit } from '../climb/model'
import { asMixed } from '../mixing/card'
import { supplyNamed } from '../mixing/supplies'
import { trayFor } from '../mixing/tray'
import type { ProtocolVersion, Step } from '../protocol/model'
import { goneWith } from '../protocol/family'
import { unrolled } from '../protocol/unroll'
import type { Placing } from '../schedule/problem'
import { constrain, type Constraints, type Practitioner } from '../safety/constrain'
import type { Constraint } from '../safety/rule'
import {
  NO_SETTINGS,
  RULE_BOOK,
  RULE_BOOK_VERSION,
  withSettings,
  type RuleSettings,
} from '../safety/rules'
import { rungOf } from '../safety/strength'
import { subjectReader, type Subject } from '../safety/subject'
import type { Reading } from '../skin/model'
import { careItems, cautionsFor, stopsInWords } from './care'
import { distinctWhy, ownWhy, type Change } from './change'
import { expand } from './expand'
import { throughGates, type GateAnswers, type Gated } from './gates'
import { hasBegun, partId, type Underway } from './ladder'
import { makespanOf, placeKeeping, segmentsOf, withHygiene } from './lay'
import type { FittedPlan } from './plan'
import { prepared, withStandIns } from './prep'
import type { Prep, Reservation, SlotWish } from './wish'
import { resolve, type Override, type Resolution, type ResolveInput } from './resolve'
import { isOptional } from './slot'
import { isForTime, slotChanges, slotFitter, type Ready } from './slot-of'

export const ENGINE_VERSION = '0.4.0'

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
  readonly practitioner?: Practitioner | undefined
  /** What the salon has set in the rule book; default: nothing. */
  readonly settings?: RuleSettings | undefined
  /** The salon's list of medicines and conditions; default: the one that ships. */
  readonly medicines?: readonly Known[] | undefined
  /** Answers given at gates during the visit. */
  readonly gates?: GateAnswers | undefined
  /** How the visit is to be fitted to its slot; default: shortened only where it would run over. */
  readonly fit?: SlotWish | undefined
  /** What was decided while the tray was laid; default: a medium face, usual water, nothing standing in. */
  readonly prep?: Prep | undefined
  /** When devices of this salon are needed in another room. */
  readonly reserved?: readonly Reservation[] | undefined
  /** Products that stung in a quick check of this visit; left out, the written products of the checks that stung. */
  readonly stung?: readonly string[] | undefined
}

/** A running visit that is fitted again from now: its plan so far and what has begun. */
export interface Running {
  readonly plan: Pick<FittedPlan, 'steps' | 'changes'>
  readonly underway: Underway
}

/** Facts and evidence of a visit as constraints, under the salon's own settings. Levers by the priority of their steps. */
export function constraintsFor(input: CompileInput): Constraints {
  const levers = [...input.protocol.steps]
    .sort((a, b) => b.priority - a.priority)
    .flatMap((step) => (step.lever ? [step.lever.lever] : []))
  const { client, reading, history, date, daytime, practitioner, medicines } = input
  return constrain(withSettings(RULE_BOOK, input.settings ?? NO_SETTINGS), {
    client,
    reading,
    history,
    levers,
    date,
    daytime,
    practitioner,
    medicines,
  })
}

/**
 * From a written protocol to a fitted plan with reasons. Pure and deterministic. `status` says when there is no plan:
 * `postponed` (a rule says not today), `infeasible` (with the clashing rules or limits), `stopped` (search limit).
 * With `running` the visit is fitted again from now: what has begun stands as it is.
 */
export function compile(input: CompileInput, running?: Running): FittedPlan {
  const made = throughRules(input, running)
  return 'plan' in made ? made.plan : placed(made)
}

/** The frontier minutes ↔ worth and the next best alternatives of a visit; undefined when the rules leave no plan. */
export function slotOptions(
  input: CompileInput,
  slotsMinutes: readonly number[],
): SlotOptions | undefined {
  const made = throughRules(input)
  if ('plan' in made) return undefined
  const steps = placeKeeping(withHygiene(made.resolved), undefined, input.reserved).steps
  const fitter = slotFitter(readyFor(steps, made))
  const titled = new Map(steps.map((step) => [step.id, step.title]))
  const own = fitter(slotSOf(input))
  const alternatives =
    own.kind === 'infeasible'
      ? []
      : own.alternatives.map((one) => ({
          totalS: one.totalS,
          worth: one.worth,
          dropped: one.dropped.map((id) => titled.get(id) ?? id),
          shortened: one.times
            .filter((time) => time.toS < time.fromS)
            .map((time) => titled.get(time.stepId) ?? time.stepId),
          swapped: one.swapped.map((swap) => swap.title),
          keepInstead: own.best.dropped.filter((id) => !one.dropped.includes(id)),
        }))
  const frontier = slotsMinutes.map((minutes) => {
    const fit = fitter(minutes * 60)
    return fit.kind === 'infeasible'
      ? { minutes, worth: undefined, gap: 0, dropped: 0 }
      : { minutes, worth: fit.best.worth, gap: fit.gapWorth, dropped: fit.best.dropped.length }
  })
  const optional = steps.filter(isOptional).map((step) => ({ id: step.id, title: step.title }))
  return { fullWorth: own.fullWorth, optional, alternatives, frontier }
}

export interface SlotOptions {
  readonly fullWorth: number
  /** Steps that could be left out for time: what “must stay” can be said of. */
  readonly optional: readonly { readonly id: string; readonly title: string }[]
  readonly alternatives: readonly {
    readonly totalS: number
    readonly worth: number
    readonly dropped: readonly string[]
    readonly shortened: readonly string[]
    readonly swapped: readonly string[]
    /** What would have to be marked “must stay” to get this one. */ readonly keepInstead: readonly string[]
  }[]
  readonly frontier: readonly {
    readonly minutes: number
    readonly worth: number | undefined
    readonly gap: number
    readonly dropped: number
  }[]
}

const slotSOf = (input: CompileInput): number => (input.fit?.slotMinutes ?? input.slotMinutes) * 60

interface Made {
  readonly draft: FittedPlan
  readonly resolved: readonly Step[]
  readonly changes: readonly Change[]
  readonly input: CompileInput
  readonly constraints: Constraints
  readonly gated: Gated
  readonly running: Running | undefined
}

/** Conditions, choices, gates and rules; a plan when there is none to be made. */
function throughRules(
  given: CompileInput,
  running?: Running,
): Made | { readonly plan: FittedPlan } {
  const input = prepared(given)
  const constraints = withStung(constraintsFor(input), input)
  const written = withHygiene(input.protocol.steps.map(unrolled))
  const expanded = expand(written, {
    goals: input.client.concerns,
    daytime: input.daytime,
    firstVisit: input.history.length === 0,
    shelf: input.shelf,
  })
  const gated = throughGates(expanded.steps, input.reading, input.gates ?? {})
  const stoodIn = withStandIns(gated.steps, input)
  const draft = emptyPlan(input, constraints, written)
  const postponed = constraints.inForce.filter((constraint) => constraint.effect === 'postpone')
  if (postponed.length > 0 && !running)
    return {
      plan: {
        ...draft,
        status: 'postponed',
        problems: [...new Set(postponed.map((c) => `${c.title}: ${c.reason} ${c.instead}`))],
      },
    }
  const fixed = running ? running.plan.steps.filter((step) => hasBegun(step, running.underway)) : []
  const { resolution, left } = resolveGroups(takingPart(stoodIn.steps, running), {
    constraints,
    shelf: input.shelf,
    overrides: input.overrides,
    date: input.date,
    fixed,
  })
  if (resolution.kind === 'stopped')
    return {
      plan: {
        ...draft,
        status: 'stopped',
        problems: [
          `The search stopped after ${resolution.triedNodes} tries; take a step out and fit again.`,
        ],
      },
    }
  if (resolution.kind === 'infeasible')
    return {
      plan: {
        ...draft,
        status: 'infeasible',
        problems: resolution.clashes.map(
          (clash) => `${clash.reason} ${clash.instead} (${clash.ruleId})`,
        ),
      },
    }
  return {
    draft,
    resolved: asMixed(resolution.steps, input.shelf, input.prep?.waterC ?? {}),
    changes: [
      ...expanded.changes,
      ...gated.changes,
      ...stoodIn.changes,
      ...left,
      ...resolution.changes,
      ...(running?.plan.changes.filter(isForTime) ?? []),
    ],
    input,
    constraints,
    gated,
    running,
  }
}

/** The steps a visit wants before anything stands in and before any rule: conditions, goals and gates answered. */
export function wantedSteps(given: CompileInput): {
  readonly steps: readonly Step[]
  readonly input: CompileInput
} {
  const input = prepared(given)
  const expanded = expand(withHygiene(input.protocol.steps.map(unrolled)), {
    goals: input.client.concerns,
    daytime: input.daytime,
    firstVisit: input.history.length === 0,
    shelf: input.shelf,
  })
  return { steps: throughGates(expanded.steps, input.reading, input.gates ?? {}).steps, input }
}

/** Resolves; where the rules take one step of a group, the rest of it goes too. */
function resolveGroups(
  steps: readonly Step[],
  rest: Omit<ResolveInput, 'steps'>,
): { resolution: Resolution; left: readonly Change[] } {
  const resolution = resolve({ ...rest, steps })
  if (resolution.kind !== 'resolved') return { resolution, left: [] }
  const kept = new Set(resolution.steps.map((step) => step.id))
  const broken = new Set(
    steps.filter((step) => step.group && !kept.has(step.id)).map((step) => step.group),
  )
  const orphans = steps.filter(
    (step) =>
      kept.has(step.id) && broken.has(step.group) && !rest.fixed?.some((one) => one.id === step.id),
  )
  if (orphans.length === 0) return { resolution, left: [] }
  const gone = goneWith(steps, new Set(orphans.map((step) => step.id)))
  const cause = (step: Step) =>
    resolution.changes.find(
      (change) =>
        change.kind === 'dropped' &&
        steps.find((one) => one.id === change.stepId)?.group === step.group,
    )
  const left = orphans.map((step): Change => ({
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out with its group`,
    why: cause(step)?.why ?? [],
  }))
  const again = resolveGroups(
    steps.filter((step) => !gone.has(step.id) || !kept.has(step.id)),
    rest,
  )
  return { resolution: again.resolution, left: [...left, ...again.left] }
}

const readyFor = (steps: readonly Step[], { input, constraints }: Made): Ready => ({
  steps,
  goals: input.client.concerns,
  reserved: input.reserved ?? [],
  mustStay: input.fit?.mustStay ?? [],
  grow: input.fit?.grow ?? false,
  daytime: input.daytime,
  read: subjectReader(input.shelf, input.date),
  resolving: { constraints, shelf: input.shelf, overrides: input.overrides, date: input.date },
})

/** The ladder cut to its slot, where it would run over or may grow. A visit under way is not cut: what runs late is re-planned, not taken away. */
function cutToSlot(
  steps: readonly Step[],
  placing: Placing,
  made: Made,
): { steps: readonly Step[]; changes: readonly Change[]; fit?: FittedPlan['fit'] } {
  const wholeS = makespanOf(placing)
  const slotS = slotSOf(made.input)
  if (made.running || wholeS === undefined || (wholeS <= slotS && !made.input.fit?.grow))
    return { steps, changes: [] }
  const fit = slotFitter(readyFor(steps, made))(slotS)
  if (fit.kind === 'infeasible')
    return {
      steps,
      changes: [],
      fit: {
        kind: 'infeasible',
        worth: 0,
        fullWorth: fit.fullWorth,
        gapWorth: 0,
        ...(fit.leastS === undefined ? {} : { leastS: fit.leastS }),
      },
    }
  return {
    steps: fit.best.steps,
    changes: slotChanges(steps, fit, wholeS, slotS),
    fit: {
      kind: fit.kind,
      worth: fit.best.worth,
      fullWorth: fit.fullWorth,
      gapWorth: fit.gapWorth,
    },
  }
}

/** What takes part again while a visit runs: nothing that was left out, and nothing that its slot had cut comes back or grows again. */
function takingPart(steps: readonly Step[], running: Running | undefined): readonly Step[] {
  if (!running) return steps
  const forTime = running.plan.changes.filter(isForTime)
  const cut = new Set(
    forTime.flatMap((change) => (change.kind === 'dropped' ? [change.stepId] : [])),
  )
  const planned = new Map(
    running.plan.steps
      .filter((step) => forTime.some((change) => change.stepId === step.id))
      .map((step) => [step.id, step]),
  )
  return steps
    .filter((step) => !running.underway.leftOut.has(step.id) && !cut.has(step.id))
    .map((step) => planned.get(step.id) ?? step)
}

/** A quick check that stung stops its product for today, as a reaction would. */
function withStung(constraints: Constraints, input: CompileInput): Constraints {
  const stung =
    input.stung ?? throughGates(input.protocol.steps, input.reading, input.gates ?? {}).stung
  const stops = stung.map((productId): Constraint => ({
    key: `B05||${productId}`,
    ruleId: 'B05',
    title: 'The quick check stung',
    effect: 'stop',
    target: { productId },
    reason: 'Behind the ear it stung or reddened within two minutes.',
    instead: 'Another of the same kind, or none today.',
    basis: 'common-practice',
    overridable: 'no',
    because: 'the quick check stung',
    unasked: false,
  }))
  return { ...constraints, inForce: [...constraints.inForce, ...stops] }
}

function emptyPlan(
  input: CompileInput,
  constraints: Constraints,
  written: readonly Step[],
): FittedPlan {
  const ladder = placeKeeping(written)
  return {
    format: 'zen-ladder/plan',
    engine: ENGINE_VERSION,
    ruleBook: RULE_BOOK_VERSION,
    protocolVersionId: input.protocol.id,
    status: 'ready',
    problems: [],
    slotS: slotSOf(input),
    totalS: 0,
    leastTotalS: 0,
    writtenTotalS: makespanOf(ladder.placing) ?? 0,
    proof: { kind: 'none', gapS: 0, nodes: 0 },
    steps: [],
    segments: [],
    written: { steps: [...written], segments: segmentsOf(ladder.steps, ladder.placing) },
    changes: [],
    askFirst: [
      ...new Set(
        constraints.inForce.filter((c) => c.unasked && c.target.everything).map((c) => c.because),
      ),
    ],
    stops: stopsInWords(constraints.inForce),
    cautions: [],
    checked: [...constraints.checked],
    notChecked: [...constraints.notChecked],
    askAgain: [...constraints.askAgain],
    refer: distinctWhy(constraints.inForce.filter((c) => c.effect === 'refer' && !c.unasked)).map(
      (why) => ({ ...why }),
    ),
    advice: distinctWhy(
      constraints.inForce.filter((c) => c.effect === 'advice' && c.because !== 'always'),
    ).map((why) => ({ ...why })),
    open: [],
    levers: [],
    suggestions: constraints.suggestions.map((s) => ({ ...s, ruleIds: [...s.ruleIds] })),
    tray: [],
  }
}

function placed(made: Made): FittedPlan {
  const { draft, changes, constraints, input, gated, running } = made
  const whole = placeKeeping(withHygiene(made.resolved), running?.underway, input.reserved)
  const cut = cutToSlot(whole.steps, whole.placing, made)
  const { steps, placing, left } =
    cut.steps === whole.steps
      ? whole
      : { ...placeKeeping(cut.steps, undefined, input.reserved), left: whole.left }
  if (placing.kind === 'infeasible')
    return {
      ...draft,
      status: 'infeasible',
      problems: [`These limits clash: ${placing.clash.join('; ')}.`],
    }
  if (placing.kind === 'stopped')
    return {
      ...draft,
      status: 'stopped',
      problems: [`No order was found in ${placing.nodes} tries.`],
    }
  const read = subjectReader(input.shelf, input.date)
  // What is left out for time needs no other change.
  const gone = new Set(
    cut.changes.flatMap((change) => (change.kind === 'dropped' ? [change.stepId] : [])),
  )
  const all = [
    ...[...changes, ...left].filter((change) => !gone.has(change.stepId)),
    ...cut.changes,
    ...hungChanges(steps, placing),
  ]
  const open = gated.open
    .map((gate) => ({ ...gate, stepIds: withClosures(gate.stepIds, steps) }))
    .filter((gate) => steps.some((step) => step.id === gate.gateId) || gate.stepIds.length > 0)
  const perhaps = new Set(open.flatMap((gate) => gate.stepIds))
  return {
    ...draft,
    ...(cut.fit ? { fit: cut.fit } : {}),
    totalS: placing.makespanS,
    leastTotalS: leastTotal(steps, perhaps, placing, running),
    proof: { kind: placing.kind, gapS: placing.gapS, nodes: placing.nodes },
    steps: [...steps],
    segments: segmentsOf(steps, placing, new Set(open.map((gate) => gate.gateId))),
    changes: all.map((change) => ({ ...change, why: change.why.map((why) => ({ ...why })) })),
    cautions: cautionsFor(steps, constraints.inForce, read),
    tray: trayWithCare(steps, constraints, read, input).map((item) =>
      perhaps.has(item.stepId) ? { ...item, perhaps: true } : item,
    ),
    open,
    levers: steps.flatMap((step) =>
      step.lever
        ? [
            {
              lever: step.lever.lever,
              rung: Math.min(5, rungOf(step, read(step).product) ?? step.lever.rung),
            },
          ]
        : [],
    ),
  }
}

/** Steps that hang on a gate, and what closes them, as far as they are in the visit. */
function withClosures(ids: readonly string[], steps: readonly Step[]): string[] {
  const hanging = goneWith(steps, new Set(ids))
  return steps
    .filter((step) => ids.includes(step.id) || (step.gate === undefined && hanging.has(step.id)))
    .map((step) => step.id)
}

/** How short the visit becomes when nothing that is still open comes. */
function leastTotal(
  steps: readonly Step[],
  perhaps: ReadonlySet<string>,
  whole: Placing,
  running: Running | undefined,
): number {
  const most = makespanOf(whole)!
  if (perhaps.size === 0) return most
  return Math.min(
    most,
    makespanOf(
      placeKeeping(
        steps.filter((step) => !perhaps.has(step.id)),
        running?.underway,
      ).placing,
    ) ?? most,
  )
}

/** The tray of the ladder, with what the rules lay out at each step behind its own things. */
function trayWithCare(
  steps: readonly Step[],
  constraints: Constraints,
  read: (step: Step) => Subject,
  { shelf, prep }: CompileInput,
): FittedPlan['tray'] {
  const cares = careItems(steps, constraints.inForce, read)
  const tray = trayFor(steps, shelf, prep?.size).map(({ supply, ...item }) => ({
    ...item,
    ...(supply ? { supply: { ...supply } } : {}),
  }))
  return steps.flatMap((step) => [
    ...tray.filter((item) => item.stepId === step.id),
    ...cares
      .filter((care) => care.stepId === step.id)
      .map((care, at) => {
        const laid = supplyNamed(care.name)
        return {
          id: `${step.id}:care${at}`,
          name: care.name,
          count: 1,
          for: step.title,
          stepId: step.id,
          ...(laid ? { supply: laid } : {}),
        }
      }),
  ])
}

function hungChanges(steps: readonly Step[], placing: Placing): Change[] {
  if (placing.kind === 'infeasible' || placing.kind === 'stopped') return []
  return steps
    .filter((step) => step.floating)
    .map((step) => {
      const hostPart = placing.hosts.get(step.id) ?? ''
      const host = steps.find((candidate) =>
        candidate.segments.some((part) => partId(candidate, part) === hostPart),
      )
      const proven =
        placing.kind === 'optimal'
          ? 'proven shortest'
          : `at most ${placing.gapS} s above the shortest`
      return {
        kind: 'hung',
        stepId: step.id,
        what: `${step.title} hangs under ${host?.title ?? 'a mask'}`,
        why: [
          {
            ...ownWhy(
              'S00',
              `Your hands are free meanwhile; it costs no extra minutes. Schedule, ${proven}.`,
              'Ask first, and wash before you come back to the face.',
            ),
            basis: 'house' as const,
          },
        ],
      }
    })
}

/** The fitted plan read as a protocol again: resolving it gives the plan once more. */
export function asProtocol(plan: FittedPlan, written: ProtocolVersion): ProtocolVersion {
  return { ...written, steps: plan.steps.map((step) => ({ ...step })) }
}
