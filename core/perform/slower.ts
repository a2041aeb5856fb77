import type { ProtocolVersion, Segment, Step } from '../protocol/model'

/** How much longer hands may be said to take today; percent. */
export const SLOWER_MOST = 50
export const SLOWER = [0, 10, 20, 30] as const

/** What hands do at their own pace. What lies, is counted stroke by stroke or led by a device keeps its time. */
const OWN_PACE: ReadonlySet<Segment['kind']> = new Set(['prepare', 'apply', 'remove', 'hygiene'])
const LONGEST_S = 14_400
const isPaced = (step: Step): boolean =>
  step.movements !== undefined || step.passes !== undefined || step.deviceId !== undefined

/**
 * A card as it is done on a slower day: mixing, putting on, taking off and washing hands take so much longer (percent, to the second), in their
 * least, usual and most. What works, strokes and devices keep their times.
 */
export function slowed(protocol: ProtocolVersion, percent: number): ProtocolVersion {
  if (percent === 0) return protocol
  const longer = (seconds: number) =>
    Math.min(LONGEST_S, Math.ceil((seconds * (100 + percent)) / 100))
  const part = (segment: Segment): Segment => ({
    ...segment,
    minS: longer(segment.minS),
    usualS: longer(segment.usualS),
    maxS: longer(segment.maxS),
  })
  const slow = (step: Step): Step => {
    // It works from its first touch on: minutes of putting on are minutes of work, and those stand.
    const works = step.segments.some(({ active }) => active)
    const isOwn = ({ kind }: Segment) => OWN_PACE.has(kind) && !(works && kind === 'apply')
    return { ...step, segments: step.segments.map((one) => (isOwn(one) ? part(one) : one)) }
  }
  return { ...protocol, steps: protocol.steps.map((step) => (isPaced(step) ? step : slow(step))) }
}
