import type { Movement, Segment, Step } from './model'

/** Lines of travel that recur, as drawn on the face map; a point is pressed and held. */
export const PATHS = [
  'chin-earlobe',
  'mouth-ear',
  'nose-temple',
  'brow',
  'forehead-hairline',
  'jaw-cheek',
  'eye-circle',
  'throat-jaw',
  'chest-shoulder',
  'nape',
  'cheek-circles',
  'temple-point',
  'brow-points',
  'nasolabial',
  'lip-line',
  'scalp-circles',
  'hand-strokes',
] as const
export type PathId = (typeof PATHS)[number]
export const PATH_WORDS: Readonly<Record<PathId, string>> = {
  'chin-earlobe': 'chin to earlobe',
  'mouth-ear': 'mouth corner to ear',
  'nose-temple': 'nose wing to temple',
  brow: 'brow, start to end',
  'forehead-hairline': 'forehead to hairline',
  'jaw-cheek': 'jaw to cheek',
  'eye-circle': 'round the eye',
  'throat-jaw': 'throat to jaw, light',
  'chest-shoulder': 'chest to shoulder',
  nape: 'nape, upward',
  'cheek-circles': 'circles on the cheek',
  'temple-point': 'point at the temple',
  'brow-points': 'points along the brow',
  nasolabial: 'nose to mouth fold',
  'lip-line': 'along the lip line',
  'scalp-circles': 'circles on the scalp',
  'hand-strokes': 'hand, wrist to finger',
}
/** Paths on the middle line: there is no other side to do. */
const MIDDLE: readonly PathId[] = ['forehead-hairline', 'lip-line', 'nape', 'scalp-circles']

export const PRESSURES = ['light', 'medium', 'firm'] as const
export const SIDES = ['both at once', 'each'] as const
export const WITH = ['hands', 'ring finger', 'tool', 'probe and guiding hand'] as const
export const MOVEMENT_TYPES = [
  'effleurage',
  'petrissage',
  'friction',
  'tapotement',
  'vibration',
  'press and hold',
] as const

export const PASS_PATTERNS = [
  'point to point, then slow slides',
  'small circles',
  'slow slides',
  'line: dots, through and back, tiny circles',
  'scar or pigment: dots, then circles',
  'side to side',
] as const
/** Seconds of one movement, the other side included. */
export const movementSeconds = ({ path, repetitions, secondsEach, sides }: Movement): number =>
  repetitions * secondsEach * (sides === 'each' && !MIDDLE.includes(path) ? 2 : 1)

/** Seconds of a list of movements, rounded up to whole seconds. */
export const movementsSeconds = (movements: readonly Movement[]): number =>
  Math.ceil(movements.reduce((sum, one) => sum + movementSeconds(one), 0))

/** Shortest and longest of a massage against its sum: a third fewer repetitions, half as many again (house figures). */
const FEWEST = 0.67
const MOST = 1.5

/** The step with its hands-on minutes computed from its movements; with polarity halves every half gets the whole list. */
export function timedByMovements(step: Step): Step {
  if (!step.movements || step.movements.length === 0) return step
  const usualS = movementsSeconds(step.movements)
  const timed = (part: Segment): Segment => ({
    ...part,
    usualS,
    minS: Math.floor(usualS * FEWEST),
    maxS: Math.ceil(usualS * MOST),
  })
  const halves = step.segments.filter((part) => part.polarity)
  const first = step.segments.find((part) => part.kind === 'apply')
  return {
    ...step,
    segments: step.segments.map((part) =>
      (halves.length > 0 ? part.polarity !== undefined : part === first) ? timed(part) : part,
    ),
  }
}
