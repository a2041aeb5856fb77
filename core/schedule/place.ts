import { ZONES, type ZoneId } from '../skin/zones'
import { DifferenceGraph, type Edge } from './graph'
import { mixLate } from './mixing-time'
import { durationInWords } from '../quantity/time'
import {
  called,
  present,
  type Chain,
  type Part,
  type Placed,
  type Placing,
  type PlacingProblem,
} from './problem'

/** Search nodes before `place` stops and says so. */
export const PLACE_NODE_LIMIT = 20_000
/** Branches looked at for less stretching once nothing shorter is left to find. */
const TIE_LIMIT = 200

interface Model {
  readonly problem: PlacingProblem
  /** Part id → node of its start; its end is the next node. Node 0 is time 0. */
  readonly node: ReadonlyMap<string, number>
  readonly parts: ReadonlyMap<
    string,
    { readonly part: Part; readonly chain: Chain; readonly preparing: boolean }
  >
  /** Pairs that may not overlap, undecided by written order, in written order. */
  readonly pairs: readonly Pair[]
  readonly size: number
}
/** Two stretches that may not overlap: from the start of `first` to the end of `last`. */
interface Stretch {
  readonly first: string
  readonly last: string
  readonly name: string
}
interface Pair {
  readonly a: Stretch
  readonly b: Stretch
  readonly why: string
  /** May overlap while this floating step hangs under that chain and lies over it. */ readonly over?: {
    readonly chainId: string
    readonly hostId: string
  }
}

/**
 * Places a ladder: the shortest visit that keeps every limit, proven where the search ends by itself. Among equally short ones
 * it looks for less stretching of dwells within a limit (not proven), then takes written order first by the order of branching.
 * Method: difference constraints solved by longest paths; branch over hosts and over pairs that still overlap; a branch whose
 * least makespan is no better than the best found is cut.
 */
export function place(given: PlacingProblem, nodeLimit = PLACE_NODE_LIMIT): Placing {
  const problem = asItWas(given)
  const model = modelOf(problem)
  const graph = new DifferenceGraph(model.size)
  for (const edge of fixedEdges(model)) {
    const clash = graph.add(edge)
    if (clash) return { kind: 'infeasible', clash, nodes: 1 }
  }
  const search: Search = {
    model,
    best: undefined,
    nodes: 0,
    nodeLimit,
    stopped: false,
    clash: [],
    bound: Math.max(
      makespan(model, graph),
      handsLoad(problem),
      withoutFloating(problem, nodeLimit),
    ),
    ties: 0,
  }
  chooseHosts(search, graph, floatingOf(problem), 0, new Map())
  const { best, nodes, stopped } = search
  if (!best)
    return stopped ? { kind: 'stopped', nodes } : { kind: 'infeasible', clash: search.clash, nodes }
  const gapS = stopped ? best.makespanS - search.bound : 0
  return {
    ...best,
    placed: mixLate(
      problem.chains.filter((chain) => !isPinned(problem, chain.prepare?.part)),
      best.placed,
    ),
    kind: gapS > 0 ? 'feasible' : 'optimal',
    gapS,
    nodes,
  }
}

const isPinned = ({ pins }: PlacingProblem, part: Part | undefined): boolean =>
  part !== undefined && (pins?.has(part.id) ?? false)

const OVERRUN_S = 4 * 3600
/** Parts that have begun get the length they really had; one that still runs is as long as it has been, at least. */
function asItWas(problem: PlacingProblem): PlacingProblem {
  const { pins, notBeforeS = 0 } = problem
  if (!pins) return problem
  const real = (part: Part): Part => {
    const pin = pins.get(part.id)
    if (!pin) return part
    const lengthS = Math.max(
      pin.endS === undefined ? part.leastS : 0,
      (pin.endS ?? notBeforeS) - pin.startS,
    )
    return {
      ...part,
      leastS: lengthS,
      mostS:
        pin.endS !== undefined
          ? lengthS
          : problem.overrun
            ? lengthS + OVERRUN_S
            : Math.max(part.mostS, lengthS),
    }
  }
  return {
    ...problem,
    chains: problem.chains.map((chain) => ({
      ...chain,
      parts: chain.parts.map(real),
      ...(chain.prepare ? { prepare: { ...chain.prepare, part: real(chain.prepare.part) } } : {}),
    })),
  }
}

