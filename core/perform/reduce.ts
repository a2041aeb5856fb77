import type { LesionOutcome } from '../skin/lesion-words'
import type { Reading } from '../skin/model'
import { byType } from '../kinds'
import type { RunBody, RunEvent } from './events'
import { back, left, readyAgain, type Absence } from './absence'
import { canonical } from './canonical'
import { liveAt, staysIn } from './live'
import type { Lead } from './lead'
import type { Called } from './order'
import type { PassSaid } from './passes'
import { isPaused, type Pause } from './pauses'
import { isUntouched, withoutLogsOf } from './refusing'
import type {
  Cartridge,
  Felt,
  Ladder,
  LevelSet,
  Refusal,
  RunState,
  SegmentLog,
  StrokeSaid,
} from './state'

/**
 * State of a run from its plan and events. Merging is commutative and idempotent: the first start, finish and removal of a
 * segment win, sensations unite. A removal cannot be skipped while its layer lies on skin: a `skipped` after it went on, by
 * word or by the clock, is kept as a note and does not take the layer off.
 */
export function reduceRun<Plan extends Ladder>(
  plan: Plan,
  events: readonly RunEvent[],
): RunState<Plan> {
  const ordered = canonical(events)
  const state: Building<Plan> = {
    plan,
    startedMs: undefined,
    finishedMs: undefined,
    endsMs: undefined,
    slowerBy: 0,
    called: [],
    areas: new Map(),
    outcomes: new Map(),
    notYet: new Map(),
    emergencyMs: undefined,
    turned: new Map(),
    segments: new Map(),
    skipped: new Map(),
    sensations: [],
    levels: [],
    strokes: [],
    lead: undefined,
    handedOver: new Set(),
    passes: [],
    refused: [],
    cartridges: new Map(),
    pauses: [],
    absences: [],
    comforts: [],
    notes: [],
    checks: new Map(),
    stung: [],
    reading: undefined,
    events: ordered,
  }
  // A stored plan is a whole one; a run that was begun on less of it keeps what it asked for.
  for (const event of ordered) apply(state as Building<Ladder>, event)
  return state
}

interface Building<Plan extends Ladder> {
  plan: Plan
  startedMs: number | undefined
  finishedMs: number | undefined
  emergencyMs: number | undefined
  readonly turned: Map<string, { readonly atMs: number; readonly eventId: string }>
  endsMs: number | undefined
  slowerBy: number
  called: readonly Called[]
  readonly areas: Map<string, number>
  readonly outcomes: Map<string, LesionOutcome>
  readonly notYet: Map<string, readonly number[]>
  readonly segments: Map<string, SegmentLog>
  readonly skipped: Map<string, string>
  readonly sensations: Felt[]
  readonly levels: LevelSet[]
  readonly strokes: StrokeSaid[]
  lead: Lead | undefined
  readonly handedOver: Set<string>
  passes: readonly PassSaid[]
  refused: readonly Refusal[]
  readonly cartridges: Map<string, Cartridge>
  pauses: readonly Pause[]
  absences: readonly Absence[]
  readonly comforts: { stepId: string; measure: string; atMs: number }[]
  readonly notes: { text: string; atMs: number }[]
  readonly checks: Map<string, 'calm' | 'stings'>
  readonly stung: string[]
  reading: Reading | undefined
  readonly events: readonly RunEvent[]
}

type Change = (state: Building<Ladder>, event: RunEvent) => void

type BodyOf<Type extends RunBody['type']> = Extract<RunBody, { type: Type }>

