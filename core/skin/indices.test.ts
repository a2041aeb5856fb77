import { describe, expect, test } from 'vitest'
import {
  gradesFromLesions,
  LESION_REGIONS,
  lesionIndex,
  phototype,
  pigmentIndex,
  typologyAngle,
  type LesionGrade,
} from '.'

describe('lesion index', () => {
  // Doshi, Zaheer & Stiller, Int J Dermatol 1997;36:416–418 (value from memory): factors 2, 2, 2, 1, 1, 3; grades 0–4; bands 1–18, 19–30, 31–38, ≥ 39 of 44.
  const all = (grade: LesionGrade) =>
    Object.fromEntries(LESION_REGIONS.map((region) => [region.id, grade]))
  test('the whole scale ends at 44, the face at 32', () => {
    expect(lesionIndex(all(4))).toEqual({ score: 44, of: 44, band: 'very severe' })
    expect(
      lesionIndex({ forehead: 4, 'right-cheek': 4, 'left-cheek': 4, nose: 4, chin: 4 }),
    ).toEqual({ score: 32, of: 32, band: undefined })
  })
  test.each([
    [{ 'chest-back': 0 }, 0, 'none'],
    [{ forehead: 3, 'chest-back': 4 }, 18, 'mild'],
    [{ forehead: 3, nose: 1, 'chest-back': 4 }, 19, 'moderate'],
    [{ forehead: 4, 'right-cheek': 4, nose: 2, 'chest-back': 4 }, 30, 'moderate'],
    [{ forehead: 4, 'right-cheek': 4, nose: 3, 'chest-back': 4 }, 31, 'severe'],
    [{ forehead: 4, 'right-cheek': 4, 'left-cheek': 4, nose: 2, 'chest-back': 4 }, 38, 'severe'],
    [
      { forehead: 4, 'right-cheek': 4, 'left-cheek': 4, nose: 3, 'chest-back': 4 },
      39,
      'very severe',
    ],
  ] as const)('%o is %i, %s', (grades, score, band) => {
    expect(lesionIndex(grades)).toEqual({ score, of: 44, band })
  })
  test('from pins: the most severe in each region counts; the face alone has no band', () => {
    const grades = gradesFromLesions([
      { type: 'open-comedone', zone: 'nose-bridge' },
      { type: 'pustule', zone: 'nose-side-left' },
      { type: 'papule', zone: 'jaw-left' },
      { type: 'mark', zone: 'chin' },
    ])
    expect(grades).toEqual({ forehead: 0, 'right-cheek': 0, 'left-cheek': 2, nose: 3, chin: 0 })
    expect(lesionIndex(grades)).toEqual({ score: 7, of: 32, band: undefined })
  })
})

describe('pigment index', () => {
  // Kimbrough-Green et al., Arch Dermatol 1994;130:727–733: 0–48. Modified, Pandya et al., JAAD 2011;64:78–83: 0–24. Values from memory.
  const full = { area: 6, darkness: 4, homogeneity: 4 }
  test('ends of the scale', () => {
    expect(
      pigmentIndex({ forehead: full, 'right-malar': full, 'left-malar': full, chin: full }),
    ).toEqual({ full: 48, modified: 24 })
    expect(pigmentIndex({})).toEqual({ full: 0, modified: 0 })
  })
  test('each region by its weight: 0.3 · 2 · (3 + 1) on the forehead, 0.1 · 5 · (2 + 2) on the chin', () => {
    expect(pigmentIndex({ forehead: { area: 2, darkness: 3, homogeneity: 1 } })).toEqual({
      full: 2.4,
      modified: 1.8,
    })
    expect(pigmentIndex({ chin: { area: 5, darkness: 2, homogeneity: 2 } })).toEqual({
      full: 2,
      modified: 1,
    })
  })
})

describe('phototype', () => {
  // Bands 0–6, 7–13, 14–20, 21–27, 28–34, ≥ 35, as used in public sun-safety forms (value from memory).
  const answers = (score: number) =>
    Array.from({ length: 10 }, (_, at) => Math.max(0, Math.min(4, score - at * 4)))
  test.each([
    [0, 'I'],
    [6, 'I'],
    [7, 'II'],
    [13, 'II'],
    [14, 'III'],
    [20, 'III'],
    [21, 'IV'],
    [27, 'IV'],
    [28, 'V'],
    [34, 'V'],
    [35, 'VI'],
    [40, 'VI'],
  ] as const)('%i is %s', (score, type) =>
    expect(phototype(answers(score))).toEqual({ score, type }),
  )
  test('half answered says nothing', () => expect(phototype([4, 4, 4])).toBeUndefined())
})

describe('typology angle', () => {
  // Chardon et al., Int J Cosmet Sci 1991;13:191–208; bands after Del Bino (value from memory): > 55, > 41, > 28, > 10, > −30.
  const at = (degrees: number) =>
    typologyAngle(
      50 + 20 * Math.sin((degrees * Math.PI) / 180),
      20 * Math.cos((degrees * Math.PI) / 180),
    )
  test.each([
    [55.1, 'very light'],
    [54.9, 'light'],
    [41.1, 'light'],
    [40.9, 'intermediate'],
    [28.1, 'intermediate'],
    [27.9, 'tan'],
    [10.1, 'tan'],
    [9.9, 'brown'],
    [-29.9, 'brown'],
    [-30.1, 'dark'],
  ] as const)('%f° is %s', (degrees, band) => {
    expect(at(degrees).degrees).toBeCloseTo(degrees, 6)
    expect(at(degrees).band).toBe(band)
  })
  test('L* 65, b* 15: 45°', () => expect(typologyAngle(65, 15).degrees).toBeCloseTo(45, 9))
})
