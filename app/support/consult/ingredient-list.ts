import {
  familyById,
  freeWordOf,
  holdsFreeWord,
  INCI_MOST,
  isFreeWordCode,
  readInci,
} from '#core/catalog'
import type { Fact } from '#core/client'

/** What an ingredient list says to one client. */
export interface ListForClient {
  /** Why the list is not checked to its end; then nothing in it is clear. */
  readonly notChecked: string
  /** Allergen families in it, those of the client first. */
  readonly families: readonly {
    readonly id: string
    readonly name: string
    readonly printed: string
    readonly client: 'allergic' | 'may cross' | 'no'
  }[]
  readonly actives: readonly { readonly name: string; readonly printed: string }[]
  readonly unknown: readonly string[]
  readonly count: number
}

const RANK = { allergic: 0, 'may cross': 1, no: 2 } as const

/** Reads a list for a client: whose allergies it touches, which actives it holds, and what nobody knows here. */
export function listForClient(inci: string, facts: ReadonlyMap<string, Fact>): ListForClient {
  const reading = readInci(inci)
  const allergic = [...facts.values()]
    .filter((fact) => fact.code.startsWith('allergy:') && fact.answer === 'yes')
    .map((fact) => fact.code.slice('allergy:'.length))
  const crossing = new Set(
    allergic.flatMap((id) => {
      const family = familyById.get(id)
      return [...(family?.crosses ?? []), ...(family?.cautions ?? [])]
    }),
  )
  const forClient = (id: string) => {
    if (allergic.includes(id)) return 'allergic' as const
    return crossing.has(id) ? ('may cross' as const) : ('no' as const)
  }
  const families = [...reading.families]
    .map(([id, printed]) => ({
      id,
      name: familyById.get(id)?.name ?? id,
      printed: printed.join(', '),
      client: forClient(id),
    }))
    .sort((a, b) => RANK[a.client] - RANK[b.client])
  return {
    notChecked: whyNotChecked(inci, reading.count),
    families: [...ownWords(inci, facts), ...families],
    actives: reading.actives.map(({ active, printed }) => ({
      name: active.name,
      printed: printed.join(', '),
    })),
    unknown: reading.unknown,
    count: reading.count,
  }
}

/** What the client named outside the families, where the list holds it. */
const ownWords = (inci: string, facts: ReadonlyMap<string, Fact>): ListForClient['families'] =>
  [...facts.values()]
    .filter(({ code, answer }) => answer === 'yes' && isFreeWordCode(code))
    .flatMap(({ code }) => {
      const word = freeWordOf(code)
      const printed = holdsFreeWord(inci, word)
      return printed.length > 0
        ? [
            {
              id: code,
              name: `“${word}”`,
              printed: printed.join(', '),
              client: 'allergic' as const,
            },
          ]
        : []
    })

/** Why a list counts as not checked; empty when it was read. */
function whyNotChecked(inci: string, count: number): string {
  if (inci.length > INCI_MOST) {
    const [has, most] = [inci.length, INCI_MOST].map((length) => length.toLocaleString('en'))
    return `This list has ${has} characters; at most ${most} are read. Take out what is no ingredient; until then it counts as not checked.`
  }
  return count === 0
    ? 'No ingredient in this: without a list a product is not checked, never clear.'
    : ''
}
