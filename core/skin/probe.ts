import { METER_SCALE, type MeterKind } from './meters'
import type { ZoneId } from './zones'

/** What a probe sends: one value of one kind, many times a second. */
export interface ProbeSample {
  readonly kind: MeterKind
  readonly zone: ZoneId
  readonly value: number
  /** True once the value has settled. */ readonly steady: boolean
}

const SETTLE_SAMPLES = 8

/**
 * A simulated probe on one zone: the value starts away from the skin's own and settles on it, with a little noise, as a real one does.
 * `seed` makes the skin, `noise` gives 0..1 per call. Stands in for a device; the figures are invented.
 */
export function* probeSamples(
  kind: MeterKind,
  zone: ZoneId,
  seed: number,
  noise: () => number,
): Generator<ProbeSample> {
  const { least, most, usual } = METER_SCALE[kind]
  const range = most - least
  const own = Math.min(
    most,
    Math.max(least, usual + (hash(`${kind}|${zone}|${seed}`) - 0.5) * range * 0.5),
  )
  for (let count = 0; ; count++) {
    const away = Math.max(0, 1 - count / SETTLE_SAMPLES)
    const value = own + away * range * 0.2 + (noise() - 0.5) * range * 0.01
    yield { kind, zone, value: Math.round(value * 10) / 10, steady: count >= SETTLE_SAMPLES }
  }
}

/** FNV-1a as a fraction of 1, its bits mixed once more (the last step of MurmurHash3): texts that differ in their last letter lie far apart. */
function hash(text: string): number {
  let h = 0x811c9dc5
  for (let at = 0; at < text.length; at++) h = Math.imul(h ^ text.charCodeAt(at), 0x01000193)
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return ((h ^ (h >>> 16)) >>> 0) / 0xffffffff
}
