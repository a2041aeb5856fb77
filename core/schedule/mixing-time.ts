import { present, type Chain, type Placed } from './problem'

/**
 * Moves every preparation as late as hands and presence allow, so that nothing is mixed earlier than it must be.
 * Takes and gives placed parts; never changes anything but preparations, and never moves one later than its apply, the time it rests before that.
 */
export function mixLate(chains: readonly Chain[], placed: readonly Placed[]): Placed[] {
  const placedById = new Map(placed.map((part) => [part.partId, part]))
  for (const chain of [...chains].reverse()) {
    const part = chain.prepare?.part
    const apply = chain.parts[0] && placedById.get(chain.parts[0].id)
    const now = part && placedById.get(part.id)
    if (!part || !apply || !now) continue
    const lengthS = now.endS - now.startS
    const busy = [...placedById.values()].filter(
      (other) => other.partId !== part.id && blocks(chains, other.partId, chain),
    )
    const latestS = apply.startS - (chain.prepare?.restS ?? 0)
    const ends = [latestS, ...busy.map((other) => other.startS)]
      .filter((endS) => endS <= latestS && endS >= now.endS)
      .sort((a, b) => b - a)
    const endS = ends.find((end) =>
      busy.every((other) => other.endS <= end - lengthS || other.startS >= end),
    )
    if (endS !== undefined)
      placedById.set(part.id, { partId: part.id, startS: endS - lengthS, endS })
  }
  return placed.map((part) => placedById.get(part.partId)!)
}

/** A hands-on part, or a dwell of another step that needs somebody at the client, keeps the hands from mixing. */
function blocks(chains: readonly Chain[], partId: string, own: Chain): boolean {
  for (const chain of chains) {
    if (chain.prepare?.part.id === partId) return true
    const part = chain.parts.find((candidate) => candidate.id === partId)
    if (part) return part.hands || (chain !== own && !present('room', part.needs))
  }
  return false
}
