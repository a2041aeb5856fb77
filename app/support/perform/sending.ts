import type { RunEvent } from '#core/perform'
import { mayRetry, placeIn, type Refusal } from '~/support/api'
import { inOnePart } from '~/support/part'

/** Events of one request at the most: the server takes no more, and no more than a megabyte. */
const PART_MOST = 500
const PART_BYTES = 900_000

interface Kept {
  readonly event: RunEvent
  readonly sent: 0 | 1 | 2
}

const segmentOf = ({ body }: RunEvent): string | undefined =>
  'segmentId' in body ? body.segmentId : undefined

/**
 * What goes in the next request, and what does not go at all: a segment of which something was set aside waits as a whole, or its end would
 * arrive without its beginning. `held`: what this role may not say.
 */
export function nextPart(
  all: readonly Kept[],
  held: ReadonlySet<string>,
): { readonly part: RunEvent[]; readonly behind: RunEvent[] } {
  const apart = new Set(
    all.flatMap(({ event, sent }) => (sent === 2 ? (segmentOf(event) ?? []) : [])),
  )
  const waiting = all.filter(({ event, sent }) => sent === 0 && !held.has(event.id))
  const isBehind = ({ event }: Kept): boolean => apart.has(segmentOf(event) ?? '')
  const events = waiting.filter((kept) => !isBehind(kept)).map(({ event }) => event)
  return {
    part: inOnePart(events, PART_BYTES, PART_MOST),
    behind: waiting.filter(isBehind).map(({ event }) => event),
  }
}

/**
 * What a refusal means for a part: the one event that it names, or all of it where it names none. Who may not say something waits for somebody
 * who may (`hold`); what will never be taken is set aside; anything else is tried again as it is.
 */
export function refusedOf(
  part: readonly RunEvent[],
  refusal: Refusal,
): { readonly hold: readonly RunEvent[]; readonly aside: readonly RunEvent[] } {
  const at = placeIn('events', refusal)
  const named = at === undefined ? part : part.slice(at, at + 1)
  if (refusal.status === 403) return { hold: named, aside: [] }
  return { hold: [], aside: mayRetry(refusal.status) ? [] : named }
}
