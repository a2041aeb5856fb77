import type { Reply } from '~/support/api'

interface Named {
  readonly id: string
  readonly name: string
}
/** What a visit can be booked from. */
export type DayChoices = Reply<'/api/day'>['choices']

/** What a visit is booked from: one list of names each. */
export interface BookingList<K extends string> {
  readonly key: K
  readonly label: string
  readonly items: readonly Named[]
}

/** What still has to be chosen, as a sentence; undefined when everything is. */
export function missingChoice<K extends string>(
  lists: readonly BookingList<K>[],
  form: Readonly<Record<K, string>>,
): string | undefined {
  const missing = lists
    .filter(({ key }) => form[key] === '')
    .map(({ label }) => label.toLowerCase())
  return missing.length === 0 ? undefined : `Still to choose: ${missing.join(', ')}.`
}
