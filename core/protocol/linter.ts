import { FACE, zonesMeet } from '../skin/zones'
import {
  comesOff,
  earlier,
  has,
  isWork,
  type LintFinding,
  type Read,
  type Steps,
} from './linter-reading'
import { CHECKS } from './linter-checks'

// C15: what no skin takes, and what normal skin takes.
const ALLOWANCE_MOST = 3
const ALLOWANCE_NORMAL = 2

/** Checks of the whole ladder. `daytime`: the visit ends by daylight. */
const WHOLE: readonly ((steps: Steps, daytime: boolean) => LintFinding[])[] = [
  (steps, daytime) => {
    const treated = steps.some(
      (read) => read.step.phase === 'moisturise' || has(read, 'exfoliating'),
    )
    if (!daytime || !treated || steps.some((read) => has(read, 'sun-filter'))) return []
    return [
      {
        id: 'L11',
        level: 'wrong',
        stepId: steps.at(-1)!.step.id,
        says: 'A daytime visit ends without sun protection.',
        fix: 'Add sun protection after the moisturiser.',
      },
    ]
  },
  (steps) => {
    const over = (most: number): Read | undefined =>
      steps.find(
        (read, at) =>
          read.points > 0 &&
          read.points + earlier(steps, at).reduce((sum, other) => sum + other.points, 0) > most,
      )
    const [far, some] = [over(ALLOWANCE_MOST), over(ALLOWANCE_NORMAL)]
    if (far)
      return [
        {
          id: 'L19',
          level: 'wrong',
          stepId: far.step.id,
          says: `With ${far.step.title} the ladder exfoliates more than any skin takes.`,
          fix: 'Take one of the exfoliating steps out.',
        },
      ]
    return some
      ? [
          {
            id: 'L19',
            level: 'advice',
            stepId: some.step.id,
            says: `With ${some.step.title} the ladder exfoliates more than normal skin takes.`,
            fix: 'For resilient skin only; else it is left out.',
          },
        ]
      : []
  },
  (steps) => {
    const first = steps.findIndex(
      (read) => isWork(read) && !read.step.floating && zonesMeet(read.step.zones, FACE),
    )
    const isClean = steps
      .slice(0, first)
      .some((read) => has(read, 'cleansing') && zonesMeet(read.step.zones, FACE))
    if (first === -1 || isClean) return []
    const { id, title } = steps[first]!.step
    return [
      {
        id: 'L30',
        level: 'wrong',
        stepId: id,
        says: `${title} comes on skin that nothing has cleansed.`,
        fix: 'Cleanse first.',
      },
    ]
  },
  (steps, daytime) =>
    steps
      .filter((read) => daytime && has(read, 'retinoid') && !comesOff(read.step))
      .map((read) => ({
        id: 'L21',
        level: 'wrong' as const,
        stepId: read.step.id,
        says: `${read.step.title} leaves a retinoid on by day.`,
        fix: 'Keep it for the evening.',
      })),
]

/** Reads a ladder for wrong and unusual orders. `daytime`: the visit ends by daylight. */
export function lint(written: Steps, daytime: boolean): LintFinding[] {
  // What is written for the other time of day is not in this visit.
  const steps = written.filter(
    ({ step }) => !step.when?.time || (step.when.time === 'day') === daytime,
  )
  const single = CHECKS.flatMap(({ id, level, judge }) =>
    steps.flatMap((read, at) => {
      const found = judge(read, at, steps)
      return found ? [{ id, level, stepId: read.step.id, ...found }] : []
    }),
  )
  return [...single, ...WHOLE.flatMap((check) => check(steps, daytime))]
}

export type { LintFinding } from './linter-reading'
