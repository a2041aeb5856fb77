import type { FittedPlan } from '../adapt'

/** More than these are not read on the way to the room. */
const MOST = 3

/** One thing that matters of a client today: its sign, and a few words. */
export interface BriefFact {
  readonly sign: 'stop' | 'less' | 'more' | 'mind' | 'ask'
  readonly words: string
}

type Plan = Pick<
  FittedPlan,
  | 'status'
  | 'problems'
  | 'stops'
  | 'handStops'
  | 'changes'
  | 'askFirst'
  | 'steps'
  | 'segments'
  | 'tray'
>

const LESS: ReadonlySet<string> = new Set(['dropped', 'rung', 'minutes', 'zones', 'swapped'])
const MORE: ReadonlySet<string> = new Set(['inserted', 'replaced', 'care'])

/** What matters most of a client today, at most three: what is wrong with the visit, stops, then what is less and what is more than written. */
export function factsOf(plan: Plan): BriefFact[] {
  const isWrong = plan.status !== 'ready' && plan.status !== 'ask-first'
  const known = plan.changes.filter(
    ({ why }) => why.length > 0 && !why.every(({ unasked }) => unasked),
  )
  const of = (kinds: ReadonlySet<string>, sign: BriefFact['sign']) =>
    known
      .filter(({ kind }) => kinds.has(kind))
      .map(({ what }): BriefFact => ({ sign, words: what }))
  const stops = plan.handStops?.map(({ words }) => words) ?? plan.stops
  const facts: BriefFact[] = [
    ...(isWrong
      ? plan.problems.slice(0, 1).map((words): BriefFact => ({ sign: 'stop', words }))
      : []),
    ...stops.map((words): BriefFact => ({ sign: 'stop', words })),
    ...of(LESS, 'less'),
    ...of(MORE, 'more'),
  ]
  const open = plan.askFirst.length
  const ask: BriefFact[] =
    open > 0
      ? [
          {
            sign: 'ask',
            words: open === 1 ? 'One question to ask first' : `${open} questions to ask first`,
          },
        ]
      : []
  const said = distinct(facts).slice(0, MOST - ask.length)
  return [...said, ...ask]
}

/** What must not be done, without why: said once is enough on the way to the room. */
const doing = ({ words }: BriefFact): string => words.split(': ')[0]!
const distinct = (facts: readonly BriefFact[]): BriefFact[] =>
  facts.filter((fact, at) => facts.findIndex((other) => doing(other) === doing(fact)) === at)

/** What must be done at its time beside the bed: mixed, warmed, done. `atS` from the start of the visit. */
export interface BriefTime {
  readonly atS: number
  readonly words: string
}

/** What is mixed and warmed when, in order. */
export function timesOf(plan: Plan): BriefTime[] {
  const titleOf = (stepId: string) => plan.steps.find(({ id }) => id === stepId)?.title ?? ''
  const mixes = plan.segments
    .filter(({ kind }) => kind === 'prepare')
    .map(({ startS, stepId }) => ({ atS: startS, words: `mix: ${titleOf(stepId)}` }))
  const towels = plan.tray
    .filter(({ readyInS, perhaps }) => readyInS !== undefined && !perhaps)
    .flatMap(({ stepId, name, count, readyInS }) => {
      const off = plan.segments.find((one) => one.stepId === stepId && one.kind === 'remove')
      return off
        ? [{ atS: off.startS - readyInS!, words: `out of the cabinet: ${count} ${name}` }]
        : []
    })
  return [...mixes, ...towels].sort((a, b) => a.atS - b.atS)
}
