import type { CompileInput } from '#core/adapt'
import { composedShelf } from '#core/mixing'
import { subjectReader } from '#core/strength'
import { answerByMedicines, KNOWN, QUESTIONS, type Client, type Fact } from '#core/client'
import type { ProtocolVersion } from '#core/protocol'
import { CLIENTS, SHELF, type Person } from './fixtures'
import { CALM, TODAY } from './situations'

const FIRST = '2026-09-01'
const MINORS_BORN_AFTER = '2008'

const isOfTheDay = (code: string): boolean =>
  QUESTIONS.some((question) => question.code === code && question.ofTheDay)

/** Everything somebody was asked: what they said yes to, what their medicines say, and no to the rest. */
function answersOf({ yes, unknown = [], bornOn }: Person): Fact[] {
  const said = new Map<string, Fact>(
    yes.map((fact) => [
      fact.code,
      { ...fact, answer: 'yes', askedOn: isOfTheDay(fact.code) ? TODAY : FIRST },
    ]),
  )
  const codes = [...QUESTIONS.map((question) => question.code), 'allergy:any']
  const rest = codes
    .filter((code) => !said.has(code) && !unknown.includes(code) && code !== 'guardian-consent')
    .map(
      (code): Fact =>
        answerByMedicines(code, said, KNOWN, FIRST) ?? { code, answer: 'no', askedOn: TODAY },
    )
  const guardian: Fact = { code: 'guardian-consent', answer: 'yes', askedOn: TODAY, on: TODAY }
  return [...said.values(), ...rest, ...(bornOn > MINORS_BORN_AFTER ? [guardian] : [])]
}

const clientOf = (person: Person): Client => ({
  id: person.name,
  name: person.name,
  bornOn: person.bornOn,
  facts: answersOf(person),
  memories: (person.refused ?? []).map((productId) => ({
    productId,
    memory: 'refused',
    on: FIRST,
  })),
  clearances: [],
  patchTests: (person.tested ?? []).map((productId) => ({
    productId,
    kind: 'delayed',
    zone: 'ears',
    placedOn: FIRST,
    readOn: FIRST,
    result: 'calm',
  })),
  concerns: [...person.concerns],
})

/** Somebody on the day of the tests: what they answered, what was read, what they refused; every lever of the card tolerated twice. */
export function visitOf(
  who: string | Person,
  protocol: ProtocolVersion,
  more: Partial<CompileInput> = {},
): CompileInput {
  const person = typeof who === 'string' ? CLIENTS.find((client) => client.name === who)! : who
  const read = subjectReader(composedShelf(more.shelf ?? SHELF))
  const levers = protocol.steps.flatMap((step) => read(step).levers)
  const { findings, lesions = [] } = person
  return {
    protocol,
    shelf: SHELF,
    overrides: [],
    slotMinutes: 180,
    date: TODAY,
    daytime: true,
    practitioner: { scope: ['minors'], hazards: [] },
    client: clientOf(person),
    reading: { done: true, findings: [...findings], lesions: [...lesions], meters: [] },
    history: ['2026-08-24', '2026-10-01'].map((on) => ({ on, answer: CALM, levers })),
    ...more,
  }
}
