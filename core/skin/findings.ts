import type { ZoneId } from './zones'
import { CHEEKS, EYE_CONTOUR, FACE, FACE_NECK, FOREHEAD, NECK, NOSE, T_ZONE } from './zones'

/** What can be seen or felt on the skin today; grade 1 (slight) to 4 (marked). */
export const FINDING_KINDS = [
  'oily',
  'dry',
  'dehydrated',
  'surface-dry',
  'pores',
  'congestion',
  'inflamed',
  'deep-lesion',
  'ingrown',
  'new-scars',
  'scars',
  'flushing',
  'vessels',
  'patchy-pigment',
  'marks',
  'dull',
  'tone-step',
  'lines',
  'laxity',
  'puffy',
  'fine-hair',
  'barrier',
  'sensitive',
  'resilient',
  'new-change',
] as const
export type FindingKind = (typeof FINDING_KINDS)[number]

/** Which question of the reading a finding answers; the screen shows them in this order. */
export const FINDING_PARTS = [
  'oil and water',
  'pores and lesions',
  'redness',
  'pigment',
  'shape and hair',
  'strength',
] as const
export type FindingPart = (typeof FINDING_PARTS)[number]

export interface FindingWords {
  readonly kind: FindingKind
  readonly name: string
  /** What to look or feel for. */
  readonly look: string
  readonly part: FindingPart
  readonly usualZones: readonly ZoneId[]
  /** True when grade does not apply: seen or not seen. */
  readonly ungraded?: boolean
}

export const FINDINGS: readonly FindingWords[] = [
  {
    kind: 'oily',
    name: 'Oily',
    look: 'Shines soon after cleansing, slips under the finger',
    part: 'oil and water',
    usualZones: T_ZONE,
  },
  {
    kind: 'dry',
    name: 'Dry, lacks oil',
    look: 'Dull, tight after cleansing, small pores',
    part: 'oil and water',
    usualZones: FACE,
  },
  {
    kind: 'dehydrated',
    name: 'Dehydrated, lacks water',
    look: 'Fine crossing lines when pushed together, which come and go',
    part: 'oil and water',
    usualZones: FACE,
  },
  {
    kind: 'surface-dry',
    name: 'Surface-dry, oil beneath',
    look: 'Rough or flaking to the touch, shiny by noon',
    part: 'oil and water',
    usualZones: FACE,
  },
  {
    kind: 'pores',
    name: 'Enlarged pores',
    look: 'Pores that can be seen at arm’s length',
    part: 'pores and lesions',
    usualZones: [...NOSE, 'cheek-left', 'cheek-right'],
  },
  {
    kind: 'congestion',
    name: 'Congestion',
    look: 'Open and closed comedones',
    part: 'pores and lesions',
    usualZones: [...NOSE, 'chin', 'forehead'],
  },
  {
    kind: 'inflamed',
    name: 'Inflamed lesions',
    look: 'Red papules or pustules',
    part: 'pores and lesions',
    usualZones: [...CHEEKS, 'chin'],
  },
  {
    kind: 'deep-lesion',
    name: 'Deep, painful, no head',
    look: 'A tender lump under the skin',
    part: 'pores and lesions',
    usualZones: ['chin'],
    ungraded: true,
  },
  {
    kind: 'ingrown',
    name: 'Ingrown hair',
    look: 'A hair visible under the surface',
    part: 'pores and lesions',
    usualZones: ['chin', ...NECK],
    ungraded: true,
  },
  {
    kind: 'scars',
    name: 'Scars, pitting',
    look: 'Dents that stay when the skin is stretched',
    part: 'pores and lesions',
    usualZones: CHEEKS,
  },
  {
    kind: 'new-scars',
    name: 'New scarring',
    look: 'A dent or a raised line that was not there last time',
    part: 'pores and lesions',
    usualZones: CHEEKS,
    ungraded: true,
  },
  {
    kind: 'flushing',
    name: 'Flushing, reactive',
    look: 'Reddens under your touch or warm water and stays red',
    part: 'redness',
    usualZones: CHEEKS,
  },
  {
    kind: 'vessels',
    name: 'Visible vessels',
    look: 'Fine red lines that blanch under a fingertip',
    part: 'redness',
    usualZones: ['nose-side-left', 'nose-side-right', 'cheekbone-left', 'cheekbone-right'],
  },
  {
    kind: 'patchy-pigment',
    name: 'Patchy pigment',
    look: 'Brown areas with a soft edge, darker under the lamp',
    part: 'pigment',
    usualZones: ['cheekbone-left', 'cheekbone-right', 'forehead', 'upper-lip'],
  },
  {
    kind: 'marks',
    name: 'Marks after inflammation',
    look: 'Flat brown or red spots where a lesion has been',
    part: 'pigment',
    usualZones: [...CHEEKS, 'chin'],
  },
  {
    kind: 'dull',
    name: 'Dull',
    look: 'Light does not come back from it; rough to the touch, no scaling',
    part: 'pigment',
    usualZones: FACE,
  },
  {
    kind: 'tone-step',
    name: 'Face and neck differ',
    look: 'A step in colour at the jaw when the chin is lifted',
    part: 'pigment',
    usualZones: NECK,
    ungraded: true,
  },
  {
    kind: 'lines',
    name: 'Lines that stay',
    look: 'Lines that stay when the skin is moistened',
    part: 'shape and hair',
    usualZones: [...FOREHEAD, ...EYE_CONTOUR],
  },
  {
    kind: 'laxity',
    name: 'Laxity',
    look: 'The jawline or the neck gives way under a fingertip',
    part: 'shape and hair',
    usualZones: ['jaw-left', 'jaw-right', ...NECK],
  },
  {
    kind: 'puffy',
    name: 'Puffy',
    look: 'Soft swelling that gives under a fingertip, most in the morning',
    part: 'shape and hair',
    usualZones: ['under-eye-left', 'under-eye-right'],
  },
  {
    kind: 'fine-hair',
    name: 'Fine facial hair',
    look: 'Down that shows against the light',
    part: 'shape and hair',
    usualZones: [...CHEEKS, 'upper-lip', 'chin'],
    ungraded: true,
  },
  {
    kind: 'barrier',
    name: 'Barrier impaired',
    look: 'Tight, scaling, stings with plain water',
    part: 'strength',
    usualZones: FACE,
  },
  {
    kind: 'sensitive',
    name: 'Sensitive',
    look: 'Reports stinging from ordinary products',
    part: 'strength',
    usualZones: FACE,
  },
  {
    kind: 'resilient',
    name: 'Resilient',
    look: 'Even, calm, known to take strong work well',
    part: 'strength',
    usualZones: FACE_NECK,
    ungraded: true,
  },
  {
    kind: 'new-change',
    name: 'A spot that has changed',
    look: 'A mole that changes or bleeds, a sore that does not heal, an unknown rash',
    part: 'strength',
    usualZones: ['cheek-left'],
    ungraded: true,
  },
]

export const findingWords = (kind: FindingKind): FindingWords =>
  FINDINGS.find((words) => words.kind === kind)!
