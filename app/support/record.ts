import { factsInForce, questionByCode, type Fact } from '#core/client'
import { FAMILIES } from '#core/catalog'

const ORDER: readonly Fact['answer'][] = ['yes', 'unknown', 'no']

/** The answers of a record that hold, by what they say. */
export function factsToShow(facts: readonly Fact[]): Record<Fact['answer'], Fact[]> {
  const held = [...factsInForce(facts).values()]
  const of = (answer: Fact['answer']) => held.filter((fact) => fact.answer === answer)
  return Object.fromEntries(ORDER.map((answer) => [answer, of(answer)])) as Record<
    Fact['answer'],
    Fact[]
  >
}

/** An answer in a line: what was asked, and what they said of it. */
export function factLine({ code, note, reaction }: Fact): string {
  const name = askedName(code)
  return [name, reaction, note].filter(Boolean).join(', ')
}

/** What was asked, by its code, in a word or two. */
export function askedName(code: string): string {
  const family = FAMILIES.find(({ id }) => code === `allergy:${id}`)
  if (family) return `Allergy: ${family.name}`
  return questionByCode.get(code)?.word ?? code.replace(/^(?:medicine|allergy):/, '')
}
