import { FAMILIES, type Family } from './families'

/** One ingredient of a list, as printed and as words. */
interface Ingredient { readonly printed: string; readonly words: string }

const wordsOf = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/[^a-z0-9%]+/g, ' ').trim()

/** Splits a printed list at commas, semicolons, bullets and line ends; a comma within brackets or a number (1,2-) stays. */
function ingredientsOf(inci: string): Ingredient[] {
  return inci
    .replace(/^\s*ingredients\s*:/i, '')
    .split(/[;•·\n\r]|,(?![^(]*\))(?!\d)/)
    .map((printed) => ({ printed: printed.trim().replace(/\.$/, ''), words: wordsOf(printed) }))
    .filter((ingredient) => ingredient.words.length > 0)
}

const holds = (words: string, term: string): boolean => ` ${words} `.includes(` ${wordsOf(term)} `)

function belongs(ingredient: Ingredient, family: Family): boolean {
  if (family.except?.some((name) => ingredient.words === wordsOf(name))) return false
  return family.terms.some((term) => holds(ingredient.words, term))
}

export interface InciReading {
  /** `unread` when the product has no list: not checked, never clear. */
  readonly state: 'read' | 'unread'
  /** Family id → the ingredients, as printed, that put it there. */
  readonly families: ReadonlyMap<string, readonly string[]>
}

/**
 * Reads an ingredient list and says which allergen families are in it, with the ingredients behind each.
 * Whole words only, tolerant of case, spaces and punctuation: buckwheat is no wheat, "BHA" is no salicylic acid.
 */
export function readInci(inci: string | undefined): InciReading {
  if (inci === undefined || inci.trim() === '') return { state: 'unread', families: new Map() }
  const ingredients = ingredientsOf(inci)
  const families = new Map<string, readonly string[]>()
  for (const family of FAMILIES as readonly Family[]) {
    const found = ingredients.filter((ingredient) => belongs(ingredient, family)).map((ingredient) => ingredient.printed)
    if (found.length > 0) families.set(family.id, found)
  }
  return { state: 'read', families }
}
