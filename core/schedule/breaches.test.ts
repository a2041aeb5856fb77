import highsLoader from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { toLp } from '../../tests/oracle'
import { busyLadder, randomLadder, seeded } from '../../tests/random-ladder'
import { runs } from '../../tests/runs'
import { place, readPlacing, type Placed, type PlacingProblem } from '.'

type Highs = Awaited<ReturnType<typeof highsLoader>>
let highs: Highs
beforeAll(async () => {
  highs = await highsLoader()
})

/** The programme of the oracle with every time given: it has a solution exactly where the times keep every limit. */
function isAllowed(problem: PlacingProblem, placed: readonly Placed[]): boolean {
  const order = problem.chains.flatMap(({ prepare, parts }) => [
    ...(prepare ? [prepare.part] : []),
    ...parts,
  ])
  const fixed = placed.flatMap(({ partId, startS, endS }, n) => {
    const at = order.findIndex((part) => part.id === partId)
    return [` t${n}: s_p${at} = ${startS}`, ` u${n}: e_p${at} = ${endS}`]
  })
  const text = toLp(problem, 1000).replace('Subject To\n', `Subject To\n${fixed.join('\n')}\n`)
  return highs.solve(text).Status === 'Optimal'
}

const problemOf = (seed: number): PlacingProblem =>
  seed % 2 === 0 ? randomLadder(seed) : busyLadder(seed)

/** One to three times moved by a few seconds: a part longer, shorter or elsewhere, or everything after it later. */
function nudged(placed: readonly Placed[], seed: number): Placed[] {
  const random = seeded(seed)
  const int = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  return Array.from({ length: int(1, 3) }).reduce<Placed[]>(
    (before) => {
      const by = int(-3, 3)
      const at = int(0, before.length - 1)
      const kind = int(0, 3)
      const fromS = before[at]!.startS
      return before.map((part, n) => {
        if (kind === 3) return part.startS < fromS ? part : later(part, Math.abs(by))
        if (n !== at) return part
        if (kind === 2) return later(part, by)
        return kind === 0
          ? { ...part, endS: part.endS + by }
          : { ...part, startS: part.startS + by }
      })
    },
    [...placed],
  )
}
const later = (part: Placed, by: number): Placed => ({
  ...part,
  startS: part.startS + by,
  endS: part.endS + by,
})

describe('times that were told, against every limit', () => {
  test('what the search finds breaks nothing; what is moved is allowed exactly where HiGHS finds it so', () => {
    const counted = { found: 0, allowed: 0, refused: 0 }
    for (let seed = 1; seed <= runs(400); seed++) {
      const problem = problemOf(seed)
      const placing = place(problem)
      if (placing.kind === 'infeasible' || placing.kind === 'unfinished') continue
      expect(readPlacing(problem, placing.placed).breaches, `seed ${seed}`).toEqual([])
      counted.found++
      const told = nudged(placing.placed, seed)
      const { breaches } = readPlacing(problem, told)
      expect(breaches.length === 0, `seed ${seed}: ${breaches.join('; ')}`).toBe(
        isAllowed(problem, told),
      )
      counted[breaches.length === 0 ? 'allowed' : 'refused']++
    }
    // Both answers were really asked for.
    expect(Math.min(counted.found, counted.allowed, counted.refused)).toBeGreaterThan(20)
  })

  test('a part without a time, one that nobody knows, and one with two times are each said', () => {
    const problem = randomLadder(1)
    const placing = place(problem)
    if (placing.kind === 'infeasible' || placing.kind === 'unfinished') throw new Error('no ladder')
    const { placed } = placing
    const [first] = placed
    expect(readPlacing(problem, placed.slice(1)).breaches).toEqual([`${first!.partId} has no time`])
    expect(readPlacing(problem, [...placed, { ...first!, partId: 'x' }]).breaches).toEqual([
      'x is no part',
    ])
    expect(readPlacing(problem, [...placed, first!]).breaches).toEqual(['a part has two times'])
  })
})
