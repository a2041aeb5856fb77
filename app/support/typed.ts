/** A figure as somebody typed it: none, a number, or why it is not taken. */
export type Typed =
  | { readonly ok: true; readonly value: number | undefined }
  | { readonly ok: false; readonly says: string }

/** Reads a number with comma or point, between two bounds. `words`: what it is, for the sentence. An empty field is no number, and no fault. */
export function typedNumber(text: string, words: string, least = 0, most = 1_000_000): Typed {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: true, value: undefined }
  const value = Number(trimmed.replace(',', '.'))
  if (!Number.isFinite(value))
    return { ok: false, says: `${words}: “${trimmed}” is not a number. The old figure stays.` }
  if (value < least || value > most)
    return {
      ok: false,
      says: `${words}: ${trimmed} is not between ${least} and ${most}. The old figure stays.`,
    }
  return { ok: true, value }
}

/** The text of the field an event comes from. */
export const textOf = (event: Event): string => (event.target as HTMLInputElement).value

/** Reads a field’s number and gives it on; a bad one is said, word for word, and the old figure stays. */
export function takeNumber(
  event: Event,
  words: string,
  complain: (says: string) => void,
  use: (value: number | undefined) => void,
  least = 0,
  most = 1_000_000,
) {
  const typed = typedNumber(textOf(event), words, least, most)
  if (!typed.ok) return complain(typed.says)
  complain('')
  use(typed.value)
}
