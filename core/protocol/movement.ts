import type { Movement, Segment, Step } from './model'
import type { PathId } from './movement-words'

/** Paths on the middle line: there is no other side to do. */
const MIDDLE: readonly PathId[] = ['forehead-hairline', 'lip-line', 'nape', 'scalp-circles']

/** One side first, then the same mirrored. */
export const isTwoSided = ({ path, sides }: Movement): boolean =>
  sides === 'each' && !MIDDLE.includes(path)

/** Seconds of one movement, the other side included. */
export const movementSeconds = (movement: Movement): number =>
  movement.repetitions * movement.secondsEach * (isTwoSided(movement) ? 2 : 1)

/** Seconds of a list of movements, rounded up to whole seconds. */
export const movementsSeconds = (movements: readonly Movement[]): number =>
  Math.ceil(movements.reduce((sum, movement) => sum + movementSeconds(movement), 0))

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
