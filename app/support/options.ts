/** One of a list of choices: what is kept, and what is shown. */
export interface FieldOption<T extends string = string> {
  readonly value: T
  readonly words: string
}

/** Choices that are shown as they are kept, hyphens as spaces. */
export const asOptions = <const T extends string>(values: readonly T[]): FieldOption<T>[] =>
  values.map((value) => ({ value, words: value.replaceAll('-', ' ') }))

/** Choices by their ids. */
export const byName = (things: readonly { readonly id: string; readonly name: string }[]) =>
  things.map(({ id, name }): FieldOption => ({ value: id, words: name }))

/** The same with a first one for none. */
export const orNone = <T extends string>(
  options: readonly FieldOption<T>[],
  words = 'none',
): FieldOption<T | ''>[] => [{ value: '', words }, ...options]

/** Whole numbers from one up. */
export const upTo = (most: number, words = (count: number) => String(count)): FieldOption[] =>
  Array.from({ length: most }, (_, at) => ({ value: String(at + 1), words: words(at + 1) }))

/** A scale from none: 0 … most. */
export const scaleTo = (most: number) =>
  Array.from({ length: most + 1 }, (_, value) => ({ value, words: String(value) }))

/** The words of what is chosen; of what is not among the choices, nothing. */
export const wordsOf = (options: readonly FieldOption[], value: string): string =>
  options.find((option) => option.value === value)?.words ?? ''

/** The longest words: a field is as wide whichever is chosen. */
export const widestOf = (options: readonly FieldOption[]): string =>
  options.reduce((widest, { words }) => (words.length > widest.length ? words : widest), '')

/** Choices that hold every typed word, somewhere; all of them when nothing is typed. */
export function optionsFor<T extends string>(
  options: readonly FieldOption<T>[],
  typed: string,
): FieldOption<T>[] {
  const wanted = typed.trim().toLowerCase().split(/\s+/)
  return options.filter(({ words }) => {
    const held = words.toLowerCase()
    return wanted.every((word) => held.includes(word))
  })
}
