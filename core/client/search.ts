/** What somebody looks for among clients: words of a name or a mail, digits of a number, or a birthday. */
export interface ClientQuery {
  /** Folded, the longest first. */
  readonly words: readonly string[]
  readonly digits: string
  readonly born: string | undefined
}

/** Letters that a mark is not parted from by Unicode (NFKD), as people type them without. */
const PLAIN: Readonly<Record<string, string>> = {
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ı: 'i',
  þ: 'th',
}

/** A name in small letters without marks: José and JOSE are one. Scripts without them stay as they are. */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[øłđðßæœıþ]/g, (letter) => PLAIN[letter]!)
    .replaceAll(/\s+/g, ' ')
    .trim()

/** What is kept of a client to be found by. */
export const searchText = ({ name, email }: { name: string; email: string }): string =>
  folded(`${name} ${email}`)

/** Year first with hyphens (ISO 8601) or eight digits; day first with points or strokes. */
const YEAR_FIRST = /^(\d{4})-?(\d{1,2})-?(\d{1,2})$/
const YEAR_LAST = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/

/**
 * A day in one of the ways people write it (1988-05-14, 14.5.1988, 14/5/1988), as ISO; undefined where there is no such day. `monthFirst`: strokes
 * are read as in 5/14/1988.
 */
export function dayWritten(text: string, monthFirst = false): string | undefined {
  const written = text.trim()
  const iso = YEAR_FIRST.exec(written)
  if (iso) return realDay(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const local = YEAR_LAST.exec(written)
  if (!local) return undefined
  const [first, second, year] = [Number(local[1]), Number(local[2]), Number(local[3])]
  const isMonthFirst = monthFirst && written.includes('/')
  return isMonthFirst ? realDay(year, first, second) : realDay(year, second, first)
}

function realDay(year: number, month: number, day: number): string | undefined {
  const date = new Date(Date.UTC(year, month - 1, day))
  const isReal = date.getUTCMonth() === month - 1 && date.getUTCDate() === day
  return isReal ? date.toISOString().slice(0, 10) : undefined
}

/** Fewer digits than these are no number to look for. */
const LEAST_DIGITS = 3

/** Reads what was typed: a birthday, the digits of a number, or words, any of which may be the beginning of one. */
export function clientQuery(text: string): ClientQuery {
  const born = /[-./]/.test(text) ? dayWritten(text) : undefined
  if (born !== undefined) return { words: [], digits: '', born }
  const digits = text.replaceAll(/\D/g, '')
  const isNumber = /^[\d\s()+/.-]+$/.test(text.trim()) && digits.length >= LEAST_DIGITS
  if (isNumber) return { words: [], digits: digits.replace(/^0+/, ''), born: undefined }
  const words = folded(text).split(' ').filter(Boolean)
  return { words: words.sort((a, b) => b.length - a.length), digits: '', born: undefined }
}
