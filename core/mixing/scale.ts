/** What a scale sends: grams on its pan, several times a second. */
export interface ScaleSample {
  readonly grams: number
  /** True once nothing moves any more. */ readonly steady: boolean
}

const POUR_SAMPLES = 12
const SETTLE_SAMPLES = 4
/** A careful hand is off by so much of what it wants, and a small scale shows hundredths. */
const HAND_ERROR = 0.02

/**
 * A simulated bench scale while somebody pours towards `target` grams: the weight rises, goes a little past or stays a little short, and
 * settles. `noise` gives 0..1 per call. Stands in for a device; the figures are invented.
 */
export function* scaleSamples(target: number, noise: () => number): Generator<ScaleSample> {
  const poured = target * (1 + (noise() - 0.5) * 2 * HAND_ERROR)
  for (let count = 1; ; count++) {
    const share = Math.min(1, count / POUR_SAMPLES)
    const steady = count >= POUR_SAMPLES + SETTLE_SAMPLES
    const shaking = steady ? 0 : (noise() - 0.5) * 0.04
    yield { grams: Math.max(0, Math.round((poured * share + shaking) * 100) / 100), steady }
  }
}
