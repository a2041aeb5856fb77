import type { CompileInput, FittedPlan } from '#core/adapt'
import { ageOn } from '#core/client'
import { nextWindow, suggest, type LeverUse, type SkinAnswer, type Suggestion } from '#core/climb'

/** When the next visit may be, and where each lever stands then. */
export interface NextVisit {
  readonly usual: string
  readonly earliest: string
  readonly climb: readonly Suggestion[]
}

/** The next visit after this one, as the skin answered. */
export function nextVisit(
  { client, date, history }: Pick<CompileInput, 'client' | 'date' | 'history'>,
  plan: FittedPlan,
  answer: SkinAnswer,
): NextVisit {
  const age = ageOn(client.bornOn, date)
  const levers: LeverUse[] = plan.levers
  const work = plan.steps.flatMap(({ properties }) => properties)
  const { usual, earliest } = nextWindow(date, levers, work, age)
  const visits = [...history, { on: date, levers, answer }]
  const wanted = levers.map(({ lever }) => ({ lever, rung: writtenRung(plan, lever) }))
  return { usual, earliest, climb: suggest(wanted, visits, usual, age) }
}

/** How far up the card itself would go. */
const writtenRung = (plan: FittedPlan, lever: LeverUse['lever']): number =>
  Math.max(
    1,
    ...plan.steps.flatMap(
      (step) => step.levers?.find((pulled) => pulled.lever === lever)?.writtenRung ?? [],
    ),
  )

/** What a lever does next, in a word with its sign. */
export const MOVE_WORDS: Readonly<Record<Suggestion['move'], string>> = {
  first: '·',
  up: '↑ up',
  hold: '= same',
  down: '↓ down',
  restart: '⟲ from 1',
  stop: '⊘ stop',
  wait: '… waits',
  free: '≈ by feeling',
}
export const MOVE_CLASSES: Readonly<Record<Suggestion['move'], string>> = {
  first: 'text-soft',
  up: 'text-calm font-semibold',
  hold: 'text-soft',
  down: 'text-mind font-semibold',
  restart: 'text-soft',
  stop: 'text-mind font-semibold',
  wait: 'text-soft',
  free: 'text-soft',
}
