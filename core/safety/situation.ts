import { dateInWords, factsOn } from '../client/facts'
import { KNOWN, type Known } from '../client/medicines'
import type { Client, Concern, Fact } from '../client/model'
import { questionByCode } from '../client/questions'
import type { PastVisit } from '../climb/model'
import type { LeverId } from '../protocol/words'
import type { LeverRung } from '../strength'
import type { Reading } from '../skin/model'
import type { Technique } from './rule'

/** What the practitioner may do and what must be minded about them. Left out: nothing beyond the plain scope. */
export interface Practitioner {
  readonly scope: readonly Technique[]
  readonly hazards: readonly string[]
}

/** A sensation of the running visit beyond what is expected: of which step, and in words. */
export interface FeltToday {
  readonly stepId: string
  readonly because: string
}

/** Everything `constrain` may know. `date` is the visit's ISO date in the salon's zone; `daytime` false for an evening visit. */
export interface Situation {
  readonly client: Pick<Client, 'facts' | 'memories' | 'clearances' | 'bornOn' | 'patchTests'> & {
    readonly concerns?: readonly Concern[]
  }
  readonly reading: Reading
  readonly history: readonly PastVisit[]
  /** Levers this visit would pull, the most important first, on the rung they are written on. */
  readonly levers: readonly LeverRung[]
  readonly date: string
  readonly daytime: boolean
  /** What was felt in this visit beyond what is expected; default: nothing. */
  readonly felt?: readonly FeltToday[] | undefined
  /** Years at which somebody is of age where the salon is; default: `MAJORITY`. */
  readonly majority?: number | undefined
  /** A guardian stays in the room while a minor is treated; default: not asked for. */
  readonly guardianStays?: boolean | undefined
  readonly practitioner?: Practitioner | undefined
  /** The salon's list of medicines and conditions; default: the one that ships. */
  readonly medicines?: readonly Known[] | undefined
}

/** An answer in force, and what it is called: the question, or the medicine's name. */
export interface NamedFact {
  readonly fact: Fact
  readonly name: string
  /** Days after its end in which it still counts, where the rule has no window of its own. */
  readonly afterDays?: number | undefined
}

/** A situation with its answers sorted, as the rules ask for them. */
export interface KnownFacts {
  readonly situation: Situation
  /** Answers in force by code. */
  readonly facts: ReadonlyMap<string, Fact>
  /** Answers in force by the question they belong to: its own, and those of medicines that lead to it. */
  readonly byQuestion: ReadonlyMap<string, readonly NamedFact[]>
  /** Levers without a tolerated history. */
  readonly firsts: readonly LeverId[]
}

export function knownFacts(situation: Situation, firsts: readonly LeverId[]): KnownFacts {
  const facts = factsOn(situation.client.facts, situation.date)
  return { situation, facts, byQuestion: byQuestion(facts, situation), firsts }
}

function byQuestion(
  facts: ReadonlyMap<string, Fact>,
  { medicines = KNOWN, history, date }: Situation,
): Map<string, NamedFact[]> {
  const medicineByCode = new Map(medicines.map((known) => [`medicine:${known.id}`, known]))
  const answers = new Map<string, NamedFact[]>()
  const put = (code: string, answer: NamedFact) =>
    answers.set(code, [...(answers.get(code) ?? []), answer])
  for (const fact of facts.values()) {
    const medicine = medicineByCode.get(fact.code)
    const question = questionByCode.get(medicine?.code ?? fact.code)
    const afterDays = medicine?.afterDays ?? question?.afterDays
    if (medicine) put(medicine.code, { fact, name: medicine.name, afterDays })
    else put(fact.code, { fact, name: question?.ask ?? fact.code, afterDays })
  }
  for (const done of [...coldSoresAfter(history), ...workDoneHere(history, date)])
    put(done.fact.code, done)
  return answers
}

/** E13: a cold sore that came after a visit is a history of cold sores, whatever was answered. */
const coldSoresAfter = (history: readonly PastVisit[]): NamedFact[] =>
  history
    .filter((visit) => visit.answer?.coldSore)
    .map((visit) => ({
      fact: { code: 'cold-sore-history', answer: 'yes', askedOn: visit.on },
      name: `A cold sore after ${dateInWords(visit.on)}`,
    }))

/** From this rung on an acid is a light peel: the skin peels after it. */
const PEELS_FROM_RUNG = 3
/** One point of exfoliation, a mild acid that stayed on among it, does not make skin peel. */
const isMild = ({ points }: PastVisit): boolean => points !== undefined && points <= 1

/** What was done in this salon counts as if it had been answered at Consult (rule A16). */
const workDoneHere = (history: readonly PastVisit[], date: string): NamedFact[] =>
  history
    .filter(({ on }) => on < date)
    .flatMap((visit) => {
      const here = (code: string, what: string): NamedFact => ({
        fact: { code, answer: 'yes', askedOn: visit.on, on: visit.on },
        name: `${what} here`,
      })
      const peeled = visit.levers.some(
        ({ lever, rung }) => lever === 'acid' && rung >= PEELS_FROM_RUNG && !isMild(visit),
      )
      const used = visit.levers.some(({ lever }) => lever === 'retinoid')
      return [
        ...(visit.work?.includes('needling') ? [here('peel-medium', 'Needling')] : []),
        ...(visit.work?.includes('mechanical') ? [here('peel-light', 'Mechanical peel')] : []),
        ...(peeled ? [here('peel-light', 'Acid on rung 3 or above')] : []),
        ...(used ? [here('retinol', 'A retinoid')] : []),
      ]
    })

/** Allergies are unknown until the general question, or at least one family, has been answered. */
export const allergiesUnknown = (facts: ReadonlyMap<string, Fact>): boolean =>
  ![...facts.values()].some((fact) => fact.code.startsWith('allergy:') && fact.answer !== 'unknown')
