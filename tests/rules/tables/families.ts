import { FAMILIES, type Family } from '#core/catalog'
import type { Fact } from '#core/client'
import { protocolOf, yes } from '../../situations'
import { minds, of, product, shelfOf, using, type Case } from '../build'

const ALL: readonly Family[] = FAMILIES
const termOf = (id: string) => ALL.find((family) => family.id === id)!.terms[0]

/** A product that holds an ingredient, one that holds nothing, and a card of one step with the first. */
const holding = (term: string | undefined) => ({
  ...shelfOf(
    { id: 'holds', inci: `Aqua, ${term}, Glycerin` },
    { id: 'free', inci: 'Aqua, Glycerin' },
  ),
  protocol: protocolOf(using('holds')),
})
const somebody = (family: Family, reaction: Fact['reaction']) =>
  of(yes(`allergy:${family.id}`, reaction ? { reaction } : {}))
const isReplaced: Case[3] = (plan) => product(plan, 'x') !== 'holds'
const isTriedFirst: Case[3] = (plan) =>
  product(plan, 'x') === 'holds' && minds(plan).includes('patch-test first')

/** Somebody allergic to one family, and a product that holds another. */
const crossing = (
  family: Family,
  other: string,
  reaction: Fact['reaction'],
  [rule, holds]: readonly [string, Case[3]],
): Case => [
  rule,
  `${family.id} and ${other}`,
  {
    ...shelfOf({ id: 'holds', inci: `Aqua, ${termOf(other)}` }),
    protocol: protocolOf(using('holds')),
    ...somebody(family, reaction),
  },
  holds,
]

function ownCases(family: Family): Case[] {
  const { id, terms, effect } = family
  const given = holding(terms[0])
  const allergic = { ...given, ...somebody(family, 'rash') }
  const disliking = { ...given, ...somebody(family, 'dislike') }
  const own: Case = [`B-${id}`, 'replaced by what does not hold it', allergic, isReplaced]
  const disliked: Case = [`B-${id}-dislike`, 'disliked: replaced', disliking, isReplaced]
  const breathing = { ...given, ...somebody(family, 'breathing') }
  const strong: Case = [`B-${id}-strong`, 'breathing: stopped', breathing, isReplaced]
  if (effect === 'caution') return [own, strong]
  return effect ? [own] : [own, disliked]
}

const crossCases = (family: Family): Case[] =>
  (family.crosses ?? []).flatMap((other) => [
    crossing(family, other, 'rash', [`B-${family.id}-${other}`, isReplaced]),
    crossing(family, other, 'breathing', [`B-${family.id}-${other}-strong`, isReplaced]),
  ])

const cautionCases = (family: Family): Case[] =>
  (family.cautions ?? []).map((other) =>
    crossing(family, other, 'rash', [`B-${family.id}-${other}`, isTriedFirst]),
  )

/** Every family of allergens: its own rule, dislikes, what crosses with it, and what is tried first. */
export const FAMILY_CASES: readonly Case[] = ALL.flatMap((family) => [
  ...ownCases(family),
  ...crossCases(family),
  ...cautionCases(family),
])