interface Search {
  readonly model: Model
  best:
    | {
        makespanS: number
        stretchS: number
        placed: readonly Placed[]
        hosts: ReadonlyMap<string, string>
      }
    | undefined
  nodes: number
  readonly nodeLimit: number
  stopped: boolean
  clash: readonly string[]
  readonly bound: number
  /** Branches tried for less stretching alone. */
  ties: number
}

/** One pair of hands: no visit is shorter than all its hands-on work. */
const handsLoad = (problem: PlacingProblem): number =>
  problem.chains.reduce(
    (sum, chain) =>
      sum + seconds(chain.parts.filter((part) => part.hands)) + (chain.prepare?.part.leastS ?? 0),
    0,
  )

/** Without its enhancements a visit is no longer: the optimum of the fixed ladder alone bounds the whole. 0 when that says nothing. */
function withoutFloating(problem: PlacingProblem, nodeLimit: number): number {
  const fixed = problem.chains.filter((chain) => chain.hosts === undefined)
  if (fixed.length === problem.chains.length) return 0
  const known = new Set(fixed.flatMap((chain) => chain.parts.map((part) => part.id)))
  const alone = place(
    {
      ...problem,
      chains: fixed,
      lags: problem.lags.filter((lag) => known.has(lag.fromPart) && known.has(lag.toPart)),
    },
    nodeLimit,
  )
  return alone.kind === 'optimal' ? alone.makespanS : 0
}

const floatingOf = (problem: PlacingProblem): readonly Chain[] =>
  problem.chains.filter((chain) => chain.hosts !== undefined)

function modelOf(problem: PlacingProblem): Model {
  const node = new Map<string, number>()
  const parts = new Map<string, { part: Part; chain: Chain; preparing: boolean }>()
  let next = 1
  for (const chain of problem.chains) {
    for (const part of [...(chain.prepare ? [chain.prepare.part] : []), ...chain.parts]) {
      node.set(part.id, next)
      parts.set(part.id, { part, chain, preparing: part === chain.prepare?.part })
      next += 2
    }
  }
  return {
    problem,
    node,
    parts,
    pairs: [
      ...handPairs(problem),
      ...presencePairs(problem),
      ...zonePairs(problem),
      ...devicePairs(problem),
    ].filter((pair) => !bothBegun(problem, pair)),
    size: next,
  }
}

/** What has begun together is on the skin together: no order is left to decide. */
const bothBegun = ({ pins }: PlacingProblem, { a, b }: Pair): boolean =>
  (pins?.has(a.first) ?? false) && (pins?.has(b.first) ?? false)

const nameIn = (model: Model, partId: string): string => called(model.parts.get(partId)!.part)
const startOf = (model: Model, id: string): number => model.node.get(id)!
const endOf = (model: Model, id: string): number => model.node.get(id)! + 1
const single = (part: Part): Stretch => ({ first: part.id, last: part.id, name: called(part) })

/** Hands-on parts whose order the ladder does not fix: those of floating steps and all preparations. */
function handPairs(problem: PlacingProblem): Pair[] {
  const all = problem.chains.flatMap((chain) => [
    ...(chain.prepare ? [{ part: chain.prepare.part, chain, free: true }] : []),
    // What has begun side by side is ordered by nothing but its hands.
    ...chain.parts
      .filter((part) => part.hands)
      .map((part) => ({
        part,
        chain,
        free: chain.hosts !== undefined || isPinned(problem, chain.parts[0]),
      })),
  ])
  return pairsOf(
    all,
    (a, b) => a.chain !== b.chain && (a.free || b.free || liesBeside(a.chain, b.chain)),
  ).map(([a, b]) => ({ a: single(a.part), b: single(b.part), why: 'one pair of hands' }))
}

