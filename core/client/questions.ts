import type { ZoneId } from '../skin/zones'

/** Health facts by code. An allergy is its own question, one per ingredient family (`allergy:pineapple`). */
export interface Question {
  readonly code: string
  readonly ask: string
  readonly part: 'now' | 'health' | 'medicine' | 'recent' | 'allergy' | 'habits'
  /** `stop`: unknown blocks what the rule would stop, until asked. `limit`: unknown is listed as not checked. */
  readonly level: 'stop' | 'limit'
  /** What the date of the answer means, where the rules need one. */
  readonly date?: 'since' | 'stopped' | 'done'
  /** Zones the answer is about, where the rules need them. */
  readonly zones?: readonly ZoneId[]
  /** Asked again at every visit, in "since last time". */
  readonly eachVisit?: boolean
}

const NEAR: readonly ZoneId[] = ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin', 'lips', 'eye-contour', 'neck', 'decollete']

export const QUESTIONS: readonly Question[] = [
  { code: 'infection', ask: 'Cold sore, contagious infection or fever now', part: 'now', level: 'stop', eachVisit: true },
  { code: 'open-wound', ask: 'Open wound or broken skin', part: 'now', level: 'stop', zones: NEAR, eachVisit: true },
  { code: 'sunburn', ask: 'Sunburn or windburn', part: 'now', level: 'stop', date: 'done', eachVisit: true },
  { code: 'changed-lesion', ask: 'A mole that changed or bleeds, a sore that does not heal, sudden swelling, an unknown rash', part: 'now', level: 'stop', zones: NEAR, eachVisit: true },
  { code: 'pregnancy', ask: 'Pregnant or breast-feeding', part: 'health', level: 'stop', eachVisit: true },
  { code: 'implant-electronic', ask: 'Pacemaker, defibrillator, neurostimulator, cochlear implant, insulin pump or glucose sensor', part: 'health', level: 'stop' },
  { code: 'metal', ask: 'Metal plate, pin, implant or braces in face or neck', part: 'health', level: 'stop', zones: NEAR },
  { code: 'cold-sore-history', ask: 'Has had cold sores', part: 'health', level: 'limit' },
  { code: 'isotretinoin', ask: 'Isotretinoin or acitretin (tablets), now or in the last six months', part: 'medicine', level: 'stop', date: 'stopped', eachVisit: true },
  { code: 'retinoid-prescription', ask: 'Prescription retinoid or acid on the face', part: 'medicine', level: 'stop', date: 'stopped', eachVisit: true },
  { code: 'photosensitiser-strong', ask: 'Strongly light-sensitising medicine (for instance doxycycline, amiodarone, psoralen)', part: 'medicine', level: 'stop', eachVisit: true },
  { code: 'photosensitiser-weak', ask: 'Medicine that may make skin light-sensitive', part: 'medicine', level: 'limit', eachVisit: true },
  { code: 'peel-light', ask: 'Light peel, by anybody', part: 'recent', level: 'stop', date: 'done', eachVisit: true },
  { code: 'peel-medium', ask: 'Medium peel, needling or non-ablative laser', part: 'recent', level: 'stop', date: 'done', eachVisit: true },
  { code: 'peel-deep', ask: 'Deep peel, ablative laser, face or eyelid surgery', part: 'recent', level: 'stop', date: 'done', eachVisit: true },
  { code: 'lash-extensions', ask: 'Lash extensions or lift', part: 'habits', level: 'limit', eachVisit: true },
  { code: 'facial-hair', ask: 'Beard or moustache', part: 'habits', level: 'limit' },
  { code: 'guardian-consent', ask: 'Under 18: dated consent of a guardian is here', part: 'now', level: 'limit', date: 'done' },
  { code: 'phototype-iv-vi', ask: 'Phototype IV to VI', part: 'habits', level: 'limit' },
  { code: 'melasma', ask: 'Melasma, now or before', part: 'health', level: 'limit' },
]

/** Codes that count as evidence, never as a hazard: answering yes may loosen. */
export const EVIDENCE_CODES: readonly string[] = ['guardian-consent']

export const questionByCode: ReadonlyMap<string, Question> = new Map(QUESTIONS.map((question) => [question.code, question]))
