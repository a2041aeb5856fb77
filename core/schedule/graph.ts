/**
 * A system of difference constraints start(b) ≥ start(a) + w, solved by longest paths. Nodes are numbered; node 0 is time 0.
 * Adding an edge keeps the least solution up to date; a positive cycle means the constraints clash.
 */
export interface Edge {
  readonly from: number
  readonly to: number
  readonly weight: number
  /** In words, for an explanation. */ readonly why: string
}

export class DifferenceGraph {
  private readonly out: Edge[][]
  /** Least start of every node, in seconds. */
  readonly least: Float64Array
  private readonly by: (Edge | undefined)[]

  constructor(size: number, from?: DifferenceGraph) {
    this.out = from ? from.out.map((edges) => [...edges]) : Array.from({ length: size }, () => [])
    this.least = from ? Float64Array.from(from.least) : new Float64Array(size)
    this.by = from ? [...from.by] : new Array<Edge | undefined>(size).fill(undefined)
  }

  copy(): DifferenceGraph {
    return new DifferenceGraph(this.least.length, this)
  }

  /** Adds a constraint. Gives the clashing reasons when it closes a positive cycle, else undefined. */
  add(edge: Edge): readonly string[] | undefined {
    this.out[edge.from]!.push(edge)
    if (this.least[edge.from]! + edge.weight <= this.least[edge.to]!) return undefined
    return this.relax(edge)
  }

  /**
   * Pushes one raised bound through the graph. The graph was consistent before this edge, so a positive cycle must run
   * through it: it exists exactly when the wave comes back and raises the edge's own tail.
   */
  private relax(first: Edge): readonly string[] | undefined {
    this.raise(first)
    const queue = [first.to]
    const queued = new Set(queue)
    for (let head = 0; head < queue.length; head++) {
      const node = queue[head]!
      queued.delete(node)
      for (const edge of this.out[node]!) {
        if (this.least[node]! + edge.weight <= this.least[edge.to]!) continue
        this.raise(edge)
        if (edge.to === first.from) return this.cycle(edge, first)
        if (!queued.has(edge.to)) {
          queued.add(edge.to)
          queue.push(edge.to)
        }
      }
    }
    return undefined
  }

  private raise(edge: Edge) {
    this.least[edge.to] = this.least[edge.from]! + edge.weight
    this.by[edge.to] = edge
  }

  private cycle(last: Edge, first: Edge): readonly string[] {
    const reasons = [first.why]
    let edge: Edge | undefined = last
    for (let steps = 0; edge && edge !== first && steps < this.by.length; steps++) {
      reasons.push(edge.why)
      edge = this.by[edge.from]
    }
    return [...new Set(reasons.filter(Boolean))]
  }
}
