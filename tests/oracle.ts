import type { Chain, Part, PlacingProblem } from '#core/schedule'

// The placing problem written a second time, as a mixed-integer programme for HiGHS: disjunctions by big-M, hosts by binaries.
// Shares no code with core/schedule; only the statement of the problem.

const RANK = { away: 0, room: 1, client: 2 }

/** The programme while it is written: its parts by short names, its constraints, its binaries. */
class Programme {
  readonly parts: readonly Part[]
  private readonly names: ReadonlyMap<string, string>
  private readonly constraints: string[] = []
  private readonly binaries: string[] = []
  /** The binary that is 1 where a floating chain hangs under a host, by both their ids. */
  readonly hosting = new Map<string, string>()

  constructor(
    readonly problem: PlacingProblem,
    readonly bigM: number,
  ) {
    this.parts = problem.chains.flatMap((chain) => [...mixOf(chain), ...chain.parts])
    this.names = new Map(this.parts.map((part, at) => [part.id, `p${at}`]))
  }
  start = (part: Part) => `s_${this.names.get(part.id)}`
  end = (part: Part) => `e_${this.names.get(part.id)}`
  say = (text: string) => this.constraints.push(text)
  binary(name: string): string {
    this.binaries.push(name)
    return name
  }
  partOf = (id: string): Part => this.parts.find((part) => part.id === id)!

  /** Two stretches that may not overlap. `free`: a binary that lifts this when it is 1. */
  apart([a, aLast]: Stretch, [b, bLast]: Stretch, free = '') {
    const y = this.binary(`y${this.binaries.length}`)
    const lifted = free && ` + ${this.bigM} ${free}`
    this.say(`${this.start(b)} - ${this.end(aLast)} - ${this.bigM} ${y}${lifted} >= ${-this.bigM}`)
    this.say(`${this.start(a)} - ${this.end(bLast)} + ${this.bigM} ${y}${lifted} >= 0`)
  }
  text(): string {
    const constraints = this.constraints.map((text, at) => ` c${at}: ${text}`).join('\n')
    const binaries = this.binaries.length > 0 ? `Binary\n ${this.binaries.join(' ')}\n` : ''
    return `Minimize\n obj: M\nSubject To\n${constraints}\n${binaries}End\n`
  }
}
type Stretch = readonly [first: Part, last: Part]

const mixOf = (chain: Chain): Part[] => (chain.prepare ? [chain.prepare.part] : [])
const handsOf = (chain: Chain): Part[] => chain.parts.filter((part) => part.hands)
/** Everything of a chain that needs the practitioner's hands, its mix included. */
const workOf = (chain: Chain): Part[] => [...handsOf(chain), ...mixOf(chain)]
const zonesOf = (chain: Chain) => chain.parts.flatMap((part) => part.zones)
const meet = (a: Chain, b: Chain): boolean => zonesOf(a).some((zone) => zonesOf(b).includes(zone))

/** From when until when a chain takes its zones. */
function takingOf(chain: Chain): Stretch | undefined {
  const parts = chain.parts.filter((part) => part.zones.length > 0)
  return parts.length > 0 ? [parts[0]!, parts.at(-1)!] : undefined
}
const pairsOf = <T>(items: readonly T[]): [T, T][] =>
  items.flatMap((a, at) => items.slice(at + 1).map((b): [T, T] => [a, b]))

/** Every part within its limits, and the makespan after all of them but what happens next door. */
function sayDurations({ problem, parts, start, end, say }: Programme) {
  const reserved = problem.chains.filter((chain) => chain.reservedFromS !== undefined)
  for (const part of parts) {
    say(`${end(part)} - ${start(part)} >= ${part.leastS}`)
    say(`${end(part)} - ${start(part)} <= ${part.mostS}`)
    if (!reserved.some((chain) => chain.parts.includes(part))) say(`M - ${end(part)} >= 0`)
  }
}

/** The parts of a chain follow each other without a gap; its mix stands no longer than it may, rests, and is on before it sets. */
function sayChain({ start, end, say }: Programme, { parts, prepare }: Chain) {
  parts.slice(1).forEach((part, at) => say(`${start(part)} - ${end(parts[at]!)} = 0`))
  if (!prepare) return
  const first = parts[0]!
  say(`${start(first)} - ${end(prepare.part)} >= ${prepare.restS ?? 0}`)
  say(`${start(first)} - ${end(prepare.part)} <= ${prepare.potLifeS}`)
  if (prepare.workingS !== undefined)
    say(`${end(first)} - ${end(prepare.part)} <= ${prepare.workingS}`)
}

