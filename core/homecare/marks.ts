import type { HomePlan } from './model'
import { ROLE_WORDS } from './words'

/** One letter for a strong thing in the grid of evenings; two of one letter are told apart by a figure. */
export function marksOf({ lines }: HomePlan): ReadonlyMap<string, string> {
  const strong = lines.filter(({ pace }) => pace !== undefined)
  const seen = new Map<string, number>()
  return new Map(
    strong.map(({ id, role }) => {
      const letter = ROLE_WORDS[role].name.charAt(0)
      const count = (seen.get(letter) ?? 0) + 1
      seen.set(letter, count)
      return [id, count === 1 ? letter : `${letter}${count}`]
    }),
  )
}
