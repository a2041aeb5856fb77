import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { FittedPlan } from '../adapt/plan'
import type { Phase } from '../protocol/words'
import { logMeanOf, NO_PACE, spreadOf, type Pace } from './pace'
import { retimer } from './retime'

/** Chance that a visit runs over, and what drives it. Seconds. */
export interface Chances {
  readonly runs: number
  /** 0…1. */
  readonly over: number
  /** As likely earlier as later; nine in ten end by. */
  readonly p50S: number
  readonly p90S: number
  /** Steps by their share of the spread, the largest first; shares sum to at most 1, the rest is the day itself. */
  readonly drivers: readonly { readonly stepId: string; readonly share: number }[]
}

export interface ChanceInput {
  readonly plan: Pick<FittedPlan, 'steps' | 'segments'>
  readonly slotS: number
  readonly seed: number
  readonly pace?: Pace
  readonly runs?: number
  /** Spread of the log per kind of step, and of what all steps of one visit share. Default: house figures. */
  readonly spread?: (kind: Phase) => number
  readonly common?: number
}

const RUNS = 10_000
/** Steps run late together: the client talks, the day is slow (house figure; common practice, no source). */
const COMMON_SPREAD = 0.06
const WORTH_TELLING = 0.05

/**
 * Monte Carlo over hands-on times: per step log-normal with the practitioner's own log-mean, times one log-normal factor that the whole
 * visit shares (independent steps would understate the risk). Dwells keep their time. Seeded: the same input gives the same figures.
 */
export function chances({
  plan,
  slotS,
  seed,
  pace = NO_PACE,
  runs = RUNS,
  spread = spreadOf,
  common = COMMON_SPREAD,
}: ChanceInput): Chances {
  const { handsS, totalS } = retimer(plan)
  const rng = xoroshiro128plus(seed)
  // Box–Muller gives pairs; one of each is kept for the next call.
  let spare: number | undefined
  const normal = (): number => {
    if (spare !== undefined) {
      const kept = spare
      spare = undefined
      return kept
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniformFloat64(rng)))
    const angle = 2 * Math.PI * uniformFloat64(rng)
    spare = radius * Math.sin(angle)
    return radius * Math.cos(angle)
  }
  const means = plan.steps.map((step) => logMeanOf(pace, step.phase))
  const spreads = plan.steps.map((step) => spread(step.phase))
  const factors = new Float64Array(plan.steps.length)
  const own = plan.steps.map(() => new Float64Array(runs))
  const totals = new Float64Array(runs)
  for (let run = 0; run < runs; run++) {
    const day = Math.exp(common * normal())
    for (let step = 0; step < factors.length; step++) {
      const alone = Math.exp(means[step]! + spreads[step]! * normal())
      own[step]![run] = handsS[step]! * alone
      factors[step] = day * alone
    }
    totals[run] = totalS(factors)
  }
  const sorted = [...totals].sort((a, b) => a - b)
  const quantile = (part: number) =>
    Math.round(sorted[Math.min(runs - 1, Math.floor(part * runs))]!)
  return {
    runs,
    over: totals.filter((total) => total > slotS).length / runs,
    p50S: quantile(0.5),
    p90S: quantile(0.9),
    drivers: driversOf(plan, own, totals),
  }
}

function driversOf(
  plan: ChanceInput['plan'],
  own: readonly Float64Array[],
  totals: Float64Array,
): Chances['drivers'] {
  const variance = covariance(totals, totals)
  if (variance === 0) return []
  return plan.steps
    .map((step, at) => ({ stepId: step.id, share: covariance(own[at]!, totals) / variance }))
    .filter((driver) => driver.share >= WORTH_TELLING)
    .sort((a, b) => b.share - a.share)
}

function covariance(a: Float64Array, b: Float64Array): number {
  const mean = (values: Float64Array) =>
    values.reduce((sum, value) => sum + value, 0) / values.length
  const [meanA, meanB] = [mean(a), mean(b)]
  return a.reduce((sum, value, at) => sum + (value - meanA) * (b[at]! - meanB), 0) / a.length
}