/** A floating chain hangs under exactly one of its hosts, within its dwell. */
function sayHosts(programme: Programme, chain: Chain) {
  const { problem, bigM, start, end, say } = programme
  const choices = chain.hosts!.map((host, at) => {
    const chosen = programme.binary(`h${chain.id}_${at}`)
    programme.hosting.set(`${chain.id}>${host.chainId}`, chosen)
    const dwell = programme.partOf(host.partId)
    const owner = problem.chains.find(({ id }) => id === host.chainId)!
    if (!chain.over && meet(chain, owner)) say(`${chosen} = 0`)
    say(`${start(chain.parts[0]!)} - ${start(dwell)} - ${bigM} ${chosen} >= ${-bigM}`)
    say(`${end(dwell)} - ${end(chain.parts.at(-1)!)} - ${bigM} ${chosen} >= ${-bigM}`)
    return chosen
  })
  say(choices.length > 0 ? `${choices.join(' + ')} = 1` : `0 M = 1`)
}

/** A device is in one place at a time. */
function sayDevices(programme: Programme, a: Chain, b: Chain) {
  for (const x of a.parts)
    for (const y of b.parts)
      if (x.device !== undefined && x.device === y.device) programme.apart([x, x], [y, y])
}

/** Laid side by side: only their beginnings are in order. */
const areTogether = (a: Chain, b: Chain): boolean =>
  a.beside !== undefined && a.beside === b.beside && !meet(a, b)

/** In the order in which it is written; what happens next door is not. */
const isWritten = ({ hosts, reservedFromS }: Chain): boolean =>
  !hosts && reservedFromS === undefined

/** One pair of hands: fixed chains in their order, but for what lies side by side after its beginning. */
function sayHands(programme: Programme, a: Chain, b: Chain) {
  const { start, end, say } = programme
  const isFixed = isWritten(a) && isWritten(b)
  const isTogether = areTogether(a, b)
  const mixes = [...mixOf(a), ...mixOf(b)]
  for (const x of workOf(a))
    for (const y of workOf(b)) {
      const isFirst = x === handsOf(a)[0] && y === handsOf(b)[0]
      const isMix = mixes.includes(x) || mixes.includes(y)
      if (isFixed && !isMix && (!isTogether || isFirst)) say(`${start(y)} - ${end(x)} >= 0`)
      else programme.apart([x, x], [y, y])
    }
}

/** A dwell that needs her near is never while her hands are further away. */
function sayPresence(programme: Programme, watched: Chain, working: Chain) {
  for (const dwell of watched.parts.filter((part) => !part.hands))
    for (const hand of workOf(working))
      if (RANK[hand.at] < RANK[dwell.needs]) programme.apart([dwell, dwell], [hand, hand])
}

/** Two chains on the same zones: the fixed one after the other, a floating one apart, or over its host where it may. */
function sayZones(programme: Programme, a: Chain, b: Chain) {
  const [on, off] = [takingOf(a), takingOf(b)]
  if (!on || !off || !meet(a, b)) return
  const { start, end, say, hosting } = programme
  if (!a.hosts && !b.hosts) {
    say(`${start(off[0])} - ${end(on[1])} >= 0`)
    return
  }
  const over =
    (a.over && hosting.get(`${a.id}>${b.id}`)) || (b.over && hosting.get(`${b.id}>${a.id}`))
  programme.apart(on, off, over || '')
}

function sayLags({ problem, partOf, start, end, say }: Programme) {
  for (const { fromPart, toPart, minS, maxS } of problem.lags) {
    const [from, to] = [partOf(fromPart), partOf(toPart)]
    say(`${start(to)} - ${end(from)} >= ${minS}`)
    if (maxS !== undefined) say(`${start(to)} - ${end(from)} <= ${maxS}`)
  }
}

/** The problem in CPLEX LP format. Variables: s_/e_ per part, M the makespan. */
export function toLp(problem: PlacingProblem, bigM: number): string {
  const programme = new Programme(problem, bigM)
  const { chains } = problem
  sayDurations(programme)
  for (const chain of chains) sayChain(programme, chain)
  for (const chain of chains) if (chain.hosts) sayHosts(programme, chain)
  for (const { reservedFromS, parts } of chains)
    if (reservedFromS !== undefined)
      programme.say(`${programme.start(parts[0]!)} = ${reservedFromS}`)
  for (const [a, b] of pairsOf(chains)) {
    sayDevices(programme, a, b)
    if (a.reservedFromS !== undefined && b.reservedFromS !== undefined) continue
    sayHands(programme, a, b)
    sayPresence(programme, a, b)
    sayPresence(programme, b, a)
    sayZones(programme, a, b)
  }
  sayLags(programme)
  return programme.text()
}
