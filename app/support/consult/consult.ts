import type { FittedPlan } from '#core/adapt'
import {
  answerByMedicines,
  factsInForce,
  KNOWN,
  QUESTIONS,
  type Fact,
  type Known,
  type Question,
} from '#core/client'
import { shortDate } from '~/support/time'

/** One card of "since last time": a few questions that belong together. */
export interface SinceCard {
  readonly id: string
  readonly title: string
  readonly hint: string
  readonly questions: readonly Question[]
  /** Medicines are searched for. */ readonly medicines?: true
}

const named = (...codes: string[]): Question[] =>
  codes.map((code) => QUESTIONS.find((question) => question.code === code)!)

export const SINCE_CARDS: readonly SinceCard[] = [
  {
    id: 'today',
    title: 'Today',
    hint: 'cold sore, fever, wound, a spot that changed, eyes, nose',
    questions: named(
      'infection',
      'unwell',
      'open-wound',
      'changed-lesion',
      'skin-patch',
      'eye-infection',
      'blocked-nose',
      'contact-lenses',
      'worn-metal',
      'worn-metal-stays',
      'reduced-feeling',
    ),
  },
  {
    id: 'medicine',
    title: 'Medicines',
    hint: 'new, or stopped',
    questions: named(
      'isotretinoin',
      'retinoid-prescription',
      'photosensitiser-strong',
      'photosensitiser-weak',
      'anticoagulant',
    ),
    medicines: true,
  },
  { id: 'pregnancy', title: 'Pregnancy', hint: 'or breast-feeding', questions: named('pregnancy') },
  {
    id: 'procedures',
    title: 'Procedures elsewhere',
    hint: 'peel, needling, laser, injections, surgery',
    questions: named(
      'peel-light',
      'peel-medium',
      'peel-deep',
      'botulinum',
      'filler',
      'threads',
      'eye-surgery',
      'permanent-makeup',
    ),
  },
  {
    id: 'sun',
    title: 'Sun and air',
    hint: 'sunburn, much sun, very dry air',
    questions: named('sunburn', 'high-sun', 'dry-air'),
  },
  {
    id: 'hair',
    title: 'Hair and lashes',
    hint: 'waxed, shaved, extensions',
    questions: named('waxing', 'shaved', 'lash-extensions'),
  },
  {
    id: 'home',
    title: 'At home',
    hint: 'retinol, scrub or acid',
    questions: named('retinol', 'own-exfoliant'),
  },
  {
    id: 'plans',
    title: 'Tonight or this week',
    hint: 'anything on; oil in the hair',
    questions: named('event', 'hair-oil'),
  },
]
export const WALK_IN_QUESTIONS = QUESTIONS.filter((question) => question.walkIn)
/** What stays as it is between visits. */
export const LASTING_QUESTIONS = QUESTIONS.filter(
  (question) => !question.eachVisit && question.code !== 'guardian-consent',
)

export interface CardState {
  readonly asked: boolean
  readonly open: number
  readonly yes: readonly string[]
}

/** Whether a card was asked on a day, how many of its questions are open, and what is yes in words. */
export function cardState(
  card: Pick<SinceCard, 'questions'>,
  facts: ReadonlyMap<string, Fact>,
  today: string,
): CardState {
  const known = (question: Question) =>
    (facts.get(question.code)?.answer ?? 'unknown') !== 'unknown'
  return {
    asked: card.questions.every(
      (question) => known(question) && facts.get(question.code)!.askedOn === today,
    ),
    open: card.questions.filter((question) => !known(question)).length,
    yes: card.questions
      .filter((question) => facts.get(question.code)?.answer === 'yes')
      .map((question) => {
        const on = facts.get(question.code)!.on
        return on ? `${question.ask}, ${shortDate(on)}` : question.ask
      }),
  }
}

/** Answers that say nothing is new: what was told stays; what was never asked is what the client's medicines say, else no. */
export const nothingNew = (
  questions: readonly Question[],
  facts: ReadonlyMap<string, Fact>,
  today: string,
  list: readonly Known[] = KNOWN,
): Fact[] =>
  questions.map((question): Fact => {
    const before = facts.get(question.code)
    if (before?.answer === 'yes') return { ...before, askedOn: today }
    return (
      answerByMedicines(question.code, facts, list, today) ?? {
        ...(before?.answer === 'no' ? before : { code: question.code, answer: 'no' as const }),
        askedOn: today,
      }
    )
  })

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
