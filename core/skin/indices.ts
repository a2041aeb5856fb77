import type { LesionType } from './lesion-words'
import type { Lesion } from './model'
import type { ZoneId } from './zones'
import {
  LESION_REGIONS,
  type LesionRegion,
  PIGMENT_REGIONS,
  type PigmentRegion,
} from './index-regions'

/** Grade of a region: none 0, comedo 1, papule 2, pustule 3, nodule 4 (same source). */
export type LesionGrade = 0 | 1 | 2 | 3 | 4

const LESION_BANDS = [
  { from: 1, name: 'mild' },
  { from: 19, name: 'moderate' },
  { from: 31, name: 'severe' },
  { from: 39, name: 'very severe' },
] as const

const FACE_MOST = 32

const WHOLE_MOST = 44

export interface LesionIndex {
  readonly score: number
  readonly of: number
  /** Undefined unless chest and back were scored too: the face alone has no band. */ readonly band:
    string | undefined
}

/** Sum of factor × grade. A region left out was not scored. */
export function lesionIndex(grades: Partial<Record<LesionRegion, LesionGrade>>): LesionIndex {
  const score = LESION_REGIONS.reduce(
    (sum, region) => sum + region.factor * (grades[region.id] ?? 0),
    0,
  )
  if (grades['chest-back'] === undefined) return { score, of: FACE_MOST, band: undefined }
  return {
    score,
    of: WHOLE_MOST,
    band: LESION_BANDS.findLast((band) => score >= band.from)?.name ?? 'none',
  }
}

const GRADE_OF: Readonly<Partial<Record<LesionType, LesionGrade>>> = {
  'open-comedone': 1,
  'closed-comedone': 1,
  papule: 2,
  pustule: 3,
  nodule: 4,
}

/** Grades by region from the lesions pinned on the map: the most severe one in each counts. Chest and back only when something is pinned there. */
export function gradesFromLesions(
  lesions: readonly Pick<Lesion, 'type' | 'zone'>[],
): Partial<Record<LesionRegion, LesionGrade>> {
  const grades: Partial<Record<LesionRegion, LesionGrade>> = {}
  for (const region of LESION_REGIONS) {
    const here = lesions
      .filter((lesion) => (region.zones as readonly ZoneId[]).includes(lesion.zone))
      .map((lesion) => GRADE_OF[lesion.type] ?? 0)
    if (here.length > 0 || region.id !== 'chest-back')
      grades[region.id] = Math.max(0, ...here) as LesionGrade
  }
  return grades
}

/** Kimbrough-Green et al., Arch Dermatol 1994;130:727–733 (value from memory): forehead 0.3, each malar region 0.3, chin 0.1. */
const PIGMENT_WEIGHT: Readonly<Record<PigmentRegion, number>> = {
  forehead: 0.3,
  'right-malar': 0.3,
  'left-malar': 0.3,
  chin: 0.1,
}

export interface PigmentGrade {
  readonly area: number
  readonly darkness: number
  readonly homogeneity: number
}

/**
 * Pigment index Σ weight · area(0–6) · (darkness + homogeneity, each 0–4), 0–48; and its modified form without homogeneity, 0–24
 * (Pandya et al., JAAD 2011;64:78–83, value from memory). Both to one decimal.
 */
export function pigmentIndex(grades: Partial<Record<PigmentRegion, PigmentGrade | undefined>>): {
  full: number
  modified: number
} {
  const sum = (part: (grade: PigmentGrade) => number) =>
    Math.round(
      10 *
        PIGMENT_REGIONS.reduce(
          (total, region) =>
            total +
            (grades[region]
              ? PIGMENT_WEIGHT[region] * grades[region].area * part(grades[region])
              : 0),
          0,
        ),
    ) / 10
  return {
    full: sum((grade) => grade.darkness + grade.homogeneity),
    modified: sum((grade) => grade.darkness),
  }
}

