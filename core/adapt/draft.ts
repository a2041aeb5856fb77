import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import { RULE_BOOK_VERSION } from '../safety/rules'
import { subjectReader } from '../strength'
import { distinctWhy, type Why } from './change'
import { slotSecondsOf, type AsWritten, type Running } from './input'
import { handStopsOf, referrals, stopsInWords } from './stops'
import { makespanOf, placeKeeping, segmentsOf } from './lay'
import type { FittedPlan } from './plan'
import type { Visit } from './visit'

export const ENGINE_VERSION = '0.7.0'

/** A plan without a fitted ladder: what is known of the visit before any step is decided. */
export function draftOf({ input, running, constraints, written }: Visit): FittedPlan {
  const { inForce } = constraints
  return {
    format: 'zen-ladder/plan',
    engine: ENGINE_VERSION,
    ruleBook: RULE_BOOK_VERSION,
    protocolVersionId: input.protocol.id,
    status: 'ready',
    problems: [],
    slotS: slotSecondsOf(input),
    totalS: 0,
    leastTotalS: 0,
    proof: { kind: 'none', gapS: 0, nodes: 0 },
    steps: [],
    segments: [],
    ...(knownAsWritten(running) ?? ladderAsWritten(written)),
    changes: [],
    askFirst: openStops(inForce),
    stops: stopsInWords(inForce),
    handStops: handStopsOf(inForce, written, subjectReader(input.shelf, input.date)),
    cautions: [],
    checked: [...constraints.checked],
    notChecked: [...constraints.notChecked],
    askAgain: [...constraints.askAgain],
    refer: referrals(inForce, input.client, input.date),
    advice: whysOf(inForce.filter((c) => c.effect === 'advice' && c.because !== 'always')),
    open: [],
    levers: [],
    suggestions: constraints.suggestions.map((s) => ({ ...s, ruleIds: [...s.ruleIds] })),
    tray: [],
  }
}

function knownAsWritten(running: Running | undefined): AsWritten | undefined {
  const { written, writtenTotalS } = running?.plan ?? {}
  return written && writtenTotalS !== undefined ? { written, writtenTotalS } : undefined
}

function ladderAsWritten(written: readonly Step[]): AsWritten {
  const ladder = placeKeeping(written)
  return {
    writtenTotalS: makespanOf(ladder.placing) ?? 0,
    written: { steps: [...written], segments: segmentsOf(ladder.steps, ladder.placing) },
  }
}

/** Questions that stop the whole visit as long as nobody has asked them. */
function openStops(inForce: readonly Constraint[]): string[] {
  const unasked = inForce.filter((c) => c.unasked && c.target.everything && c.effect === 'caution')
  return [...new Set(unasked.map((c) => c.because))]
}

const whysOf = (constraints: readonly Constraint[]): Why[] =>
  distinctWhy(constraints).map((why) => ({ ...why }))
