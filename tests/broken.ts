import type { Chain, Part, Placed, PlacingProblem } from '#core/schedule'

type Times = ReadonlyMap<string, Placed>

/** Parts that are shorter or longer than they may be, or begin before the visit. */
const misTimed = (parts: readonly Part[], times: Times): string[] =>
  parts.flatMap(({ id, leastS, mostS }) => {
    const { startS, endS } = times.get(id)!
    const lastsS = endS - startS
    return startS < 0 || lastsS < leastS || lastsS > mostS ? [`${id} lasts ${lastsS}`] : []
  })

const gaps = ({ parts }: Chain, times: Times): string[] =>
  parts
    .slice(1)
    .filter((part, at) => times.get(part.id)!.startS !== times.get(parts[at]!.id)!.endS)
    .map((part) => `${part.id} has a gap`)

/** Two things that both need the hands, at once. */
function atOnce(parts: readonly Part[], times: Times): string[] {
  const hands = parts.filter((part) => part.hands)
  return hands.flatMap((part, at) => {
    const own = times.get(part.id)!
    return hands
      .slice(at + 1)
      .filter(({ id }) => own.startS < times.get(id)!.endS && times.get(id)!.startS < own.endS)
      .map(({ id }) => `${part.id} and ${id} at once`)
  })
}

/** A mix that has not rested, stood too long, or has set. */
function spoilt({ id, parts, prepare }: Chain, times: Times): string[] {
  if (!prepare) return []
  const mixedS = times.get(prepare.part.id)!.endS
  const { startS, endS } = times.get(parts[0]!.id)!
  const stoodS = startS - mixedS
  return [
    ...(stoodS < (prepare.restS ?? 0) ? [`${id} has not rested`] : []),
    ...(stoodS < 0 || stoodS > prepare.potLifeS ? [`${id} stood too long`] : []),
    ...(endS - mixedS > (prepare.workingS ?? Infinity) ? [`${id} has set`] : []),
  ]
}

/** What a placed ladder breaks, checked from the statement of the problem. */
export function broken({ chains }: PlacingProblem, placed: readonly Placed[]): string[] {
  const times: Times = new Map(placed.map((part) => [part.partId, part]))
  const parts = chains.flatMap(({ prepare, parts: own }) => [
    ...(prepare ? [prepare.part] : []),
    ...own,
  ])
  return [
    ...misTimed(parts, times),
    ...chains.flatMap((chain) => gaps(chain, times)),
    ...atOnce(parts, times),
    ...chains.flatMap((chain) => spoilt(chain, times)),
  ]
}
