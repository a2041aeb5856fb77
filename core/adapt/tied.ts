import type { Step } from '../protocol/model'
import { zonesMeet } from '../skin/zones'

/** Blotting goes with what it dries the skin for: where that is left out, nobody blots before nothing. */
export const withBlotsTied = (steps: readonly Step[]): Step[] =>
  steps.map((step, at) => {
    if (!step.properties.includes('blotting') || step.product || step.closes) return step
    const next = steps
      .slice(at + 1)
      .find((other) => !other.floating && !other.closes && zonesMeet(other.zones, step.zones))
    return next ? { ...step, closes: next.id } : step
  })
