import type { Movement, PathId } from '#core/protocol'
import type { MapView } from '#core/skin'
import { MAP_WIDTH } from './shapes'

type Point = readonly [number, number]
/** A stroke on the client's right as drawn from the front or the neck, in the map's own units; the other side is its mirror. */
interface Stroke {
  readonly view: MapView
  readonly line?: readonly Point[]
  readonly circle?: readonly [Point, number, number]
  readonly points?: readonly Point[]
  readonly middle?: true
}

const STROKES: Partial<Record<PathId, Stroke>> = {
  'chin-earlobe': {
    view: 'front',
    line: [
      [190, 436],
      [136, 410],
      [78, 322],
    ],
  },
  'mouth-ear': {
    view: 'front',
    line: [
      [154, 344],
      [112, 318],
      [70, 262],
    ],
  },
  'nose-temple': {
    view: 'front',
    line: [
      [164, 282],
      [118, 250],
      [86, 170],
    ],
  },
  brow: {
    view: 'front',
    line: [
      [184, 163],
      [148, 152],
      [110, 168],
    ],
  },
  'forehead-hairline': {
    view: 'front',
    line: [
      [200, 152],
      [200, 84],
    ],
    middle: true,
  },
  'jaw-cheek': {
    view: 'front',
    line: [
      [146, 424],
      [112, 378],
      [104, 292],
    ],
  },
  'eye-circle': { view: 'front', circle: [[147, 198], 46, 32] },
  'cheek-circles': { view: 'front', circle: [[116, 308], 28, 28] },
  'temple-point': { view: 'front', points: [[92, 152]] },
  'brow-points': {
    view: 'front',
    points: [
      [178, 161],
      [148, 154],
      [118, 164],
    ],
  },
  nasolabial: {
    view: 'front',
    line: [
      [166, 290],
      [150, 326],
      [148, 348],
    ],
  },
  'lip-line': {
    view: 'front',
    line: [
      [160, 340],
      [200, 328],
      [240, 340],
    ],
    middle: true,
  },
  'throat-jaw': {
    view: 'neck',
    line: [
      [170, 226],
      [160, 150],
      [148, 100],
    ],
  },
  'chest-shoulder': {
    view: 'neck',
    line: [
      [196, 330],
      [130, 300],
      [44, 250],
    ],
  },
}

const mirrored = ([x, y]: Point): Point => [MAP_WIDTH - x, y]
export interface DrawnStroke {
  readonly id: string
  readonly path: PathId
  readonly d: string
  readonly arrow: boolean
  /** A point goes along it; points are pressed where they are. */ readonly travels: boolean
  readonly second: boolean
  readonly at: Point
}

const curve = (points: readonly Point[]): string =>
  points.length === 3
    ? `M${points[0]![0]} ${points[0]![1]} Q${points[1]![0]} ${points[1]![1]} ${points[2]![0]} ${points[2]![1]}`
    : `M${points.map(([x, y]) => `${x} ${y}`).join(' L')}`
const oval = ([[x, y], rx, ry]: NonNullable<Stroke['circle']>): string =>
  `M${x - rx} ${y} A${rx} ${ry} 0 1 1 ${x + rx} ${y} A${rx} ${ry} 0 1 1 ${x - rx} ${y}`
const dots = (points: readonly Point[]): string =>
  points.map(([x, y]) => `M${x - 5} ${y} a5 5 0 1 0 10 0 a5 5 0 1 0 -10 0`).join(' ')

function outlineOf({ line, circle, points }: Stroke, turn: (point: Point) => Point): string {
  if (line) return curve(line.map(turn))
  return circle ? oval([turn(circle[0]), circle[1], circle[2]]) : dots(points!.map(turn))
}

function drawn(movement: Movement, stroke: Stroke, second: boolean): DrawnStroke {
  const turn = second ? mirrored : (point: Point) => point
  const at = turn(
    stroke.line?.[0] ??
      stroke.points?.[0] ?? [stroke.circle![0][0] - stroke.circle![1], stroke.circle![0][1]],
  )
  const d = outlineOf(stroke, turn)
  return {
    id: `${movement.id}${second ? '-other' : ''}`,
    path: movement.path,
    d,
    arrow: stroke.line !== undefined,
    travels: stroke.points === undefined,
    second,
    at,
  }
}

/** The lines of movements on one view of the map; both sides, the later side marked where one follows the other. */
export function strokesOn(view: MapView, movements: readonly Movement[]): DrawnStroke[] {
  return movements.flatMap((movement) => {
    const stroke = STROKES[movement.path]
    if (!stroke || stroke.view !== view) return []
    return stroke.middle
      ? [drawn(movement, stroke, false)]
      : [drawn(movement, stroke, false), drawn(movement, stroke, true)]
  })
}

/** Movements away from what the map shows: the nape, the scalp, the hands. */
export const offTheMap = (movements: readonly Movement[]): Movement[] =>
  movements.filter((movement) => STROKES[movement.path] === undefined)
/** The view on which most of these movements lie. */
export const viewFor = (movements: readonly Movement[]): MapView =>
  movements.filter((movement) => STROKES[movement.path]?.view === 'neck').length >
  movements.filter((movement) => STROKES[movement.path]?.view === 'front').length
    ? 'neck'
    : 'front'
