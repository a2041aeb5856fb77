import type { Concern } from '../client/model'
import type { ProtocolVersion } from '../protocol/model'
import { compile } from './compile'
import type { CompileInput } from './input'
import type { FittedPlan } from './plan'
import { heartStands } from './heart'
import { hasLadder } from './status'
import { shortages } from './shortages'
import { worthOf } from './worth'

/** One card compiled for this client, today, in this slot. */
export interface CardToday {
  readonly protocolId: string
  readonly versionId: string
  readonly name: string
  readonly status: FittedPlan['status']
  /** What the card is for, and stands. */
  readonly keepsHeart: boolean
  /** What the ladder keeps for the client's goals, by the priority of its steps and the rank of the goal. */
  readonly worth: number
  readonly totalS: number
  readonly leastTotalS: number
  readonly slotS: number
  /** Steps for each goal of the client, in the client's order. */
  readonly serves: readonly { readonly goal: Concern; readonly steps: number }[]
  /** What the rules change of it. */
  readonly changes: number
  readonly short: readonly string[]
  /** What is wrong with it today, in sentences. */
  readonly problems: readonly string[]
}

/** The share of the usual work a card gets while all are compared; a card that is opened gets all of it. */
export const COMPARING = 0.1

/**
 * One card for this visit, and its plan. `given` is the visit with any card: what was decided about the steps of that one (overrides, gates,
 * the tray) is left aside; the slot stays.
 */
export function compareCard(
  given: CompileInput,
  protocol: ProtocolVersion,
  work: number = COMPARING,
): { readonly card: CardToday; readonly plan: FittedPlan } {
  const { gates: _g, prep: _p, stung: _s, felt: _w, fit: _f, ...visit } = given
  const slotMinutes = given.fit?.slotMinutes ?? given.slotMinutes
  const input: CompileInput = { ...visit, protocol, overrides: [], work, slotMinutes }
  const plan = compile(input)
  return { card: cardOf(plan, input), plan }
}

function cardOf(plan: FittedPlan, input: CompileInput): CardToday {
  const { protocol } = input
  const { concerns: goals, goalDetails } = input.client
  const wanted = plan.steps.filter((step) => step.concern && goals.includes(step.concern))
  return {
    protocolId: protocol.protocolId,
    versionId: protocol.id,
    name: protocol.name,
    status: plan.status,
    keepsHeart: keepsHeart(plan),
    worth: wanted.reduce((sum, step) => sum + worthOf(step, goals, goalDetails), 0),
    totalS: plan.totalS,
    leastTotalS: plan.leastTotalS,
    slotS: plan.slotS,
    serves: goals.map((goal) => ({
      goal,
      steps: wanted.filter((step) => step.concern === goal).length,
    })),
    changes: plan.changes.filter(isChangeByRule).length,
    short: hasLadder(plan) ? shortages(input).map(({ name }) => name) : [],
    problems: plan.problems,
  }
}

const keepsHeart = (plan: FittedPlan): boolean =>
  hasLadder(plan) && plan.heart !== undefined && heartStands(plan.heart)

const QUIET: ReadonlySet<string> = new Set(['hung', 'chosen', 'kept'])
const isChangeByRule = ({ kind }: FittedPlan['changes'][number]): boolean => !QUIET.has(kind)

/** How good a card is before its worth is asked: its heart stands and it ends in time; too long; its heart is gone; no plan. */
function tierOf(card: CardToday): number {
  if (!hasLadder(card)) return 3
  if (!card.keepsHeart) return 2
  return card.totalS > card.slotS ? 1 : 0
}

/** The best first: what is kept for the client's goals, then fewer changes, then less short, then the shorter. The price never counts. */
export function ranked(cards: readonly CardToday[]): CardToday[] {
  return [...cards].sort(
    (a, b) =>
      tierOf(a) - tierOf(b) ||
      b.worth - a.worth ||
      a.changes - b.changes ||
      a.short.length - b.short.length ||
      a.totalS - b.totalS ||
      (a.name < b.name ? -1 : 1),
  )
}

/** True where a card may be offered as what it is called: its heart stands, and it ends by its slot. */
export const isOffered = (card: CardToday): boolean => tierOf(card) === 0

/** Every card compared and ranked; `onCard` after each, so that the first can be shown before the last is there. */
export function whichCard(
  given: CompileInput,
  protocols: readonly ProtocolVersion[],
  onCard: (card: CardToday) => void = () => {},
): CardToday[] {
  return ranked(
    protocols.map((protocol) => {
      const { card } = compareCard(given, protocol)
      onCard(card)
      return card
    }),
  )
}
