import type { CompileInput, FittedPlan } from '#core/adapt'
import { ageOn } from '#core/client'
import { nextWindow, suggest, type LeverUse, type SkinAnswer, type Suggestion } from '#core/climb'

/** When the next visit may be, and where each lever stands then. */
export interface NextVisit {
  readonly usual: string
  readonly earliest: string
  readonly climb: readonly Suggestion[]
}

const leversOf = (plan: FittedPlan): LeverUse[] =>
  plan.steps.flatMap(({ lever }) => (lever ? [{ lever: lever.lever, rung: lever.rung }] : []))

/** The next visit after this one, as the skin answered. */
export function nextVisit(
  { client, date, history }: Pick<CompileInput, 'client' | 'date' | 'history'>,
  plan: FittedPlan,
  answer: SkinAnswer,
): NextVisit {
  const age = ageOn(client.bornOn, date)
  const levers = leversOf(plan)
  const work = plan.steps.flatMap(({ properties }) => properties)
  const { usual, earliest } = nextWindow(date, levers, work, age)
  const visits = [...history, { on: date, levers, answer }]
  const names = levers.map(({ lever }) => lever)
  return { usual, earliest, climb: suggest(names, visits, usual, age) }
}

/** What a lever does next, in a word with its sign. */
export const MOVE_WORDS: Readonly<Record<Suggestion['move'], string>> = {
  first: '·',
  up: '↑ up',
  hold: '= same',
  down: '↓ down',
  restart: '⟲ from 1',
  stop: '⊘ stop',
  wait: '… waits',
}
export const MOVE_CLASSES: Readonly<Record<Suggestion['move'], string>> = {
  first: 'text-soft',
  up: 'text-calm font-semibold',
  hold: 'text-soft',
  down: 'text-mind font-semibold',
  restart: 'text-soft',
  stop: 'text-mind font-semibold',
  wait: 'text-soft',
}
