import { FAMILIES, familyById, freeWordOf, isFreeWordCode } from '#core/catalog'
import type { Fact } from '#core/client'

type Facts = ReadonlyMap<string, Fact>

export const REACTIONS = [
  { value: 'rash', word: 'Rash' },
  { value: 'breathing', word: 'Breathing, hives, swelling' },
  { value: 'dislike', word: 'Dislikes it' },
] as const

export const allergyAnswer = (facts: Facts, id: string): Fact['answer'] =>
  facts.get(`allergy:${id}`)?.answer ?? 'unknown'

/** Allergens said to be known, families in the list's order, then the client's own words. */
export function allergensSaid(facts: Facts): { code: string; name: string; fact: Fact }[] {
  const yes = [...facts.values()].filter(
    ({ code, answer }) => code.startsWith('allergy:') && answer === 'yes',
  )
  const nameOf = (code: string): string | undefined =>
    isFreeWordCode(code)
      ? `“${freeWordOf(code)}”`
      : familyById.get(code.slice('allergy:'.length))?.name
  const order = new Map(FAMILIES.map(({ id }, at) => [`allergy:${id}`, at]))
  return yes
    .flatMap((fact) => {
      const name = nameOf(fact.code)
      return name ? [{ code: fact.code, name, fact }] : []
    })
    .sort((a, b) => (order.get(a.code) ?? Infinity) - (order.get(b.code) ?? Infinity))
}

/** What saying or taking back an allergen answers: itself, and that somebody asked. */
export function flippedAllergen(facts: Facts, code: string, askedOn: string): Fact[] {
  const answer = facts.get(code)?.answer === 'yes' ? 'no' : 'yes'
  const isAsked = facts.get('allergy:any')?.answer !== undefined
  return [
    { code, answer, askedOn },
    ...(isAsked ? [] : [{ code: 'allergy:any', answer: 'no' as const, askedOn }]),
  ]
}
