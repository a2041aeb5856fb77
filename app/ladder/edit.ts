import type { Step } from '#core/protocol'

/** Moves the step at `at` by one place; at the ends nothing changes. */
export function moveStep(steps: readonly Step[], at: number, by: -1 | 1): Step[] {
  const to = at + by
  const [here, there] = [steps[at], steps[to]]
  if (!here || !there) return [...steps]
  return steps.map((step, index) => (index === at ? there : index === to ? here : step))
}

/** Sets the usual minutes of one segment, kept within its own limits; the limits give way only for hands-on work. */
export function setMinutes(step: Step, segmentId: string, minutes: number): Step {
  const seconds = Math.round(minutes * 60)
  return {
    ...step,
    segments: step.segments.map((segment) => {
      if (segment.id !== segmentId || !Number.isFinite(seconds)) return segment
      if (segment.kind === 'dwell') return { ...segment, usualS: Math.min(segment.maxS, Math.max(segment.minS, seconds)) }
      return { ...segment, usualS: Math.max(0, seconds), minS: Math.min(segment.minS, Math.max(0, seconds)), maxS: Math.max(segment.maxS, seconds) }
    }),
  }
}
