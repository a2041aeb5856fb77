import type { WeighedCard } from '~/composables/fit/useWhichCard'
import { halfMinutes } from '~/support/time'
import { goalWords } from '~/support/goals'

interface Reason {
  readonly words: string
  readonly isTrouble: boolean
}
const plainly = (words: string): Reason => ({ words, isTrouble: false })

/** Why a card stands where it stands, in short lines: what is wrong first, then what it does for the client's goals, then what it costs to take it. */
export function cardReasons(card: WeighedCard): Reason[] {
  const trouble = card.problems.slice(0, 2).map((words): Reason => ({ words, isTrouble: true }))
  if (card.totalS === 0) return trouble
  return [...trouble, plainly(goalsOf(card)), plainly(costsOf(card))]
}

function goalsOf({ serves }: WeighedCard): string {
  if (serves.length === 0) return 'No goals are named yet'
  return serves
    .map(
      ({ goal, steps }) => `${goalWords(goal)}: ${steps === 0 ? 'nothing' : stepsInWords(steps)}`,
    )
    .join(' · ')
}
const stepsInWords = (steps: number): string => (steps === 1 ? '1 step' : `${steps} steps`)

function costsOf({ changes, short, over, totalS, leastTotalS }: WeighedCard): string {
  const parts = [
    changes === 0 ? 'as written' : `${changes} ${changes === 1 ? 'change' : 'changes'}`,
    ...(leastTotalS < totalS ? [`${halfMinutes(leastTotalS)} min if nothing is found`] : []),
    ...(over === undefined ? [] : [overWords(over)]),
    ...(short.length > 0 ? [`short of ${short.join(', ')}`] : []),
  ]
  return parts.join(' · ')
}

function overWords(over: number): string {
  const times = Math.round(over * 100)
  return times === 0 ? 'hardly ever runs over' : `runs over ${times} in 100`
}