/** Two fixed steps that are written to lie side by side, and can. */
const liesBeside = (a: Chain, b: Chain): boolean =>
  a.beside !== undefined && a.beside === b.beside && !chainsMeet(a, b)

/** One device in one place at a time: what is reserved elsewhere, and floating steps that need it too. Fixed steps of one visit follow one another anyway. */
function devicePairs(problem: PlacingProblem): Pair[] {
  const using = problem.chains.flatMap((chain) =>
    chain.parts.filter((part) => part.device !== undefined).map((part) => ({ part, chain })),
  )
  const open = (chain: Chain) => chain.hosts !== undefined || chain.reservedFromS !== undefined
  return pairsOf(
    using,
    (a, b) =>
      a.chain !== b.chain &&
      a.part.device === b.part.device &&
      (open(a.chain) || open(b.chain)) &&
      !(isReserved(a.chain) && isReserved(b.chain)),
  ).map(([a, b]) => ({
    a: single(a.part),
    b: single(b.part),
    why: 'the device is needed elsewhere',
  }))
}
const isReserved = (chain: Chain): boolean => chain.reservedFromS !== undefined

function presencePairs(problem: PlacingProblem): Pair[] {
  const watched = problem.chains.flatMap((chain) =>
    chain.parts
      .filter((part) => !part.hands && part.needs !== 'away')
      .map((part) => ({ part, chain })),
  )
  const hands = problem.chains.flatMap((chain) =>
    [
      ...(chain.prepare ? [chain.prepare.part] : []),
      ...chain.parts.filter((part) => part.hands),
    ].map((part) => ({ part, chain })),
  )
  return watched.flatMap((dwell) =>
    hands
      .filter((hand) => hand.chain !== dwell.chain && !present(hand.part.at, dwell.part.needs))
      .map((hand) => ({
        a: single(dwell.part),
        b: single(hand.part),
        why: `somebody stays during ${called(dwell.part)}`,
      })),
  )
}

/** Steps on shared zones follow one another; the written order decides for two fixed steps (see `fixedEdges`). */
function zonePairs(problem: PlacingProblem): Pair[] {
  return pairsOf(problem.chains, (a, b) => a.hosts !== undefined || b.hosts !== undefined).flatMap(
    ([a, b]) => {
      const [on, other] = [onSkin(a), onSkin(b)]
      return on && other && chainsMeet(a, b)
        ? [
            {
              a: on,
              b: other,
              why: 'one layer at a time on a zone',
              ...liesOver(a, b),
              ...liesOver(b, a),
            },
          ]
        : []
    },
  )
}

const liesOver = (a: Chain, b: Chain): { over?: { chainId: string; hostId: string } } =>
  a.over && a.hosts?.some((host) => host.chainId === b.id)
    ? { over: { chainId: a.id, hostId: b.id } }
    : {}
const zonesOf = (chain: Chain) => [...new Set(chain.parts.flatMap((part) => part.zones))]
/** Zones of a chain as bits, thirty to a number; asked of every pair, so worked out once. */
const masks = new WeakMap<Chain, readonly [number, number]>()
const BITS = 30
function maskOf(chain: Chain): readonly [number, number] {
  const known = masks.get(chain)
  if (known) return known
  let [low, high] = [0, 0]
  for (const part of chain.parts)
    for (const zone of part.zones) {
      const at = ZONE_BITS.get(zone)!
      if (at < BITS) low |= 1 << at
      else high |= 1 << (at - BITS)
    }
  const mask = [low, high] as const
  masks.set(chain, mask)
  return mask
}
const ZONE_BITS: ReadonlyMap<ZoneId, number> = new Map(ZONES.map((zone, at) => [zone, at]))
function chainsMeet(a: Chain, b: Chain): boolean {
  const [one, other] = [maskOf(a), maskOf(b)]
  return ((one[0] & other[0]) | (one[1] & other[1])) !== 0
}
function onSkin(chain: Chain): Stretch | undefined {
  const taking = chain.parts.filter((part) => part.zones.length > 0)
  return taking.length > 0
    ? { first: taking[0]!.id, last: taking.at(-1)!.id, name: called(chain) }
    : undefined
}

