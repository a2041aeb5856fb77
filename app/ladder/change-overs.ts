import type { PlacedSegment } from '#core/adapt'
import type { Absence } from '#core/perform'

/** Hand hygiene and new gloves after each time at another client, as the hands rail draws it; in whole seconds from the start. */
export function changeOvers(
  absences: readonly Absence[],
  startMs: number,
  nowMs: number,
): PlacedSegment[] {
  const secondOf = (ms: number) => Math.round((ms - startMs) / 1000)
  return absences.flatMap(({ cameMs, readyMs }, at) => {
    if (cameMs === undefined) return []
    const [startS, endS] = [secondOf(cameMs), secondOf(readyMs ?? nowMs)]
    const id = `change-over-${at}`
    return [
      {
        ...{ id, stepId: id, kind: 'hygiene' as const, startS, endS, maxS: endS - startS },
        ...{ active: false, hands: true, presence: 'away' as const, zones: [] },
      },
    ]
  })
}
