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
  const changes: Change[] = failed.map((step) => ({
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out`,
    why: [
      ownWhy(
        'S03',
        `The reading shows no ${wishesInWords(step)}.`,
        'It comes back when the reading shows it.',
      ),
    ],
  }))
  for (const step of steps.filter((one) => gone.has(one.id) && !failed.includes(one))) {
    const cause = failed.find(
      (one) => one.id === step.closes || (one.group !== undefined && one.group === step.group),
    )
    changes.push({
      kind: 'dropped',
      stepId: step.id,
      what: `${step.title} left out with its cause`,
      why: changes.find((change) => change.stepId === (cause?.id ?? step.closes))?.why ?? [],
    })
  }
  const checks = steps.filter((step) => step.gate === 'quick-check' && step.checks)
  return {
    steps: steps.filter((step) => !gone.has(step.id)),
    changes,
    open: [
      ...(reading.done ? [] : openReadings(conditional)),
      ...checks
        .filter((step) => answers[step.id] === undefined)
        .map((step) => ({
          gateId: step.id,
          stepIds: [step.checks!],
          words: 'if the quick check stays calm',
        })),
    ],
    stung: checks
      .filter((step) => answers[step.id] === 'stings')
      .flatMap((step) => steps.find((one) => one.id === step.checks)?.product?.productId ?? []),
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
