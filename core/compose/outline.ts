import { deviceById, productById } from '../catalog/shelf'
import type { Shelf } from '../catalog/model'
import { CONCERNS } from '../client/concerns'
import type { Concern } from '../client/model'
import type { Step } from '../protocol/model'
import { usualSeconds, usesHands } from '../protocol/segments'
import { unrolled } from '../protocol/unroll'
import { PHASES, type Phase } from '../protocol/words'

/** What a protocol can be found by, and the thumb of its ladder. Seconds one after another; what hangs under a mask takes none. */
export interface Outline {
  readonly steps: number
  readonly workS: number
  readonly concerns: readonly Concern[]
  readonly phases: readonly Phase[]
  readonly devices: readonly string[]
  /** Hands and open dwell in turn, in seconds: the ladder in one line. */
  readonly bars: readonly { readonly hands: boolean; readonly seconds: number }[]
}

/** Reads a ladder for the library. */
export function outlineOf(written: readonly Step[], shelf: Shelf): Outline {
  const steps = written.map(unrolled)
  const serial = steps.filter((step) => !step.floating)
  const wanted = new Set(
    steps.flatMap((step) => [
      step.concern,
      ...(step.choice?.options.map((option) => option.concern) ?? []),
      ...(step.phase === 'mask'
        ? (productById(shelf, step.product?.productId)?.concerns ?? [])
        : []),
    ]),
  )
  const bars: { hands: boolean; seconds: number }[] = []
  for (const part of serial.flatMap((step) => step.segments)) {
    const hands = usesHands(part)
    const last = bars.at(-1)
    if (last?.hands === hands) last.seconds += part.usualS
    else bars.push({ hands, seconds: part.usualS })
  }
  return {
    steps: steps.length,
    workS: serial.reduce((sum, step) => sum + usualSeconds(step), 0),
    concerns: CONCERNS.filter((concern) => wanted.has(concern)),
    phases: PHASES.filter((phase) => steps.some((step) => step.phase === phase)),
    devices: [...new Set(steps.flatMap((step) => deviceById(shelf, step.deviceId)?.name ?? []))],
    bars,
  }
}
