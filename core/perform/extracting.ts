import type { Step } from '../protocol/model'
import type { LesionOutcome } from '../skin/lesion-words'
import type { Lesion, Reading } from '../skin/model'
import { ZONES, type ZoneId } from '../skin/zones'
import { placesOf, type SetPlace } from './device-set'

/** One area of an extraction: what is worked on there, and what is left alone. */
export interface ExtractArea extends SetPlace {
  readonly ready: readonly Lesion[]
  readonly leave: readonly Lesion[]
}

type ExtractStep = Pick<Step, 'phase' | 'zones' | 'passes'>

const isIn =
  (zones: readonly ZoneId[]) =>
  ({ zone }: Pick<Lesion, 'zone'>): boolean =>
    zones.includes(zone)

/**
 * Areas of an extraction in the order in which hands go: forehead first, downwards (common practice, no source). Where the reading found
 * something to empty in some of them, those alone; else all of the step. Empty for a step that is none.
 */
export function extractAreas(step: ExtractStep, reading: Reading): ExtractArea[] {
  if (step.phase !== 'extract') return []
  const order = (zones: readonly ZoneId[]) => Math.min(...zones.map((zone) => ZONES.indexOf(zone)))
  const areas = placesOf(step)
    .toSorted((a, b) => order(a.zones) - order(b.zones))
    .map((place): ExtractArea => {
      const here = reading.lesions.filter(isIn(place.zones))
      const isReady = ({ decision }: Lesion) => decision === 'ready'
      return {
        ...place,
        ready: here.filter(isReady),
        leave: here.filter((one) => !isReady(one)),
      }
    })
  const full = areas.filter((area) => area.ready.length > 0 || isCongested(area, reading))
  return full.length > 0 ? full : areas
}

const isCongested = ({ zones }: SetPlace, { findings }: Reading): boolean =>
  findings.some(
    (finding) =>
      (finding.kind === 'congestion' || finding.kind === 'ingrown') &&
      finding.zones.some((zone) => zones.includes(zone)),
  )

/** Lesions of a step that were to be emptied and of which nobody has said yet what came of it. */
export const withoutOutcome = (
  step: Pick<Step, 'phase' | 'zones'>,
  { lesions }: Reading,
): Lesion[] =>
  step.phase === 'extract'
    ? lesions.filter(
        (one) => one.decision === 'ready' && one.outcome === undefined && isIn(step.zones)(one),
      )
    : []

/** The reading with what came of its lesions. */
export const withOutcomes = (
  reading: Reading,
  outcomes: ReadonlyMap<string, LesionOutcome>,
): Reading =>
  outcomes.size === 0
    ? reading
    : {
        ...reading,
        lesions: reading.lesions.map((lesion) => {
          const outcome = outcomes.get(lesion.id)
          return outcome ? { ...lesion, outcome } : lesion
        }),
      }
