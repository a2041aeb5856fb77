import { durationInWords } from '../quantity/time'
import {
  chainsMeet,
  handsOf,
  isFloating,
  isPinned,
  isReserved,
  liesBeside,
  onSkin,
  partsOf,
} from './chain'
import type { Edge } from './graph'
import { endOf, nameIn, startOf, type Model } from './model'
import { nameOf, type Chain, type Lag, type Part } from './problem'

/** Everything the ladder fixes: lengths, written order, lags, what has begun, what is reserved. */
export function* fixedEdges(model: Model): Generator<Edge> {
  for (const chain of model.problem.chains) yield* chainEdges(model, chain)
  yield* writtenOrderEdges(model)
  for (const lag of model.problem.lags) yield* lagEdges(model, lag)
}

/** A floating step lies within the dwell that hosts it. */
export function* hangEdges(model: Model, chain: Chain, partId: string): Generator<Edge> {
  const why = `${nameOf(chain)} hangs under ${nameIn(model, partId)}`
  yield { from: startOf(model, partId), to: startOf(model, chain.parts[0]!.id), weight: 0, why }
  yield { from: endOf(model, chain.parts.at(-1)!.id), to: endOf(model, partId), weight: 0, why }
}

function* chainEdges(model: Model, chain: Chain): Generator<Edge> {
  for (const part of partsOf(chain)) {
    yield* beginningEdges(model, chain, part)
    yield* lengthEdges(model, part)
  }
  yield* succession(model, chain)
  yield* preparationEdges(model, chain)
}

/** When a part may begin: where it is reserved or has begun, there and nowhere else. */
function* beginningEdges(model: Model, chain: Chain, part: Part): Generator<Edge> {
  const { pins, notBeforeS } = model.problem
  const { reservedFromS } = chain
  const start = startOf(model, part.id)
  const pin = pins?.get(part.id)
  if (reservedFromS !== undefined)
    yield { from: start, to: 0, weight: -reservedFromS, why: `${nameOf(part)} is reserved` }
  const earliestS = reservedFromS ?? pin?.startS ?? notBeforeS ?? 0
  yield { from: 0, to: start, weight: earliestS, why: '' }
  if (pin) yield { from: start, to: 0, weight: -pin.startS, why: `${nameOf(part)} has begun` }
}

function* lengthEdges(model: Model, part: Part): Generator<Edge> {
  const [start, end] = [startOf(model, part.id), endOf(model, part.id)]
  const [least, most] = [part.leastS, part.mostS].map(durationInWords)
  const name = nameOf(part)
  yield { from: start, to: end, weight: part.leastS, why: `${name} takes ${least}` }
  yield { from: end, to: start, weight: -part.mostS, why: `${name} lasts ${most} at the most` }
}

/** The parts of a step follow one another without a gap. */
function* succession(model: Model, chain: Chain): Generator<Edge> {
  for (const [at, part] of chain.parts.slice(1).entries()) {
    const before = chain.parts[at]!
    if (isPinned(model.problem, part) && isPinned(model.problem, before)) continue
    const [end, start] = [endOf(model, before.id), startOf(model, part.id)]
    yield { from: end, to: start, weight: 0, why: '' }
    const why = `${nameOf(part)} follows ${nameOf(before)} at once`
    yield { from: start, to: end, weight: 0, why }
  }
}

/** What is mixed rests, stands and sets by its own times. */
function* preparationEdges(model: Model, chain: Chain): Generator<Edge> {
  const { prepare } = chain
  const first = chain.parts[0]
  if (!prepare || !first || isPinned(model.problem, prepare.part)) return
  const { restS, potLifeS, workingS } = prepare
  const mixed = endOf(model, prepare.part.id)
  const [start, end] = [startOf(model, first.id), endOf(model, first.id)]
  yield {
    from: mixed,
    to: start,
    weight: restS ?? 0,
    why: restS ? `${nameOf(chain)} rests ${durationInWords(restS)} after mixing` : '',
  }
  yield {
    from: start,
    to: mixed,
    weight: -potLifeS,
    why: `${nameOf(prepare.part)} stands ${durationInWords(potLifeS)} at the most`,
  }
  if (workingS === undefined) return
  const why = `${nameOf(chain)} sets ${durationInWords(workingS)} after mixing`
  yield { from: end, to: mixed, weight: -workingS, why }
}

function* writtenOrderEdges(model: Model): Generator<Edge> {
  const { chains, pins } = model.problem
  const fixed = chains.filter((chain) => !isFloating(chain) && !isReserved(chain))
  // Hands follow from one step to the next; only what has begun or lies side by side needs every pair.
  const everyPair = pins !== undefined || fixed.some((chain) => chain.beside !== undefined)
  for (const [at, chain] of fixed.entries()) {
    let reached = false
    for (const next of fixed.slice(at + 1)) {
      if (everyPair || !reached) yield* handOrder(model, chain, next)
      yield* zoneOrder(model, chain, next)
      reached ||= next.parts.some((part) => part.hands)
    }
  }
}

/** Written order of two fixed steps' hands. */
function* handOrder(model: Model, a: Chain, b: Chain): Generator<Edge> {
  // Side by side only the beginning is in written order.
  const last = liesBeside(a, b) ? handsOf(a)[0] : handsOf(a).at(-1)
  const first = handsOf(b)[0]
  if (!last || !first || isPinned(model.problem, first)) return
  yield {
    from: endOf(model, last.id),
    to: startOf(model, first.id),
    weight: 0,
    why: `${nameOf(b)} is written after ${nameOf(a)}`,
  }
}

/** Written order of two fixed steps on shared zones: the whole of each. */
function* zoneOrder(model: Model, a: Chain, b: Chain): Generator<Edge> {
  const [on, next] = [onSkin(a), onSkin(b)]
  if (!on || !next || !chainsMeet(a, b) || model.problem.pins?.has(next.first)) return
  yield {
    from: endOf(model, on.last),
    to: startOf(model, next.first),
    weight: 0,
    why: `${nameOf(b)} is written after ${nameOf(a)}`,
  }
}

function* lagEdges(model: Model, { fromPart, toPart, minS, maxS }: Lag): Generator<Edge> {
  const [from, to] = [endOf(model, fromPart), startOf(model, toPart)]
  const [before, after] = [nameIn(model, fromPart), nameIn(model, toPart)]
  const soonest = `${after} at the soonest ${durationInWords(minS)} after ${before}`
  yield { from, to, weight: minS, why: soonest }
  if (maxS === undefined) return
  const latest = `${after} at the latest ${durationInWords(maxS)} after ${before}`
  yield { from: to, to: from, weight: -maxS, why: latest }
}
