import type { FittedPlan, Needed } from '#core/adapt'
import {
  factsInForce,
  groupStates,
  type Fact,
  type GroupState,
  type Known,
  type Question,
} from '#core/client'
import { shortDate } from '~/support/time'

type Facts = ReadonlyMap<string, Fact>

/** A group of questions as it stands on the screen of Consult. */
export interface AskedGroup extends GroupState {
  /** This card needs it before it can be laid. */
  readonly isNeeded: boolean
  /** Nothing in it waits for an answer. */
  readonly isDone: boolean
  /** What is known, in one line: "Diabetes, controlled · none of the rest, told 24 Oct". */
  readonly told: string
}

/** Allergies are asked when somebody said none, or named one. */
const allergyAnswers = (facts: Facts): Fact[] =>
  [...facts.values()].filter(
    ({ code, answer }) => code.startsWith('allergy:') && answer !== 'unknown',
  )
export const allergiesAsked = (facts: Facts): boolean => allergyAnswers(facts).length > 0

/** All groups on a day, with what the card needs; those it needs first, in the order of asking. */
export function askedGroups(facts: Facts, date: string, needed: Needed): AskedGroup[] {
  const groups = groupStates(facts, date).map((state): AskedGroup => {
    const isAllergies = state.id === 'allergies'
    return {
      ...state,
      isNeeded: isAllergies || state.questions.some(({ code }) => needed.codes.has(code)),
      isDone: isAllergies
        ? allergiesAsked(facts)
        : state.open.length === 0 && state.again.length === 0,
      told: isAllergies ? allergiesTold(facts) : groupTold(state, facts),
    }
  })
  return [
    ...groups.filter(({ isNeeded }) => isNeeded),
    ...groups.filter((group) => !group.isNeeded),
  ]
}

/** Groups that the card needs and nobody has finished asking, by name: one line on Fit. */
export const openGroups = (facts: Facts, date: string, needed: Needed): string[] =>
  askedGroups(facts, date, needed)
    .filter(
      ({ id, isNeeded, open }) =>
        isNeeded &&
        (id === 'allergies'
          ? !allergiesAsked(facts)
          : open.some(({ code }) => needed.codes.has(code))),
    )
    .map(({ name }) => name)

const withDay = ({ word, code }: Question, facts: Facts): string => {
  const on = facts.get(code)?.on
  return on ? `${word}, ${shortDate(on)}` : word
}

function groupTold({ questions, open, yes, notKnown }: GroupState, facts: Facts): string {
  if (open.length === questions.length) return 'not asked'
  const days = questions.flatMap(({ code }) => facts.get(code)?.askedOn ?? [])
  const last = days.sort().at(-1)!
  const rest = yes.length + notKnown.length > 0 ? 'else none' : 'none'
  return [
    ...yes.map((question) => withDay(question, facts)),
    ...notKnown.map(({ word }) => `${word}: does not know`),
    open.length > 0 ? `${open.length} not asked` : `${rest}, told ${shortDate(last)}`,
  ].join(' · ')
}

function allergiesTold(facts: Facts): string {
  const answers = allergyAnswers(facts)
  if (answers.length === 0) return 'not asked'
  const known = answers.filter(({ answer }) => answer === 'yes')
  const last = answers
    .map(({ askedOn }) => askedOn)
    .sort()
    .at(-1)!
  return `${known.length === 0 ? 'none known' : `${known.length} known`}, told ${shortDate(last)}`
}

/** Medicines a client takes or has stopped, with the fact. */
export function medicinesOf(
  facts: readonly Fact[],
  known: readonly Known[],
): { known: Known; fact: Fact }[] {
  const inForce = factsInForce(facts)
  return known.flatMap((entry) => {
    const fact = inForce.get(`medicine:${entry.id}`)
    return fact?.answer === 'yes' ? [{ known: entry, fact }] : []
  })
}

/** Clearances that rules ask for today, each with the words of its rule. */
export function clearancesWanted(
  plan: FittedPlan | undefined,
  input: { readonly client: { readonly clearances: readonly { clearance: string }[] } },
  rules: readonly { readonly id: string; readonly title: string; readonly clearance: string }[],
): { id: string; title: string; ruleId: string }[] {
  const given = new Set(input.client.clearances.map((other) => other.clearance))
  const spoken = new Set(
    plan?.changes.flatMap((change) =>
      change.why.filter((why) => !why.unasked).map((why) => why.ruleId),
    ),
  )
  return rules
    .filter(
      (rule) =>
        !given.has(rule.clearance) &&
        (spoken.has(rule.id) || plan?.problemRuleIds?.includes(rule.id)),
    )
    .map((rule) => ({ id: rule.clearance, title: rule.title, ruleId: rule.id }))
}
