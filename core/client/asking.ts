import { ageOn, MAJORITY } from './facts'
import { answerByMedicines, KNOWN, type Known } from './medicines'
import type { Client, Fact } from './model'
import { QUESTION_GROUPS, QUESTIONS, type Question, type QuestionGroup } from './questions'

type Facts = ReadonlyMap<string, Fact>

/** How one group of questions stands on a day. */
export interface GroupState {
  readonly id: QuestionGroup
  readonly name: string
  readonly questions: readonly Question[]
  /** Not asked, or true of another day only. */
  readonly open: readonly Question[]
  /** Answered no at an earlier visit, and may have changed since. */
  readonly again: readonly Question[]
  readonly yes: readonly Question[]
  /** Asked, and the client does not know. */
  readonly notKnown: readonly Question[]
}

/** Allergies stand in a list of their own; a guardian's consent is signed, not asked. */
const isAsked = ({ ofMinors }: Question): boolean => !ofMinors

/** The groups as they stand on a day, in the order of asking. `facts`: the answers in force on it. */
export const groupStates = (facts: Facts, date: string): GroupState[] =>
  QUESTION_GROUPS.map(({ id, name }) => {
    const questions = QUESTIONS.filter((question) => question.group === id && isAsked(question))
    const answered = (answer: Fact['answer']) =>
      questions.filter(({ code }) => facts.get(code)?.answer === answer)
    return {
      ...{ id, name, questions },
      open: questions.filter(({ code }) => !facts.has(code)),
      again: answered('no').filter(
        (question) => question.eachVisit && facts.get(question.code)!.askedOn < date,
      ),
      yes: answered('yes'),
      notKnown: answered('unknown'),
    }
  })

const noToday = (before: Fact | undefined, code: string, date: string): Fact => ({
  ...(before?.answer === 'no' ? before : { code, answer: 'no' as const }),
  askedOn: date,
})

/** *None of these*: every word of one group that was not answered yes, or today with *does not know*, is no. What a medicine answers stays so. */
export const noneOfThese = (
  questions: readonly Question[],
  facts: Facts,
  date: string,
  list: readonly Known[] = KNOWN,
): Fact[] =>
  questions.flatMap(({ code }) => {
    const before = facts.get(code)
    if (before?.answer === 'yes') return []
    if (before?.answer === 'unknown' && before.askedOn === date) return []
    return [answerByMedicines(code, facts, list, date) ?? noToday(before, code, date)]
  })

/**
 * *Nothing new*: what was answered no before is no today. It says nothing of what was never asked, nor of what is true of one day only, and
 * leaves every yes with its own day.
 */
export const nothingNew = (facts: Facts, date: string, list: readonly Known[] = KNOWN): Fact[] =>
  groupStates(facts, date).flatMap(({ again }) =>
    again
      .filter(({ ofTheDay }) => !ofTheDay)
      .map(
        ({ code }) =>
          answerByMedicines(code, facts, list, date) ?? noToday(facts.get(code), code, date),
      ),
  )

/** Whether somebody has to bring a guardian's consent: it is signed, never asked by a touch. */
export const needsGuardian = (
  { bornOn }: Pick<Client, 'bornOn'>,
  date: string,
  majority = MAJORITY,
): boolean => ageOn(bornOn, date) < majority