/** What each kind of event does to the state. */
const changeBy = byType<RunBody, [state: Building<Ladder>, event: RunEvent], void>({
  start: (_, state, { wallMs, deviceId }) => {
    state.startedMs ??= wallMs
    state.lead ??= { deviceId, atMs: wallMs }
  },
  lead: ({ by }, state, { wallMs, deviceId }) => {
    state.lead = { deviceId, atMs: wallMs, ...(by === undefined ? {} : { by }) }
  },
  'handed-over': ({ segmentId }, { handedOver }) => {
    handedOver.add(segmentId)
  },
  finish: (_, state, { wallMs }) => {
    state.finishedMs ??= wallMs
  },
  emergency: (_, state, { wallMs }) => {
    state.emergencyMs ??= wallMs
  },
  // Whoever begins something works again: its clock never stands.
  started: ({ segmentId }, state, { wallMs }) => {
    keepFirst(state, segmentId, 'startedMs', wallMs)
    goOn(state, wallMs)
  },
  finished: ({ segmentId }, state, { wallMs }) => keepFirst(state, segmentId, 'finishedMs', wallMs),
  still: ({ segmentId }, state, { wallMs }) => keepFirst(state, segmentId, 'stillMs', wallMs),
  sensation: ({ type: _, ...felt }, state, { wallMs, id }) => {
    state.sensations.push({ ...felt, atMs: wallMs, eventId: id })
  },
  set: ({ type: _, ...level }, state, { wallMs }) => {
    state.levels.push({ ...level, atMs: wallMs })
  },
  area: ({ segmentId }, { areas }) => {
    areas.set(segmentId, (areas.get(segmentId) ?? 0) + 1)
  },
  extracted: ({ outcomes: said }, { outcomes }) => {
    for (const [id, outcome] of Object.entries(said)) outcomes.set(id, outcome)
  },
  ends: ({ atMs }, state) => {
    state.endsMs = atMs
  },
  slower: ({ percent }, state) => {
    state.slowerBy = percent
  },
  called: ({ type: _, ...call }, state) => {
    state.called = [...state.called, call]
  },
  'not-yet': ({ segmentId }, { notYet }, { wallMs }) => {
    notYet.set(segmentId, [...(notYet.get(segmentId) ?? []), wallMs])
  },
  stroke: ({ segmentId, way }, state, { wallMs }) => {
    state.strokes.push({ segmentId, way, atMs: wallMs })
  },
  pass: ({ segmentId }, state, { wallMs }) => {
    state.passes = [...state.passes, { segmentId, atMs: wallMs }]
  },
  cartridge: ({ stepId, lot, depthMm }, { cartridges }) => {
    cartridges.set(stepId, { lot, depthMm })
  },
  comfort: ({ stepId, measure }, state, { wallMs }) => {
    state.comforts.push({ stepId, measure, atMs: wallMs })
  },
  note: ({ text }, state, { wallMs }) => {
    state.notes.push({ text, atMs: wallMs })
  },
  turned: ({ taskId }, { turned }, { wallMs, id }) => {
    if (!turned.has(taskId)) turned.set(taskId, { atMs: wallMs, eventId: id })
  },
  skipped: skip,
  refused: refuse,
  checked: check,
  read: ({ reading }, state) => {
    state.reading = reading
  },
  pause: (_, state, { wallMs }) => rest(state, wallMs),
  left: ({ bell }, state, { wallMs }) => {
    if (state.startedMs === undefined) return
    state.absences = left(state.absences, wallMs, bell)
    rest(state, wallMs)
  },
  came: (_, state, { wallMs }) => {
    state.absences = back(state.absences, wallMs)
  },
  resume: (_, state, { wallMs }) => goOn(state, wallMs),
  // A fit knows how long hands have rested so far, and what was done again: it is in its lengths.
  replanned: ({ plan, fromMs }, state, { wallMs }) => {
    state.plan = plan
    state.pauses = isPaused(state.pauses) ? [{ fromMs: fromMs ?? wallMs }] : []
    state.passes = state.passes.map((pass) => ({ ...pass, fitted: true }))
    state.refused = state.refused.map((refusal) => ({ ...refusal, isOpen: false }))
  },
  // Taken out before anything is folded: see `canonical`.
  retract: () => {},
})

const apply: Change = (state, event) => changeBy(event.body, state, event)

function rest(state: Building<Ladder>, wallMs: number): void {
  if (!isPaused(state.pauses)) state.pauses = [...state.pauses, { fromMs: wallMs }]
}

/** A pause that still lasts ends. */
function goOn(state: Building<Ladder>, wallMs: number): void {
  state.absences = readyAgain(state.absences, wallMs)
  state.pauses = state.pauses.map((pause) => ({ toMs: wallMs, ...pause }))
}

/** The first time of its kind counts; a segment that the ladder does not have is none of the run's. */
function keepFirst(
  state: Building<Ladder>,
  segmentId: string,
  what: keyof SegmentLog,
  wallMs: number,
): void {
  if (!state.plan.segments.some((segment) => segment.id === segmentId)) return
  const log = state.segments.get(segmentId) ?? {}
  state.segments.set(segmentId, { ...log, [what]: log[what] ?? wallMs })
}

function check(
  { stepId, answer, productId }: BodyOf<'checked'>,
  { checks, stung }: Building<Ladder>,
): void {
  checks.set(stepId, checks.get(stepId) ?? answer)
  if (answer === 'stings' && productId !== undefined) stung.push(productId)
}

/** What touches already stays in the ladder; that it was refused is known from then on all the same. */
function refuse(
  { stepId, productId, why }: BodyOf<'refused'>,
  state: Building<Ladder>,
  { wallMs }: RunEvent,
): void {
  const isOpen = isUntouched(liveAt(state.plan, state, wallMs), state, stepId)
  if (isOpen) withoutLogsOf(stepId, state.plan.segments, state.segments)
  state.refused = [...state.refused, { stepId, productId, why, isOpen }]
}

function skip(
  { stepId, reason }: BodyOf<'skipped'>,
  state: Building<Ladder>,
  { wallMs }: RunEvent,
): void {
  const stays = staysIn(liveAt(state.plan, state, wallMs), stepId)
  if (!stays) {
    if (!state.skipped.has(stepId)) state.skipped.set(stepId, reason)
    return
  }
  state.notes.push({
    text: `Wanted to skip ${stepId}: ${reason}. ${STAYS[stays]}`,
    atMs: wallMs,
  })
}

const STAYS = {
  on: 'It lies on the skin and has to come off.',
  over: 'It was over already.',
} as const