export interface PhototypeQuestion {
  readonly ask: string
  readonly answers: readonly [string, string, string, string, string]
}

/** Ten questions, each scored 0–4: natural colouring and how the skin answers to sun (after Fitzpatrick, Arch Dermatol 1988;124:869–871). Wording is ours. */
export const PHOTOTYPE_QUESTIONS: readonly PhototypeQuestion[] = [
  {
    ask: 'Eyes',
    answers: [
      'light blue, grey or green',
      'blue, grey or green',
      'hazel',
      'dark brown',
      'brownish black',
    ],
  },
  {
    ask: 'Hair, as it grows',
    answers: ['sandy red', 'blond', 'chestnut or dark blond', 'dark brown', 'black'],
  },
  {
    ask: 'Skin that the sun does not see',
    answers: ['reddish', 'very pale', 'pale with a beige tint', 'light brown', 'dark brown'],
  },
  {
    ask: 'Freckles where the sun does not reach',
    answers: ['many', 'several', 'a few', 'hardly any', 'none'],
  },
  {
    ask: 'Too long in the sun',
    answers: [
      'painful redness, blisters, peeling',
      'blisters, then peeling',
      'burns, sometimes peels',
      'rarely burns',
      'never burns',
    ],
  },
  {
    ask: 'How brown it gets',
    answers: [
      'hardly or not at all',
      'a light tan',
      'a reasonable tan',
      'tans easily',
      'turns dark quickly',
    ],
  },
  {
    ask: 'Brown within hours of sun',
    answers: ['never', 'seldom', 'sometimes', 'often', 'always'],
  },
  {
    ask: 'How the face reacts to sun',
    answers: ['very sensitive', 'sensitive', 'normal', 'resistant', 'never had a problem'],
  },
  {
    ask: 'Last in strong sun or under a tanning lamp',
    answers: [
      'more than three months ago',
      'two to three months ago',
      'one to two months ago',
      'less than a month ago',
      'less than two weeks ago',
    ],
  },
  {
    ask: 'Is this area of skin exposed to sun',
    answers: ['never', 'hardly ever', 'sometimes', 'often', 'always'],
  },
]

export const PHOTOTYPES = ['I', 'II', 'III', 'IV', 'V', 'VI'] as const

export type Phototype = (typeof PHOTOTYPES)[number]

/** Lowest score of bands II to VI, as used in public sun-safety forms (value from memory): 0–6, 7–13, 14–20, 21–27, 28–34, 35 and more. */
const PHOTOTYPE_FROM = [0, 7, 14, 21, 28, 35] as const

/** Phototype of a total score. Undefined for no answers: nothing is guessed. */
export function phototype(
  answers: readonly number[],
): { score: number; type: Phototype } | undefined {
  if (answers.length < PHOTOTYPE_QUESTIONS.length) return undefined
  const score = answers.reduce((sum, answer) => sum + answer, 0)
  return { score, type: PHOTOTYPES[PHOTOTYPE_FROM.findLastIndex((from) => score >= from)]! }
}

/** Skin colour by the individual typology angle: Chardon et al., Int J Cosmet Sci 1991;13:191–208, bands after Del Bino (value from memory). */
const ANGLE_BANDS = [
  { above: 55, name: 'very light' },
  { above: 41, name: 'light' },
  { above: 28, name: 'intermediate' },
  { above: 10, name: 'tan' },
  { above: -30, name: 'brown' },
] as const

/**
 * Individual typology angle atan2(L* − 50, b*) in degrees, and its band. From meter input only, never from a photograph.
 * L* and b* are CIELAB.
 */
export function typologyAngle(L: number, b: number): { degrees: number; band: string } {
  const degrees = (Math.atan2(L - 50, b) * 180) / Math.PI
  return { degrees, band: ANGLE_BANDS.find((band) => degrees > band.above)?.name ?? 'dark' }
}
