import { FAMILIES, familyById, type Family } from './tables/families'
import { ACTIVES, COMMON_NAMES, type Active } from './tables/ingredients'

/** One ingredient of a list, as printed and as words. */
interface Ingredient {
  readonly printed: string
  readonly words: string
  /** The name without its brackets, and its parts in brackets or after a slash, each on its own. */ readonly parts: readonly string[]
}

/** Longest list that is read; more is a mistake of copying. */
export const INCI_MOST = 10_000

/** A printed name as plain words: no accents, no case, no punctuation. */
export const wordsOf = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/['’]/g, '')
    .replace(/[^a-z0-9%]+/g, ' ')
    .trim()

/** Splits a printed list at commas, semicolons, bullets, full stops and line ends; a comma within brackets or a number (1,2-) stays. */
function ingredientsOf(inci: string): Ingredient[] {
  return inci
    .replace(/^\s*(?:\p{L}+\s){0,2}ingredients\s*:/iu, '')
    .replace(/\[?\s*(?:\+\/-|may contain|kann enthalten)\s*:?/gi, ',')
    .split(/[;•·*\n\r\t|]|\.\s+|,(?![^(]*\))(?!\d)/)
    .map((printed) => ({
      printed: printed
        .replace(/\p{Cc}/gu, ' ')
        .trim()
        .replace(/[.\]]+$/, '')
        .trim(),
      words: wordsOf(printed),
      parts: [...printed.split(/[()/[\]]/), printed.replace(/\([^)]*\)/g, ' ')]
        .map(wordsOf)
        .filter(Boolean),
    }))
    .filter((ingredient) => ingredient.words.length > 0)
}

/** Terms of one family or active as words with a space on both sides, so that only whole words are found. */
interface Terms {
  readonly terms: readonly string[]
  readonly except: readonly string[]
}
const whole = (term: string): string => ` ${wordsOf(term)} `
const termsOf = ({ terms, except = [] }: Pick<Family, 'terms' | 'except'>): Terms => ({
  terms: terms.map(whole),
  except: except.map(whole),
})
const FAMILY_TERMS = (FAMILIES as readonly Family[]).map((family) => ({
  id: family.id,
  ...termsOf(family),
}))
const ACTIVE_TERMS = ACTIVES.map((active) => ({
  active,
  ...termsOf({ terms: active.terms, except: familyById.get(active.id)?.except ?? [] }),
}))

function belongs(ingredient: Ingredient, { terms, except }: Terms): boolean {
  // What only looks like it goes first, so that "ethylhexyl salicylate" is no salicylate and what stands beside it still counts.
  const words = except.reduce((left, name) => left.replaceAll(name, ' | '), ` ${ingredient.words} `)
  return terms.some((term) => words.includes(term))
}

/** Ingredients of a list that hold one of these terms as whole words, as printed. */
export function printedWith(inci: string, terms: readonly string[]): readonly string[] {
  const wanted = termsOf({ terms })
  return ingredientsOf(inci.slice(0, INCI_MOST))
    .filter((ingredient) => belongs(ingredient, wanted))
    .map(({ printed }) => printed)
}

const isCommon = ({ words, parts }: Ingredient): boolean =>
  [words, ...parts].some(
    (word) =>
      COMMON_NAMES.has(word) || COMMON_NAMES.has(word.replace(/ (?:\d+(?: \d+)?|%)+ ?%?$/, '')),
  )

export interface InciReading {
  /** `unread` when there is no list, or one too long to be read to its end: not checked, never clear. */
  readonly state: 'read' | 'unread'
  /** Family id → the ingredients, as printed, that put it there. */
  readonly families: ReadonlyMap<string, readonly string[]>
  /** Recognised actives, with the ingredients as printed. */
  readonly actives: readonly { readonly active: Active; readonly printed: readonly string[] }[]
  /** Ingredients that belong to nothing this product knows: to be looked at by a person. */
  readonly unknown: readonly string[]
  /** How many ingredients were read. */
  readonly count: number
}

const UNREAD: InciReading = {
  state: 'unread',
  families: new Map(),
  actives: [],
  unknown: [],
  count: 0,
}

/**
 * Reads an ingredient list: which allergen families are in it with the ingredients behind each, which actives, and what it does not
 * know. Whole words only, tolerant of case, spaces and punctuation: buckwheat is no wheat, "BHA" is no salicylic acid.
 * A list left out or empty is `unread`; one longer than `INCI_MOST` is too, with what stands in its beginning.
 */
export function readInci(inci: string | undefined): InciReading {
  if (inci === undefined) return UNREAD
  const known = read.get(inci)
  if (known) return known
  if (read.size >= KEPT_MOST) read.clear()
  const reading = readList(inci)
  read.set(inci, reading)
  return reading
}

// A list gives one reading, always: readings are kept, since a shelf is read at every fit.
const KEPT_MOST = 10_000
const read = new Map<string, InciReading>()

function readList(inci: string): InciReading {
  const ingredients = ingredientsOf(inci.slice(0, INCI_MOST))
  if (ingredients.length === 0) return UNREAD
  const families = new Map<string, readonly string[]>()
  for (const family of FAMILY_TERMS) {
    const found = ingredients
      .filter((ingredient) => belongs(ingredient, family))
      .map((ingredient) => ingredient.printed)
    if (found.length > 0) families.set(family.id, found)
  }
  const actives = ACTIVE_TERMS.flatMap(({ active, ...terms }) => {
    const printed = ingredients
      .filter((ingredient) => belongs(ingredient, terms))
      .map((ingredient) => ingredient.printed)
    return printed.length > 0 ? [{ active, printed }] : []
  })
  const known = new Set([
    ...[...families.values()].flat(),
    ...actives.flatMap((active) => active.printed),
  ])
  const unknown = ingredients
    .filter((ingredient) => !known.has(ingredient.printed) && !isCommon(ingredient))
    .map((ingredient) => ingredient.printed)
  return {
    state: inci.length > INCI_MOST ? 'unread' : 'read',
    families,
    actives,
    unknown,
    count: ingredients.length,
  }
}
