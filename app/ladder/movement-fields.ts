import type { Movement, PathId } from '#core/protocol'

/** What a field of the movements’ list makes of them: pure, with the builder’s defaults and bounds. */

type Movements = readonly Movement[]

/** One movement changed. */
export const withMovement = (
  movements: Movements,
  at: number,
  more: Partial<Movement>,
): Movement[] =>
  movements.map((movement, index) => (index === at ? { ...movement, ...more } : movement))

export const withoutMovement = (movements: Movements, at: number): Movement[] =>
  movements.filter((_, index) => index !== at)

/** One movement a place up (-1) or down (1); at the end of the list nothing changes. */
export function withMovementMoved(movements: Movements, at: number, by: -1 | 1): Movement[] {
  const now = [...movements]
  const [here, there] = [now[at], now[at + by]]
  if (!here || !there) return now
  now[at] = there
  now[at + by] = here
  return now
}

/** What a movement begins as: gliding, light, six times four seconds on both sides. */
const NEW_MOVEMENT = {
  type: 'effleurage',
  repetitions: 6,
  pressure: 'light',
  secondsEach: 4,
  sides: 'both at once',
  with: 'hands',
} as const satisfies Partial<Movement>

export const withNewMovement = (movements: Movements, id: string, path: PathId): Movement[] => [
  ...movements,
  { id, path, ...NEW_MOVEMENT },
]

const MOST_REPETITIONS = 60
const LEAST_SECONDS = 0.5
const MOST_SECONDS = 120

/** Whole repetitions, one to sixty. */
export const repetitionsFrom = (typed: number): number =>
  Math.max(1, Math.min(MOST_REPETITIONS, Math.round(typed) || 1))

/** Seconds of one repetition, half a second to two minutes. */
export const secondsEachFrom = (typed: number): number =>
  Math.max(LEAST_SECONDS, Math.min(MOST_SECONDS, typed || LEAST_SECONDS))
