import { printedWith, wordsOf } from './inci'
import { PLAIN_NAMES } from './tables/plain-names'

/** Codes of allergens in the client's own words begin so: `allergy:word:lemon-balm`. */
const PREFIX = 'allergy:word:'
const CODE = /^allergy:word:[a-z0-9]+(?:-[a-z0-9]+)*$/
const SHORTEST = 3
const LONGEST = 60

/** The code of an allergen that somebody typed; undefined where there are not three letters to look for, or more than sixty. */
export function freeWordCode(typed: string): string | undefined {
  const words = wordsOf(typed).replaceAll('%', '').trim()
  const isUsable = words.length >= SHORTEST && words.length <= LONGEST
  return isUsable ? `${PREFIX}${words.replaceAll(/ +/g, '-')}` : undefined
}

export const isFreeWordCode = (code: string): boolean => CODE.test(code)

/** The words behind a code: "lemon balm". */
export const freeWordOf = (code: string): string => code.slice(PREFIX.length).replaceAll('-', ' ')

/** What of a list is the word, or what lists print for it: whole words only, as printed. Empty where there is no list. */
export const holdsFreeWord = (inci: string | undefined, word: string): readonly string[] =>
  inci === undefined ? [] : printedWith(inci, [word, ...(PLAIN_NAMES[word] ?? [])])
