import { dequal } from 'dequal'
import { Conflict } from '#core/fault'

/** As JSON has it: what is not there is not there. */
const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value ?? null))
const isSame = (a: unknown, b: unknown): boolean => dequal(asJson(a), asJson(b))

/**
 * Refuses to write over what another tablet has changed meanwhile: what stands here is neither what whoever sends had seen nor what they send.
 * `seen` left out: nobody says. `what`: the subject of the sentence.
 */
export function asSeen(seen: unknown, stands: unknown, given: unknown, what: string): void {
  if (seen === undefined || isSame(seen, stands) || isSame(given, stands)) return
  throw new Conflict({
    code: 'changed_meanwhile',
    detail: `${what} was changed elsewhere meanwhile. Both are shown: say which stands.`,
  })
}