function pairsOf<T>(items: readonly T[], wanted: (a: T, b: T) => boolean): [T, T][] {
  return items.flatMap((a, at) =>
    items
      .slice(at + 1)
      .filter((b) => wanted(a, b))
      .map((b): [T, T] => [a, b]),
  )
}

function* fixedEdges(model: Model): Generator<Edge> {
  for (const chain of model.problem.chains) yield* chainEdges(model, chain)
  const fixed = model.problem.chains.filter(
    (chain) => chain.hosts === undefined && !isReserved(chain),
  )
  // Hands follow from one step to the next; only what has begun or lies side by side needs every pair.
  const everyPair =
    model.problem.pins !== undefined || fixed.some((chain) => chain.beside !== undefined)
  for (const [at, chain] of fixed.entries()) {
    let reached = false
    for (const next of fixed.slice(at + 1)) {
      const edges = orderEdges(model, chain, next, everyPair || !reached)
      reached ||= next.parts.some((part) => part.hands)
      yield* edges
    }
  }
  for (const lag of model.problem.lags) {
    const [from, to] = [endOf(model, lag.fromPart), startOf(model, lag.toPart)]
    yield {
      from,
      to,
      weight: lag.minS,
      why: `${nameIn(model, lag.toPart)} at the soonest ${durationInWords(lag.minS)} after ${nameIn(model, lag.fromPart)}`,
    }
    if (lag.maxS !== undefined)
      yield {
        from: to,
        to: from,
        weight: -lag.maxS,
        why: `${nameIn(model, lag.toPart)} at the latest ${durationInWords(lag.maxS)} after ${nameIn(model, lag.fromPart)}`,
      }
  }
}

function* chainEdges(model: Model, chain: Chain): Generator<Edge> {
  const { prepare } = chain
  for (const part of [...(prepare ? [prepare.part] : []), ...chain.parts]) {
    const [start, end] = [startOf(model, part.id), endOf(model, part.id)]
    const pin = model.problem.pins?.get(part.id)
    if (chain.reservedFromS !== undefined)
      yield { from: start, to: 0, weight: -chain.reservedFromS, why: `${called(part)} is reserved` }
    yield {
      from: 0,
      to: start,
      weight: chain.reservedFromS ?? pin?.startS ?? model.problem.notBeforeS ?? 0,
      why: '',
    }
    if (pin) yield { from: start, to: 0, weight: -pin.startS, why: `${called(part)} has begun` }
    yield {
      from: start,
      to: end,
      weight: part.leastS,
      why: `${called(part)} takes ${durationInWords(part.leastS)}`,
    }
    yield {
      from: end,
      to: start,
      weight: -part.mostS,
      why: `${called(part)} lasts ${durationInWords(part.mostS)} at the most`,
    }
  }
  for (const [at, part] of chain.parts.slice(1).entries()) {
    const before = chain.parts[at]!
    if (isPinned(model.problem, part) && isPinned(model.problem, before)) continue
    yield { from: endOf(model, before.id), to: startOf(model, part.id), weight: 0, why: '' }
    yield {
      from: startOf(model, part.id),
      to: endOf(model, before.id),
      weight: 0,
      why: `${called(part)} follows ${called(before)} at once`,
    }
  }
  const first = chain.parts[0]
  if (!prepare || !first || isPinned(model.problem, prepare.part)) return
  const mixed = endOf(model, prepare.part.id)
  yield {
    from: mixed,
    to: startOf(model, first.id),
    weight: prepare.restS ?? 0,
    why: prepare.restS
      ? `${called(chain)} rests ${durationInWords(prepare.restS)} after mixing`
      : '',
  }
  yield {
    from: startOf(model, first.id),
    to: mixed,
    weight: -prepare.potLifeS,
    why: `${called(prepare.part)} stands ${durationInWords(prepare.potLifeS)} at the most`,
  }
  if (prepare.workingS !== undefined)
    yield {
      from: endOf(model, first.id),
      to: mixed,
      weight: -prepare.workingS,
      why: `${called(chain)} sets ${durationInWords(prepare.workingS)} after mixing`,
    }
}

