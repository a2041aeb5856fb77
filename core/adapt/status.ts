import { inMinutes } from '../quantity/time'
import type { Heart } from './heart'
import type { FittedPlan } from './plan'

export type PlanStatus = FittedPlan['status']

const WITH_LADDER: ReadonlySet<PlanStatus> = new Set(['ready', 'thinned', 'over', 'ask-first'])
/** The plan has a ladder that can be laid out and performed. */
export const hasLadder = ({ status }: Pick<FittedPlan, 'status'>): boolean =>
  WITH_LADDER.has(status)

type Judged = Pick<FittedPlan, 'askFirst' | 'totalS' | 'slotS' | 'fit'>

/**
 * What a ladder that stands in its times is, in one word and in sentences: the first that holds of ask-first, thinned, over, ready. All sentences
 * are given, whichever word goes first.
 */
export function judged(
  plan: Judged,
  heart: Heart,
): { readonly status: PlanStatus; readonly problems: string[] } {
  const found: readonly (readonly [PlanStatus, string | undefined])[] = [
    ['ask-first', askFirstWords(plan)],
    ['thinned', thinnedWords(heart)],
    ['over', overWords(plan)],
  ]
  const held = found.filter(([, words]) => words !== undefined)
  return { status: held[0]?.[0] ?? 'ready', problems: held.map(([, words]) => words!) }
}

const askFirstWords = ({ askFirst }: Judged): string | undefined =>
  askFirst.length > 0 ? `Ask first: ${askFirst.join('; ')}.` : undefined

/** What a plan with a ladder falls short of, in sentences; what is still to be asked is in `askFirst`. */
export const shortcomingsOf = (plan: FittedPlan): string[] =>
  hasLadder(plan)
    ? [plan.heart && thinnedWords(plan.heart), overWords(plan)].filter(
        (words) => words !== undefined,
      )
    : []

/** What is lost of what the card is for. */
function thinnedWords({ lost, treats }: Heart): string | undefined {
  if (!treats) return 'All treatment is left out today: what remains cleanses and finishes.'
  if (lost.length === 0) return undefined
  const titles = lost.map(({ title }) => title).join(' and ')
  return `Without its main step today: ${titles}.`
}

function overWords({ totalS, slotS, fit }: Judged): string | undefined {
  if (totalS <= slotS) return undefined
  const length = `It takes ${inMinutes(totalS)} min and the slot is ${inMinutes(slotS)}`
  switch (fit?.kind) {
    case 'infeasible':
      return `${length}: at its least it is longer.`
    case 'unfinished':
      return `${length}: nothing shorter was found before the search ended.`
    default:
      return `${length}.`
  }
}
