import { prepared, type CompileInput, type FittedPlan } from '../adapt'
import type { PastVisit } from '../climb'
import { doneBy, subjectReader } from '../strength'
import type { HomeInput } from './input'

/** What a visit leaves for home care: the ladder it was performed with, and what of it was left out. */
export interface Went {
  readonly plan: FittedPlan | undefined
  readonly skipped: ReadonlySet<string>
  readonly told: Pick<PastVisit, 'answer' | 'leaving'>
}

/** What a home plan is made from, of a visit as it went; what was done counts as the newest of the history. */
export function homeInputOf(
  input: CompileInput,
  { plan, skipped, told }: Went,
  more: Pick<HomeInput, 'uses' | 'rests' | 'next' | 'out'>,
): HomeInput {
  const { shelf } = prepared(input)
  const steps = plan?.steps.filter(({ id }) => !skipped.has(id)) ?? []
  const done = doneBy(steps, subjectReader(shelf))
  const { client, reading, history, date, settings, medicines, protocol } = input
  return {
    ...{ client, reading, shelf, date, settings, medicines, done },
    history: plan ? [...history, { on: date, ...done, ...told }] : history,
    splits: protocol.methods?.['home-acid-retinoid'] === 'split',
    ...more,
  }
}