/** Written order of two fixed steps: on shared zones the whole step, and hands in every case. */
function* orderEdges(model: Model, a: Chain, b: Chain, withHands: boolean): Generator<Edge> {
  const hands = (chain: Chain) => chain.parts.filter((part) => part.hands)
  // Side by side only the beginning is in written order.
  const [last, first] = [liesBeside(a, b) ? hands(a)[0] : hands(a).at(-1), hands(b)[0]]
  if (withHands && last && first && !isPinned(model.problem, first))
    yield {
      from: endOf(model, last.id),
      to: startOf(model, first.id),
      weight: 0,
      why: `${called(b)} is written after ${called(a)}`,
    }
  const [on, next] = [onSkin(a), onSkin(b)]
  if (on && next && chainsMeet(a, b) && !model.problem.pins?.has(next.first))
    yield {
      from: endOf(model, on.last),
      to: startOf(model, next.first),
      weight: 0,
      why: `${called(b)} is written after ${called(a)}`,
    }
}

function chooseHosts(
  search: Search,
  graph: DifferenceGraph,
  floating: readonly Chain[],
  at: number,
  hosts: ReadonlyMap<string, string>,
) {
  const chain = floating[at]
  if (!chain) return settle(search, graph, hosts)
  for (const choice of hostChoices(search, graph, chain, hosts)) {
    if (search.stopped || isBest(search)) return
    if (worthTrying(search, choice.span, choice.stretch))
      chooseHosts(search, choice.graph, floating, at + 1, choice.hosts)
  }
}

interface HostChoice {
  readonly graph: DifferenceGraph
  readonly hosts: ReadonlyMap<string, string>
  readonly span: number
  readonly stretch: number
  readonly slack: number
}

/** Every host that can still take the step, the one that costs least time first, then the one with the most time left. */
function hostChoices(
  search: Search,
  graph: DifferenceGraph,
  chain: Chain,
  hosts: ReadonlyMap<string, string>,
): HostChoice[] {
  const { model } = search
  return chain
    .hosts!.flatMap((host): HostChoice[] => {
      const owner = model.problem.chains.find((candidate) => candidate.id === host.chainId)
      const dwell = owner?.parts.find((part) => part.id === host.partId)
      if (!owner || !dwell || (!chain.over && chainsMeet(chain, owner))) return []
      const chosen = new Map(hosts).set(chain.id, host.partId)
      const load = hostLoad(model.problem, chosen, host.partId)
      const next = graph.copy()
      const loaded: Edge = {
        from: startOf(model, host.partId),
        to: endOf(model, host.partId),
        weight: load,
        why: `what hangs under ${called(dwell)} takes ${durationInWords(load)} of it`,
      }
      if (addAll(next, [loaded, ...hangEdges(model, chain, host.partId)], search)) return []
      return [
        {
          graph: next,
          hosts: chosen,
          span: makespan(model, next),
          stretch: stretch(model, next),
          slack: dwell.mostS - load,
        },
      ]
    })
    .sort((a, b) => a.span - b.span || a.stretch - b.stretch || b.slack - a.slack)
}

/** Least length of a dwell under which these steps hang: their hands one after another, and steps on one zone one after another. */
function hostLoad(
  problem: PlacingProblem,
  hosts: ReadonlyMap<string, string>,
  partId: string,
): number {
  const hung = problem.chains.filter((chain) => hosts.get(chain.id) === partId)
  const hands = hung.reduce(
    (sum, chain) => sum + seconds(chain.parts.filter((part) => part.hands)),
    0,
  )
  const zones = [...new Set(hung.flatMap(zonesOf))]
  const byZone = zones.map((zone) =>
    hung
      .filter((chain) => zonesOf(chain).includes(zone))
      .reduce(
        (sum, chain) => sum + seconds(chain.parts.filter((part) => part.zones.length > 0)),
        0,
      ),
  )
  return Math.max(hands, ...byZone)
}
const seconds = (parts: readonly Part[]): number =>
  parts.reduce((sum, part) => sum + part.leastS, 0)

