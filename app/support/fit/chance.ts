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
  const hundredth = Math.round(risk.over * 100)
  const chance =
    risk.over === 0
      ? 'Hardly ever runs over'
      : hundredth < 1
        ? 'Runs over less than once in 100'
        : hundredth > 99
          ? 'Runs over nearly always'
          : `Runs over ${hundredth} ${hundredth === 1 ? 'time' : 'times'} in 100`
  const drivers = risk.drivers.slice(0, NAMED).map((one) => titleOf(one.stepId))
  return {
    chance,
    rest: `· likely done ${clock(risk.p50S)}, nine in ten by ${clock(risk.p90S)}${drivers.length > 0 ? `; ${drivers.join(' and ')} ${drivers.length > 1 ? 'decide' : 'decides'} it` : ''}`,
    high: risk.over >= HIGH,
  }
}
