import { chainsMeet, handsOf, isFloating, leastSecondsOf, zonesOf } from './chain'
import { withoutRoom } from './capacity'
import { hangEdges } from './edges'
import type { DifferenceGraph, Edge } from './graph'
import { endOf, makespan, placedIn, startOf, stretchedSeconds, type Model } from './model'
import type { Pair } from './pairs'
import { durationInWords } from '../quantity/time'
import { nameOf, type Chain, type Placed, type PlacingProblem } from './problem'

/** Branches looked at for less stretching once nothing shorter is left to find. */
const TIE_LIMIT = 200

/** Floating step → the part it hangs under. */
type Hosts = ReadonlyMap<string, string>

export interface Found {
  readonly makespanS: number
  readonly stretchS: number
  readonly placed: readonly Placed[]
  readonly hosts: Hosts
}

export interface Search {
  readonly model: Model
  /** No placing is shorter: proven before the search begins. */
  readonly bound: number
  readonly nodeLimit: number
  best: Found | undefined
  nodes: number
  stopped: boolean
  clash: readonly string[]
  /** Branches tried for less stretching alone. */
  ties: number
}

export function beginSearch(model: Model, bound: number, nodeLimit: number): Search {
  return {
    model,
    bound,
    nodeLimit,
    best: undefined,
    nodes: 0,
    stopped: false,
    clash: [],
    ties: 0,
  }
}

/** Branches over hosts of the floating steps, then over pairs that still overlap; leaves the best in `search`. */
export function runSearch(search: Search, graph: DifferenceGraph): void {
  const floating = search.model.problem.chains.filter(isFloating)
  chooseHosts(search, graph, floating, new Map())
}

function chooseHosts(
  search: Search,
  graph: DifferenceGraph,
  waiting: readonly Chain[],
  hosts: Hosts,
): void {
  const [chain, ...rest] = waiting
  if (!chain) return settle(search, graph, hosts)
  const crowded = withoutRoom(search.model.problem, waiting, hosts)
  if (crowded) {
    search.clash = [`no room under the dwells for ${crowded.join(', ')}`]
    return
  }
  for (const choice of hostChoices(search, graph, chain, hosts)) {
    if (isOver(search) || isBest(search)) return
    if (worthTrying(search, choice.spanS, choice.stretchS))
      chooseHosts(search, choice.graph, rest, choice.hosts)
  }
}

interface HostChoice {
  readonly graph: DifferenceGraph
  readonly hosts: Hosts
  readonly spanS: number
  readonly stretchS: number
  readonly slackS: number
}

/** Every host that can still take the step, the one that costs least time first, then the one with the most time left. */
function hostChoices(
  search: Search,
  graph: DifferenceGraph,
  chain: Chain,
  hosts: Hosts,
): HostChoice[] {
  return chain
    .hosts!.flatMap((host) => hostChoice(search, graph, chain, host, hosts) ?? [])
    .sort((a, b) => a.spanS - b.spanS || a.stretchS - b.stretchS || b.slackS - a.slackS)
}

function hostChoice(
  search: Search,
  graph: DifferenceGraph,
  chain: Chain,
  host: NonNullable<Chain['hosts']>[number],
  hosts: Hosts,
): HostChoice | undefined {
  const { model } = search
  const owner = model.problem.chains.find((candidate) => candidate.id === host.chainId)
  const dwell = owner?.parts.find((part) => part.id === host.partId)
  if (!owner || !dwell || (!chain.over && chainsMeet(chain, owner))) return undefined
  const chosen = new Map(hosts).set(chain.id, host.partId)
  const loadS = hostLoad(model.problem, chosen, host.partId)
  const loaded: Edge = {
    from: startOf(model, host.partId),
    to: endOf(model, host.partId),
    weight: loadS,
    why: `what hangs under ${nameOf(dwell)} takes ${durationInWords(loadS)} of it`,
  }
  const next = graph.copy()
  if (clashes(next, [loaded, ...hangEdges(model, chain, host.partId)], search)) return undefined
  return {
    graph: next,
    hosts: chosen,
    spanS: makespan(model, next),
    stretchS: stretchedSeconds(model, next),
    slackS: dwell.mostS - loadS,
  }
}

