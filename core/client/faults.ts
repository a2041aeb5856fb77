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
export function factFaults(facts: readonly Fact[], bounds: Bounds): FactFault[] {
  const answered = new Map<string, Fact>()
  return facts.flatMap((fact, at) => {
    const earlier = answered.get(fact.code)
    answered.set(fact.code, fact)
    const faults = [
      ...unknownFaults(fact, bounds),
      ...dayFaults(fact, bounds),
      ...askedFaults(fact, bounds),
      ...contradictionFaults(fact, earlier),
    ]
    return faults.map((fault) => ({ at, ...fault }))
  })
}

type Fault = Omit<FactFault, 'at'>

const askOf = ({ code }: Fact): string => questionByCode.get(code)?.ask ?? code

const unknownFaults = ({ code }: Fact, { known }: Bounds): Fault[] =>
  known(code)
    ? []
    : [{ field: 'code', code: 'unknown_question', says: `There is no question "${code}".` }]

/** The day an answer is about: not to come, but for what is planned; not before birth. */
function dayFaults(fact: Fact, { latest, bornOn }: Bounds): Fault[] {
  const { on } = fact
  if (on === undefined) return []
  const isPlanned = questionByCode.get(fact.code)?.date === 'ahead'
  const future = `${askOf(fact)}: ${on} is in the future. Check the date.`
  const early = `${askOf(fact)}: ${on} is before the client was born, on ${dateInWords(bornOn)}. Check the year.`
  return [
    ...faultIf(on > latest && !isPlanned, { field: 'on', code: 'future', says: future }),
    ...faultIf(on < bornOn, { field: 'on', code: 'long_ago', says: early }),
  ]
}

function askedFaults(fact: Fact, { latest, bornOn }: Bounds): Fault[] {
  const { askedOn } = fact
  const future = `${askOf(fact)}: asked on ${askedOn} is in the future. Check the date.`
  const early = `${askOf(fact)}: asked on ${askedOn}, before the client was born. Check the year.`
  return [
    ...faultIf(askedOn > latest, { field: 'askedOn', code: 'future', says: future }),
    ...faultIf(askedOn < bornOn, { field: 'askedOn', code: 'long_ago', says: early }),
  ]
}

function contradictionFaults(fact: Fact, earlier: Fact | undefined): Fault[] {
  if (!earlier) return []
  const says = `${askOf(fact)}: answered ${earlier.answer} and ${fact.answer} on the same day. Keep one of them.`
  const isContradiction = earlier.askedOn === fact.askedOn && earlier.answer !== fact.answer
  return faultIf(isContradiction, { field: 'answer', code: 'contradiction', says })
}

const faultIf = (isFault: boolean, fault: Fault): Fault[] => (isFault ? [fault] : [])

/** Answers in force that do not fit together, in sentences. Nothing is changed by them: the stricter answer counts. */
export function contradictions(facts: readonly Fact[], list: readonly Known[]): string[] {
  const inForce = factsInForce(facts)
  return list
    .filter((entry) => entry.kind === 'medicine')
    .flatMap((entry) => {
      const taken = inForce.get(medicineCode(entry.id))
      const answer = inForce.get(entry.code)
      if (
        taken?.answer !== 'yes' ||
        taken.on !== undefined ||
        answer?.answer !== 'no' ||
        answer.askedOn < taken.askedOn
      )
        return []
      return [
        `${entry.name} is taken, and “${questionByCode.get(entry.code)?.ask ?? entry.code}” is answered no. The medicine counts until one of them is put right.`,
      ]
    })
}