/** Nothing shorter exists, and nothing stretches. */
const isBest = (search: Search): boolean =>
  search.best?.makespanS === search.bound && search.best.stretchS === 0

/** Shorter than the best found; or as short with less stretching, as long as looking for that stays cheap. */
function worthTrying(search: Search, span: number, stretched: number): boolean {
  const { best } = search
  if (!best || span < best.makespanS) return true
  if (span > best.makespanS || stretched >= best.stretchS || search.ties >= TIE_LIMIT) return false
  search.ties++
  return true
}

function* hangEdges(model: Model, chain: Chain, partId: string): Generator<Edge> {
  const why = `${called(chain)} hangs under ${nameIn(model, partId)}`
  yield { from: startOf(model, partId), to: startOf(model, chain.parts[0]!.id), weight: 0, why }
  yield { from: endOf(model, chain.parts.at(-1)!.id), to: endOf(model, partId), weight: 0, why }
}

function addAll(graph: DifferenceGraph, edges: Iterable<Edge>, search: Search): boolean {
  for (const edge of edges) {
    const clash = graph.add(edge)
    if (!clash) continue
    search.clash = clash
    return true
  }
  return false
}

function settle(search: Search, graph: DifferenceGraph, hosts: ReadonlyMap<string, string>) {
  if (search.stopped) return
  if (++search.nodes > search.nodeLimit) {
    search.stopped = true
    return
  }
  const span = makespan(search.model, graph)
  if (isBest(search) || !worthTrying(search, span, stretch(search.model, graph))) return
  const pair = firstOverlap(search.model, graph, hosts)
  if (!pair) {
    search.best = {
      makespanS: span,
      stretchS: stretch(search.model, graph),
      placed: placedOf(search.model, graph),
      hosts,
    }
    return
  }
  for (const [before, after] of [
    [pair.a, pair.b],
    [pair.b, pair.a],
  ] as const) {
    const next = graph.copy()
    if (
      !addAll(
        next,
        [
          {
            from: endOf(search.model, before.last),
            to: startOf(search.model, after.first),
            weight: 0,
            why: `${pair.why}: ${before.name}, ${after.name}`,
          },
        ],
        search,
      )
    )
      settle(search, next, hosts)
  }
}

/** The undecided pair that overlaps earliest; ties by the order of the pairs. */
function firstOverlap(
  model: Model,
  graph: DifferenceGraph,
  hosts: ReadonlyMap<string, string>,
): Pair | undefined {
  const at = (node: number) => graph.least[node]!
  let found: Pair | undefined
  let when = Infinity
  for (const pair of model.pairs) {
    if (
      pair.over &&
      model.parts.get(hosts.get(pair.over.chainId) ?? '')?.chain.id === pair.over.hostId
    )
      continue
    const from = Math.max(at(startOf(model, pair.a.first)), at(startOf(model, pair.b.first)))
    const to = Math.min(at(endOf(model, pair.a.last)), at(endOf(model, pair.b.last)))
    if (from < to && from < when) [found, when] = [pair, from]
  }
  return found
}

function makespan(model: Model, graph: DifferenceGraph): number {
  let span = 0
  for (const [id, { chain }] of model.parts)
    if (!isReserved(chain)) span = Math.max(span, graph.least[endOf(model, id)]!)
  return span
}

/** Seconds by which dwells last longer than fitted. */
function stretch(model: Model, graph: DifferenceGraph): number {
  let sum = 0
  for (const [id, { part }] of model.parts)
    sum += graph.least[endOf(model, id)]! - graph.least[startOf(model, id)]! - part.leastS
  return sum
}

const placedOf = (model: Model, graph: DifferenceGraph): Placed[] =>
  [...model.parts]
    .filter(([, { chain }]) => !isReserved(chain))
    .map(([partId]) => ({
      partId,
      startS: graph.least[startOf(model, partId)]!,
      endS: graph.least[endOf(model, partId)]!,
    }))
