import type { Chain, PlacingProblem, Part } from '#core/schedule'

// The placing problem written a second time, as a mixed-integer programme for HiGHS: disjunctions by big-M, hosts by binaries.
// Shares no code with core/schedule; only the statement of the problem.

const RANK = { away: 0, room: 1, client: 2 }

interface Milp {
  readonly constraints: string[]
  readonly binaries: string[]
}

/** The problem in CPLEX LP format. Variables: s_/e_ per part, M the makespan. */
export function toLp(problem: PlacingProblem, bigM: number): string {
  const names = new Map<string, string>()
  const all = problem.chains.flatMap((chain) => [
    ...(chain.prepare ? [chain.prepare.part] : []),
    ...chain.parts,
  ])
  all.forEach((part, at) => names.set(part.id, `p${at}`))
  const s = (part: Part) => `s_${names.get(part.id)}`
  const e = (part: Part) => `e_${names.get(part.id)}`
  const milp: Milp = { constraints: [], binaries: [] }
  const say = (text: string) => milp.constraints.push(text)
  const apart = (a: readonly [Part, Part], b: readonly [Part, Part], free = '') => {
    const y = `y${milp.binaries.length}`
    milp.binaries.push(y)
    // free names a binary that lifts the disjunction when it is 1
    say(`${s(b[0])} - ${e(a[1])} - ${bigM} ${y}${free && ` + ${bigM} ${free}`} >= ${-bigM}`)
    say(`${s(a[0])} - ${e(b[1])} + ${bigM} ${y}${free && ` + ${bigM} ${free}`} >= 0`)
  }
  for (const part of all) {
    say(`${e(part)} - ${s(part)} >= ${part.leastS}`)
    say(`${e(part)} - ${s(part)} <= ${part.mostS}`)
    if (
      !problem.chains.some(
        (chain) => chain.reservedFromS !== undefined && chain.parts.includes(part),
      )
    )
      say(`M - ${e(part)} >= 0`)
  }
  for (const chain of problem.chains) {
    chain.parts.slice(1).forEach((part, at) => say(`${s(part)} - ${e(chain.parts[at]!)} = 0`))
    if (!chain.prepare) continue
    say(`${s(chain.parts[0]!)} - ${e(chain.prepare.part)} >= ${chain.prepare.restS ?? 0}`)
    say(`${s(chain.parts[0]!)} - ${e(chain.prepare.part)} <= ${chain.prepare.potLifeS}`)
    if (chain.prepare.workingS !== undefined)
      say(`${e(chain.parts[0]!)} - ${e(chain.prepare.part)} <= ${chain.prepare.workingS}`)
  }
  const hosting = new Map<string, string>()
  for (const chain of problem.chains.filter((one) => one.hosts)) {
    const choices = chain.hosts!.map((host, at) => {
      const b = `h${chain.id}_${at}`
      milp.binaries.push(b)
      hosting.set(`${chain.id}>${host.chainId}`, b)
      const dwell = all.find((part) => part.id === host.partId)!
      const owner = problem.chains.find((one) => one.id === host.chainId)!
      if (!chain.over && meet(chain, owner)) say(`${b} = 0`)
      say(`${s(chain.parts[0]!)} - ${s(dwell)} - ${bigM} ${b} >= ${-bigM}`)
      say(`${e(dwell)} - ${e(chain.parts.at(-1)!)} - ${bigM} ${b} >= ${-bigM}`)
      return b
    })
    say(choices.length > 0 ? `${choices.join(' + ')} = 1` : `0 M = 1`)
  }
  for (const chain of problem.chains)
    if (chain.reservedFromS !== undefined) say(`${s(chain.parts[0]!)} = ${chain.reservedFromS}`)
  pairs(problem.chains).forEach(([a, b]) => {
    for (const x of a.parts)
      for (const y of b.parts)
        if (x.device !== undefined && x.device === y.device) apart([x, x], [y, y])
    if (a.reservedFromS !== undefined || b.reservedFromS !== undefined) return
    const together = a.beside !== undefined && a.beside === b.beside && !meet(a, b)
    const fixed = !a.hosts && !b.hosts
    const hands = (chain: Chain) => chain.parts.filter((part) => part.hands)
    for (const x of [...hands(a), ...(a.prepare ? [a.prepare.part] : [])]) {
      for (const y of [...hands(b), ...(b.prepare ? [b.prepare.part] : [])]) {
        const first = x === hands(a)[0] && y === hands(b)[0]
        if (fixed && x !== a.prepare?.part && y !== b.prepare?.part && (!together || first))
          say(`${s(y)} - ${e(x)} >= 0`)
        else apart([x, x], [y, y])
      }
    }
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      for (const dwell of one.parts.filter((part) => !part.hands))
        for (const hand of [...hands(other), ...(other.prepare ? [other.prepare.part] : [])])
          if (RANK[hand.at] < RANK[dwell.needs]) apart([dwell, dwell], [hand, hand])
    }
    const [on, off] = [taking(a), taking(b)]
    if (!on || !off || !meet(a, b)) return
    if (fixed) say(`${s(off[0])} - ${e(on[1])} >= 0`)
    else
      apart(
        on,
        off,
        (a.over && hosting.get(`${a.id}>${b.id}`)) ||
          (b.over && hosting.get(`${b.id}>${a.id}`)) ||
          '',
      )
  })
  for (const lag of problem.lags) {
    const [from, to] = [
      all.find((part) => part.id === lag.fromPart)!,
      all.find((part) => part.id === lag.toPart)!,
    ]
    say(`${s(to)} - ${e(from)} >= ${lag.minS}`)
    if (lag.maxS !== undefined) say(`${s(to)} - ${e(from)} <= ${lag.maxS}`)
  }
  return `Minimize\n obj: M\nSubject To\n${milp.constraints.map((text, at) => ` c${at}: ${text}`).join('\n')}\n${milp.binaries.length > 0 ? `Binary\n ${milp.binaries.join(' ')}\n` : ''}End\n`
}

const zonesOf = (chain: Chain) => chain.parts.flatMap((part) => part.zones)
const meet = (a: Chain, b: Chain): boolean => zonesOf(a).some((zone) => zonesOf(b).includes(zone))
const taking = (chain: Chain): readonly [Part, Part] | undefined => {
  const parts = chain.parts.filter((part) => part.zones.length > 0)
  return parts.length > 0 ? [parts[0]!, parts.at(-1)!] : undefined
}
const pairs = <T>(items: readonly T[]): [T, T][] =>
  items.flatMap((a, at) => items.slice(at + 1).map((b): [T, T] => [a, b]))
