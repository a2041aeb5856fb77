/** One of a list of choices: what is kept, and what is shown. */
export interface FieldOption {
  readonly value: string
  readonly words: string
}

/** Choices that are shown as they are kept, hyphens as spaces. */
export const asOptions = (values: readonly string[]): FieldOption[] =>
  values.map((value) => ({ value, words: value.replaceAll('-', ' ') }))

/** The same with a first one for none. */
export const orNone = (options: readonly FieldOption[], words = 'none'): FieldOption[] => [
  { value: '', words },
  ...options,
]

/** Whole numbers from one up. */
export const upTo = (most: number, words = (count: number) => String(count)): FieldOption[] =>
  Array.from({ length: most }, (_, at) => ({ value: String(at + 1), words: words(at + 1) }))