/** Least length of a dwell under which these steps hang: their hands one after another, and steps on one zone one after another. */
function hostLoad(problem: PlacingProblem, hosts: Hosts, partId: string): number {
  const hung = problem.chains.filter((chain) => hosts.get(chain.id) === partId)
  const handsS = hung.reduce((sum, chain) => sum + leastSecondsOf(handsOf(chain)), 0)
  const onSkinS = (chain: Chain): number =>
    leastSecondsOf(chain.parts.filter((part) => part.zones.length > 0))
  const zones = [...new Set(hung.flatMap(zonesOf))]
  const byZone = zones.map((zone) =>
    hung
      .filter((chain) => zonesOf(chain).includes(zone))
      .reduce((sum, chain) => sum + onSkinS(chain), 0),
  )
  return Math.max(handsS, ...byZone)
}

/** Counts one branch, over hosts as over orders; true once there were too many. */
function isOver(search: Search): boolean {
  if (!search.stopped && ++search.nodes > search.nodeLimit) search.stopped = true
  return search.stopped
}

/** Nothing shorter exists, and nothing stretches. */
const isBest = (search: Search): boolean =>
  search.best?.makespanS === search.bound && search.best.stretchS === 0

/** Shorter than the best found; or as short with less stretching, as long as looking for that stays cheap. */
function worthTrying(search: Search, spanS: number, stretchS: number): boolean {
  const { best } = search
  if (!best || spanS < best.makespanS) return true
  if (spanS > best.makespanS || stretchS >= best.stretchS || search.ties >= TIE_LIMIT) return false
  search.ties++
  return true
}

function clashes(graph: DifferenceGraph, edges: Iterable<Edge>, search: Search): boolean {
  for (const edge of edges) {
    const clash = graph.add(edge)
    if (!clash) continue
    search.clash = clash
    return true
  }
  return false
}

/** Every host is chosen: the pairs that overlap are put one after another, both ways. */
function settle(search: Search, graph: DifferenceGraph, hosts: Hosts): void {
  if (isOver(search)) return
  const { model } = search
  const makespanS = makespan(model, graph)
  const stretchS = stretchedSeconds(model, graph)
  if (isBest(search) || !worthTrying(search, makespanS, stretchS)) return
  const pair = firstOverlap(model, graph, hosts)
  if (!pair) {
    search.best = { makespanS, stretchS, placed: placedIn(model, graph), hosts }
    return
  }
  for (const order of bothOrders(model, pair)) {
    const next = graph.copy()
    if (!clashes(next, [order], search)) settle(search, next, hosts)
  }
}

function bothOrders(model: Model, { a, b, why }: Pair): Edge[] {
  const orders = [
    [a, b],
    [b, a],
  ] as const
  return orders.map(([before, after]) => ({
    from: endOf(model, before.last),
    to: startOf(model, after.first),
    weight: 0,
    why: `${why}: ${before.name}, ${after.name}`,
  }))
}

/** The undecided pair that overlaps earliest; ties by the order of the pairs. */
function firstOverlap(model: Model, graph: DifferenceGraph, hosts: Hosts): Pair | undefined {
  const second = (node: number): number => graph.least[node]!
  let found: Pair | undefined
  let foundS = Infinity
  for (const pair of model.pairs) {
    if (mayOverlap(model, pair, hosts)) continue
    const { a, b } = pair
    const fromS = Math.max(second(startOf(model, a.first)), second(startOf(model, b.first)))
    const toS = Math.min(second(endOf(model, a.last)), second(endOf(model, b.last)))
    if (fromS < toS && fromS < foundS) [found, foundS] = [pair, fromS]
  }
  return found
}

/** A step that lies over its host, while it hangs there. */
function mayOverlap(model: Model, { over }: Pair, hosts: Hosts): boolean {
  if (!over) return false
  const host = model.parts.get(hosts.get(over.chainId) ?? '')
  return host?.chain.id === over.hostId
}
