import { ageOn, MAJORITY } from '../client/facts'
import { questionByCode, type Question } from '../client/questions'
import { allergiesUnknown, type KnownFacts } from './situation'

export interface Coverage {
  readonly checked: readonly string[]
  readonly notChecked: readonly string[]
  /** Asked at an earlier visit only; to be asked again today (rule E10). */
  readonly askAgain: readonly string[]
}

/** What was asked and read, and what was not: so that silence is never read as no. */
export function coverage({ facts, situation }: KnownFacts): Coverage {
  const age = ageOn(situation.client.bornOn, situation.date)
  const wanted = [...questionByCode.values()].filter(
    (question) => !question.ofMinors || age < (situation.majority ?? MAJORITY),
  )
  const isKnown = (question: Question): boolean =>
    (facts.get(question.code)?.answer ?? 'unknown') !== 'unknown'
  const checked = wanted.filter(isKnown).map((question) => question.ask)
  const notChecked = wanted.filter((question) => !isKnown(question)).map((question) => question.ask)
  if (allergiesUnknown(facts)) notChecked.push('Allergies')
  else checked.push('Allergies, against every ingredient list on the shelf')
  if (situation.reading.done) checked.push('Skin read today')
  else notChecked.push('Skin not read yet today')
  if (situation.practitioner) checked.push('Scope of practice')
  else notChecked.push('Scope of practice: no practitioner named')
  const askAgain = wanted
    .filter(
      (question) =>
        question.eachVisit &&
        isKnown(question) &&
        facts.get(question.code)!.askedOn < situation.date,
    )
    .map((question) => question.ask)
  return { checked, notChecked, askAgain }
}
