import { isTwoSided } from '../protocol/movement'
import type { Movement } from '../protocol/model'

/** One movement on one side, or on both at once: so many strokes of so many seconds, from then to then. */
export interface Played {
  /** Which movement of the list, from 0. */
  readonly at: number
  readonly movement: Movement
  /** `second`: the same, mirrored. */
  readonly side: 'both' | 'first' | 'second'
  readonly strokes: number
  readonly strokeS: number
  readonly fromS: number
  readonly toS: number
}

/** One stroke more of what the hands are in, or enough of it; seconds since the work began. */
export interface Correction {
  readonly way: 'again' | 'enough'
  readonly atS: number
}

/** A stroke is neither hurried nor drawn out beyond this share of its written time (house figures). */
const HURRIED = 0.67
const DRAWN_OUT = 1.5

/** One movement on one side that is still to come; `exactly`: the second side gets what the first one had. */
interface Ahead {
  readonly at: number
  readonly movement: Movement
  readonly side: Played['side']
  readonly exactly?: number
}

/**
 * A massage as it is played within its time, stroke by stroke: repetitions as written, as many fewer or more as the time is
 * shorter or longer, at their written tempo. *Again* adds a stroke to the movement in hand, *enough* goes on to the next one;
 * what is left shares the time that is left, so that the work ends with its clock. Movements for which it is too short are
 * not played. The second side gets as many strokes as the first.
 */
export function played(
  movements: readonly Movement[],
  lengthS: number,
  corrections: readonly Correction[],
): Played[] {
  let list = sharedOut(ahead(movements), 0, lengthS)
  for (const { way, atS } of corrections.toSorted((a, b) => a.atS - b.atS))
    list = corrected(list, movements, lengthS, way, atS)
  return list
}

/** The part in hand and its stroke, from 1, with how far that stroke has come (0 … 1); undefined after the last one. */
export function strokeNow(
  list: readonly Played[],
  atS: number,
): { readonly part: Played; readonly stroke: number; readonly phase: number } | undefined {
  const part = list.find(({ fromS, toS }) => fromS <= atS && atS < toS)
  if (!part) return undefined
  const done = (atS - part.fromS) / part.strokeS
  const before = Math.min(part.strokes - 1, Math.floor(done))
  return { part, stroke: before + 1, phase: Math.min(1, done - before) }
}

function ahead(movements: readonly Movement[], from = 0): Ahead[] {
  return movements.slice(from).flatMap((movement, index): Ahead[] => {
    const one = { at: from + index, movement }
    return isTwoSided(movement)
      ? [
          { ...one, side: 'first' },
          { ...one, side: 'second' },
        ]
      : [{ ...one, side: 'both' }]
  })
}

/** What is to come, within the time there is. */
function sharedOut(all: readonly Ahead[], fromS: number, toS: number): Played[] {
  const leftS = toS - fromS
  let coming = all
  while (coming.length > 0) {
    if (coming.length === 1 && coming[0]!.exactly) return secondSide(coming[0]!, fromS, leftS)
    const [settled, free] = [coming.filter(isSettled), coming.filter((one) => !isSettled(one))]
    const share = (leftS - writtenS(settled)) / writtenS(free)
    const counted = coming.map((one) => ({ ...one, strokes: count(one, share) }))
    const tempo = leftS / sum(counted, (one) => one.strokes * one.movement.secondsEach)
    if (tempo >= HURRIED) return laid(counted, fromS, Math.min(tempo, DRAWN_OUT))
    coming = withoutLast(coming)
  }
  return []
}
/** The second side is not left out where a stroke of it still fits; then it gets as many as do. */
function secondSide(one: Ahead, fromS: number, leftS: number): Played[] {
  const { secondsEach } = one.movement
  const fitting = Math.floor(leftS / (secondsEach * HURRIED))
  const strokes = Math.min(one.exactly!, fitting)
  if (strokes < 1) return []
  return laid([{ ...one, strokes }], fromS, Math.min(leftS / (strokes * secondsEach), DRAWN_OUT))
}
const isSettled = ({ exactly }: Ahead): boolean => exactly !== undefined
const writtenS = (all: readonly Ahead[]): number =>
  sum(all, (one) => wanted(one) * one.movement.secondsEach)
const wanted = ({ movement, exactly }: Ahead): number => exactly ?? movement.repetitions
const count = (one: Ahead, share: number): number =>
  one.exactly ?? Math.max(1, Math.round(one.movement.repetitions * Math.min(share, DRAWN_OUT)))
const sum = <T>(all: readonly T[], of: (one: T) => number): number =>
  all.reduce((total, one) => total + of(one), 0)

/** Both sides of a movement go together, unless one of them is done. */
function withoutLast(coming: readonly Ahead[]): readonly Ahead[] {
  const last = coming.at(-1)!.at
  return coming.filter(({ at }) => at !== last)
}

function laid(
  counted: readonly (Ahead & { strokes: number })[],
  fromS: number,
  tempo: number,
): Played[] {
  let begins = fromS
  return counted.map(({ at, movement, side, strokes }) => {
    const strokeS = movement.secondsEach * tempo
    const part = { at, movement, side, strokes, strokeS, fromS: begins }
    begins += strokes * strokeS
    return { ...part, toS: begins }
  })
}

function corrected(
  list: readonly Played[],
  movements: readonly Movement[],
  lengthS: number,
  way: Correction['way'],
  atS: number,
): Played[] {
  const now = strokeNow(list, atS)
  if (!now) return [...list]
  const { part, stroke } = now
  const strokes = way === 'again' ? part.strokes + 1 : stroke
  const toS = way === 'again' ? part.toS + part.strokeS : atS
  const past = list.slice(0, list.indexOf(part))
  const hand = { ...part, strokes, toS: Math.min(toS, lengthS) }
  const other: Ahead[] =
    part.side === 'first'
      ? [{ at: part.at, movement: part.movement, side: 'second', exactly: strokes }]
      : []
  const rest = [...other, ...ahead(movements, part.at + 1)]
  return [...past, hand, ...sharedOut(rest, hand.toS, lengthS)]
}
