import type { Chances } from '#core/risk'

/** One seed for every screen: the same ladder shows the same figure wherever it is opened. */
export const RISK_SEED = 20_261_125
/** Above this a visit is likely enough to run over to say so in colour. */
const HIGH = 0.2
const NAMED = 2

/** The chance of running over in a sentence: "Runs over 3 times in 100", when it ends, and what decides it. */
export function chanceWords(
  risk: Chances,
  titleOf: (stepId: string) => string,
  clock: (seconds: number) => string,
): { chance: string; rest: string; high: boolean } {
  const drivers = risk.drivers.slice(0, NAMED).map((driver) => titleOf(driver.stepId))
  const decide = drivers.length > 1 ? 'decide' : 'decides'
  const decided = drivers.length > 0 ? `; ${drivers.join(' and ')} ${decide} it` : ''
  return {
    chance: overWords(risk.over),
    rest: `· likely done ${clock(risk.p50S)}, nine in ten by ${clock(risk.p90S)}${decided}`,
    high: risk.over >= HIGH,
  }
}

function overWords(over: number): string {
  const hundredth = Math.round(over * 100)
  if (over === 0) return 'Hardly ever runs over'
  if (hundredth < 1) return 'Runs over less than once in 100'
  if (hundredth > 99) return 'Runs over nearly always'
  return `Runs over ${hundredth} ${hundredth === 1 ? 'time' : 'times'} in 100`
}
