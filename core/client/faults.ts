import { dateInWords, factsInForce } from './facts'
import { medicineCode, type Known } from './medicines'
import type { Fact } from './model'
import { questionByCode } from './questions'

/** One thing wrong with one of several answers, with the field it is in. */
export interface FactFault {
  readonly at: number
  readonly field: 'code' | 'on' | 'askedOn' | 'answer'
  readonly code: 'unknown_question' | 'future' | 'long_ago' | 'contradiction'
  readonly says: string
}

interface Bounds {
  /** The last day that is not in the future, ISO. */
  readonly latest: string
  readonly bornOn: string
  readonly known: (code: string) => boolean
}

/** What cannot be true of answers given together: questions that do not exist, days to come or before birth, yes and no at once. */
export function factFaults(facts: readonly Fact[], { latest, bornOn, known }: Bounds): FactFault[] {
  const faults: FactFault[] = []
  const said = new Map<string, Fact>()
  for (const [at, fact] of facts.entries()) {
    const question = questionByCode.get(fact.code)
    const ask = question?.ask ?? fact.code
    const fault = (field: FactFault['field'], code: FactFault['code'], says: string) =>
      faults.push({ at, field, code, says })
    if (!known(fact.code)) fault('code', 'unknown_question', `There is no question "${fact.code}".`)
    if (question?.date !== 'ahead' && (fact.on ?? '') > latest)
      fault('on', 'future', `${ask}: ${fact.on} is in the future. Check the date.`)
    if (fact.on !== undefined && fact.on < bornOn)
      fault(
        'on',
        'long_ago',
        `${ask}: ${fact.on} is before the client was born, on ${dateInWords(bornOn)}. Check the year.`,
      )
    if (fact.askedOn > latest)
      fault(
        'askedOn',
        'future',
        `${ask}: asked on ${fact.askedOn} is in the future. Check the date.`,
      )
    if (fact.askedOn < bornOn)
      fault(
        'askedOn',
        'long_ago',
        `${ask}: asked on ${fact.askedOn}, before the client was born. Check the year.`,
      )
    const earlier = said.get(fact.code)
    if (earlier && earlier.askedOn === fact.askedOn && earlier.answer !== fact.answer)
      fault(
        'answer',
        'contradiction',
        `${ask}: answered ${earlier.answer} and ${fact.answer} on the same day. Keep one of them.`,
      )
    said.set(fact.code, fact)
  }
  return faults
}

/** Answers in force that do not fit together, in sentences. Nothing is changed by them: the stricter answer counts. */
export function contradictions(facts: readonly Fact[], list: readonly Known[]): string[] {
  const inForce = factsInForce(facts)
  return list
    .filter((one) => one.kind === 'medicine')
    .flatMap((one) => {
      const taken = inForce.get(medicineCode(one.id))
      const answer = inForce.get(one.code)
      if (
        taken?.answer !== 'yes' ||
        taken.on !== undefined ||
        answer?.answer !== 'no' ||
        answer.askedOn < taken.askedOn
      )
        return []
      return [
        `${one.name} is taken, and “${questionByCode.get(one.code)?.ask ?? one.code}” is answered no. The medicine counts until one of them is put right.`,
      ]
    })
}
