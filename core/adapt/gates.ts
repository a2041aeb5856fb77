import { goneWith } from '../protocol/family'
import type { Step } from '../protocol/model'
import { FINDINGS } from '../skin/findings'
import type { Reading } from '../skin/model'
import { ownWhy, type Change } from './change'

/** Answers given at gates so far, by step id. */
export type GateAnswers = Readonly<Record<string, 'calm' | 'stings'>>

/** A gate without an answer, and what hangs on it. */
export interface OpenGate {
  readonly gateId: string
  readonly stepIds: readonly string[]
  readonly words: string
}

type Wish = NonNullable<Step['onlyIf']>['sees'][number]
const nameOf = (wish: Wish): string =>
  wish === 'ready-lesion'
    ? 'a lesion that is ready'
    : FINDINGS.find((words) => words.kind === wish)!.name.toLowerCase()
const wishesInWords = (step: Step): string => step.onlyIf!.sees.map(nameOf).join(' or ')

function shows(wish: Wish, reading: Reading): boolean {
  if (wish === 'ready-lesion') return reading.lesions.some((lesion) => lesion.decision === 'ready')
  return reading.findings.some((finding) => finding.kind === wish)
}

export interface Gated {
  /** Steps that take part: those without a condition, those whose condition holds, and those still open. */
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
  readonly open: readonly OpenGate[]
  /** Products that a quick check has shown to sting: not on this client today. */
  readonly stung: readonly string[]
}

/**
 * What the gates of a protocol say so far. A step whose condition the reading does not show is left out, with its reason; while the
 * reading is not done it stays, and its gate is open. A quick check that stung takes its product out.
 */
export function throughGates(
  steps: readonly Step[],
  reading: Reading,
  answers: GateAnswers,
): Gated {
  const conditional = steps.filter((step) => step.onlyIf)
  const failed = reading.done
    ? conditional.filter((step) => !step.onlyIf!.sees.some((wish) => shows(wish, reading)))
    : []
  const gone = goneWith(steps, new Set(failed.map((step) => step.id)))
  const checks = steps.filter((step) => step.gate === 'quick-check' && step.checks)
  const unanswered = checks.filter((step) => answers[step.id] === undefined)
  const stinging = checks.filter((step) => answers[step.id] === 'stings')
  return {
    steps: steps.filter((step) => !gone.has(step.id)),
    changes: leftOut(steps, failed, gone),
    open: [...(reading.done ? [] : openReadings(conditional)), ...unanswered.map(openCheck)],
    stung: stinging.flatMap((check) => checkedStep(check, steps)?.product?.productId ?? []),
  }
}

const checkedStep = (check: Step, steps: readonly Step[]): Step | undefined =>
  steps.find((step) => step.id === check.checks)

const openCheck = (check: Step): OpenGate => ({
  gateId: check.id,
  stepIds: [check.checks!],
  words: 'if the quick check stays calm',
})

/** Steps that the reading does not ask for, and what goes with them, each with its reason. */
function leftOut(
  steps: readonly Step[],
  failed: readonly Step[],
  gone: ReadonlySet<string>,
): Change[] {
  const changes = failed.map(notSeen)
  for (const step of steps) {
    if (!gone.has(step.id) || failed.includes(step)) continue
    const cause = failed.find((other) => other.id === step.closes || isOneGroup(other, step))
    const causeId = cause?.id ?? step.closes
    changes.push({
      kind: 'dropped',
      stepId: step.id,
      what: `${step.title} left out with its cause`,
      why: changes.find((change) => change.stepId === causeId)?.why ?? [],
    })
  }
  return changes
}

const isOneGroup = (a: Step, b: Step): boolean => a.group !== undefined && a.group === b.group

function notSeen(step: Step): Change {
  const reason = `The reading shows no ${wishesInWords(step)}.`
  return {
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out`,
    why: [ownWhy('S03', reason, 'It comes back when the reading shows it.')],
  }
}

function openReadings(conditional: readonly Step[]): OpenGate[] {
  const byGate = new Map<string, Step[]>()
  for (const step of conditional)
    byGate.set(step.onlyIf!.gate, [...(byGate.get(step.onlyIf!.gate) ?? []), step])
  return [...byGate].map(([gateId, hanging]) => ({
    gateId,
    stepIds: hanging.map((step) => step.id),
    words: `if the lamp shows ${[...new Set(hanging.map(wishesInWords))].join('; ')}`,
  }))
}
