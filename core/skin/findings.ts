import type { ZoneId } from './zones'
import { FACE, FACE_NECK } from './zones'

/** What can be seen or felt on the skin today; grade 1 (slight) to 4 (marked). */
export const FINDING_KINDS = [
  'flushing', 'vessels', 'patchy-pigment', 'marks', 'barrier', 'sensitive', 'inflamed', 'deep-lesion', 'ingrown',
  'surface-dry', 'congestion', 'resilient', 'new-change',
] as const
export type FindingKind = (typeof FINDING_KINDS)[number]

export interface FindingWords {
  readonly kind: FindingKind
  readonly name: string
  /** What to look or feel for. */
  readonly look: string
  readonly usualZones: readonly ZoneId[]
  /** True when grade does not apply: seen or not seen. */
  readonly ungraded?: boolean
}

export const FINDINGS: readonly FindingWords[] = [
  { kind: 'flushing', name: 'Flushing, reactive', look: 'Reddens under your touch or warm water and stays red', usualZones: FACE },
  { kind: 'vessels', name: 'Visible vessels', look: 'Fine red lines that blanch under a fingertip', usualZones: ['nose', 'cheek-left', 'cheek-right'] },
  { kind: 'patchy-pigment', name: 'Patchy pigment', look: 'Brown areas with a soft edge, darker under the lamp', usualZones: ['cheek-left', 'cheek-right', 'forehead'] },
  { kind: 'marks', name: 'Marks after inflammation', look: 'Flat brown or red spots where a lesion has been', usualZones: FACE },
  { kind: 'barrier', name: 'Barrier impaired', look: 'Tight, scaling, stings with plain water', usualZones: FACE },
  { kind: 'sensitive', name: 'Sensitive', look: 'Reports stinging from ordinary products', usualZones: FACE },
  { kind: 'inflamed', name: 'Inflamed lesions', look: 'Red papules or pustules', usualZones: ['cheek-left', 'cheek-right', 'chin'] },
  { kind: 'deep-lesion', name: 'Deep, painful, no head', look: 'A tender lump under the skin', usualZones: ['chin'], ungraded: true },
  { kind: 'ingrown', name: 'Ingrown hair', look: 'A hair visible under the surface', usualZones: ['chin', 'neck'], ungraded: true },
  { kind: 'surface-dry', name: 'Surface-dry, oil beneath', look: 'Rough or flaking to the touch, shiny by noon', usualZones: FACE },
  { kind: 'congestion', name: 'Congestion', look: 'Open and closed comedones', usualZones: ['nose', 'chin', 'forehead'] },
  { kind: 'resilient', name: 'Resilient', look: 'Even, calm, known to take strong work well', usualZones: FACE_NECK, ungraded: true },
  { kind: 'new-change', name: 'A spot that has changed', look: 'A mole that changes or bleeds, a sore that does not heal, an unknown rash', usualZones: ['cheek-left'], ungraded: true },
]
