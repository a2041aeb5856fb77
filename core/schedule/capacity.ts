import { chainsMeet, handsOf, leastSecondsOf } from './chain'
import { nameOf, type Chain, type Part, type PlacingProblem } from './problem'

/** A dwell that steps can hang under, and how many seconds of hands it still takes. */
interface Room {
  readonly partId: string
  readonly leftS: number
}

const loadOf = (chain: Chain): number => leastSecondsOf(handsOf(chain))

/**
 * Steps that cannot all find room under the dwells that admit them, by name; undefined where this test sees no reason. For every load t, steps
 * of at least t are given to dwells, each of which takes as many as its smallest such steps fit (augmenting paths): necessary, not sufficient.
 * `hosts`: what hangs already. A visit under way is not tested: what has begun goes past its times.
 */
export function withoutRoom(
  problem: PlacingProblem,
  waiting: readonly Chain[],
  hosts: ReadonlyMap<string, string>,
): readonly string[] | undefined {
  if (problem.pins !== undefined || problem.overrun) return undefined
  const rooms = roomsOf(problem, waiting, hosts)
  const loads = [...new Set(waiting.map(loadOf))].sort((a, b) => b - a)
  for (const load of loads) {
    const heavy = waiting.filter((chain) => loadOf(chain) >= load)
    // One alone is tried under each dwell, which says better why it does not fit.
    if (heavy.length < 2) continue
    const without = unmatched(heavy, rooms)
    if (without.length > 0) return heavy.map(nameOf)
  }
  return undefined
}

type RoomsOf = ReadonlyMap<Chain, readonly Room[]>

function roomsOf(
  problem: PlacingProblem,
  waiting: readonly Chain[],
  hosts: ReadonlyMap<string, string>,
): RoomsOf {
  const usedS = new Map<string, number>()
  for (const chain of problem.chains) {
    const partId = hosts.get(chain.id)
    if (partId) usedS.set(partId, (usedS.get(partId) ?? 0) + loadOf(chain))
  }
  const rooms = new Map<string, Room>()
  const roomOf = ({ id, mostS }: Part): Room => {
    const room = rooms.get(id) ?? { partId: id, leftS: mostS - (usedS.get(id) ?? 0) }
    rooms.set(id, room)
    return room
  }
  const owners = new Map(problem.chains.map((chain) => [chain.id, chain]))
  return new Map(
    waiting.map((chain) => [
      chain,
      chain.hosts!.flatMap(({ chainId, partId }) => {
        const owner = owners.get(chainId)
        const dwell = owner?.parts.find((part) => part.id === partId)
        return owner && dwell && (chain.over || !chainsMeet(chain, owner)) ? [roomOf(dwell)] : []
      }),
    ]),
  )
}

/** Steps that no matching seats beside the others. */
function unmatched(steps: readonly Chain[], rooms: RoomsOf): Chain[] {
  const places = placesOf(steps, rooms)
  const seated = new Map<Room, Chain[]>()
  const seat = (step: Chain, tried: Set<Room>): boolean => {
    for (const room of rooms.get(step)!) {
      if (tried.has(room) || loadOf(step) > room.leftS) continue
      tried.add(room)
      const here = seated.get(room) ?? []
      if (here.length < places.get(room)!) {
        seated.set(room, [...here, step])
        return true
      }
      const moving = here.find((other) => seat(other, tried))
      if (!moving) continue
      seated.set(room, [...seated.get(room)!.filter((other) => other !== moving), step])
      return true
    }
    return false
  }
  return steps.filter((step) => !seat(step, new Set()))
}

/** How many of these steps a dwell takes at the most: its smallest ones, one after another. */
function placesOf(steps: readonly Chain[], rooms: RoomsOf): ReadonlyMap<Room, number> {
  const loads = new Map<Room, number[]>()
  for (const step of steps)
    for (const room of rooms.get(step)!) loads.set(room, [...(loads.get(room) ?? []), loadOf(step)])
  return new Map(
    [...loads].map(([room, own]) => {
      let leftS = room.leftS
      const fitting = own
        .sort((a, b) => a - b)
        .filter((load) => {
          leftS -= load
          return leftS >= 0
        })
      return [room, fitting.length]
    }),
  )
}
