import type { MapView, MuscleId } from '#core/skin'
import { MAP_WIDTH } from './shapes'

type Point = readonly [number, number]
/** Where a muscle begins, bends and ends on the client's right as drawn, in the map's own units; the other side is its mirror. */
interface Belly {
  readonly view: MapView
  readonly lines: readonly (readonly [Point, Point, Point])[]
  readonly middle?: true
}

// Directions and proportions for the hand, not an atlas.
const BELLIES: Readonly<Record<MuscleId, Belly>> = {
  frontalis: {
    view: 'front',
    lines: [
      [
        [168, 84],
        [166, 116],
        [164, 150],
      ],
      [
        [138, 94],
        [134, 120],
        [132, 152],
      ],
    ],
  },
  procerus: {
    view: 'front',
    lines: [
      [
        [200, 212],
        [200, 190],
        [200, 160],
      ],
    ],
    middle: true,
  },
  corrugator: {
    view: 'front',
    lines: [
      [
        [186, 170],
        [172, 160],
        [154, 156],
      ],
    ],
  },
  temporalis: {
    view: 'front',
    lines: [
      [
        [98, 132],
        [88, 170],
        [90, 226],
      ],
    ],
  },
  nasalis: {
    view: 'front',
    lines: [
      [
        [172, 292],
        [180, 266],
        [194, 246],
      ],
    ],
  },
  'levator labii': {
    view: 'front',
    lines: [
      [
        [160, 240],
        [166, 286],
        [174, 326],
      ],
    ],
  },
  'zygomaticus minor': {
    view: 'front',
    lines: [
      [
        [132, 248],
        [146, 290],
        [164, 328],
      ],
    ],
  },
  'zygomaticus major': {
    view: 'front',
    lines: [
      [
        [110, 258],
        [128, 304],
        [150, 342],
      ],
    ],
  },
  masseter: {
    view: 'front',
    lines: [
      [
        [94, 270],
        [92, 316],
        [102, 366],
      ],
    ],
  },
  risorius: {
    view: 'front',
    lines: [
      [
        [104, 332],
        [126, 344],
        [148, 350],
      ],
    ],
  },
  'depressor anguli': {
    view: 'front',
    lines: [
      [
        [146, 412],
        [144, 386],
        [152, 360],
      ],
    ],
  },
  'depressor labii': {
    view: 'front',
    lines: [
      [
        [168, 426],
        [170, 402],
        [178, 376],
      ],
    ],
  },
  mentalis: {
    view: 'front',
    lines: [
      [
        [192, 384],
        [190, 408],
        [188, 432],
      ],
    ],
  },
  sternomastoid: {
    view: 'neck',
    lines: [
      [
        [190, 268],
        [146, 190],
        [106, 110],
      ],
    ],
  },
  platysma: {
    view: 'neck',
    lines: [
      [
        [120, 316],
        [140, 216],
        [150, 108],
      ],
      [
        [164, 316],
        [172, 216],
        [178, 116],
      ],
    ],
  },
}
/** The rings of eye and mouth on the front view: middle and half widths. */
export const RING_SHAPES: readonly (readonly [Point, number, number])[] = [
  [[147, 198], 44, 28],
  [[MAP_WIDTH - 147, 198], 44, 28],
  [[200, 346], 48, 26],
]

export interface DrawnMuscle {
  readonly key: string
  readonly id: MuscleId
  /** From its origin to its insertion. */
  readonly d: string
}
const mirrored = ([x, y]: Point): Point => [MAP_WIDTH - x, y]
const curve = ([from, bend, to]: readonly Point[]): string =>
  `M${from![0]} ${from![1]} Q${bend![0]} ${bend![1]} ${to![0]} ${to![1]}`

/** The lines of muscles on one view, both sides. */
export function musclesOn(view: MapView, ids: readonly MuscleId[]): DrawnMuscle[] {
  return ids.flatMap((id) => {
    const belly = BELLIES[id]
    if (belly.view !== view) return []
    const sides = belly.middle
      ? [belly.lines]
      : [belly.lines, belly.lines.map((line) => line.map(mirrored))]
    return sides.flatMap((lines, side) =>
      lines.map((line, at) => ({ key: `${id}-${side}-${at}`, id, d: curve(line) })),
    )
  })
}
/** Views that these muscles lie on, the front one first. */
export const viewsOf = (ids: readonly MuscleId[]): MapView[] =>
  (['front', 'neck'] as const).filter((view) => ids.some((id) => BELLIES[id].view === view))
