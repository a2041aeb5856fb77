import { EYES, FACE_NECK, type ZoneId } from '../skin/zones'

export const QUESTION_PARTS = ['now', 'health', 'medicine', 'recent', 'habits'] as const
export type QuestionPart = (typeof QUESTION_PARTS)[number]

/** Health facts by code. An allergy is its own question, one per ingredient family (`allergy:pineapple`); a medicine its own fact (`medicine:doxycycline`). */
export interface Question {
  readonly code: string
  readonly ask: string
  readonly part: QuestionPart
  /** `stop`: unknown blocks what the rule would stop, until asked. `limit`: unknown is listed as not checked. */
  readonly level: 'stop' | 'limit'
  /** What the date of the answer means, where the rules need one. `ahead`: a day to come. */
  readonly date?: 'since' | 'stopped' | 'done' | 'ahead'
  /** Zones the answer is about, where the rules need them. */
  readonly zones?: readonly ZoneId[]
  /** Asked again at every visit, in "since last time". */
  readonly eachVisit?: boolean
  /** One of the twelve that a walk-in is asked before anything is done. */
  readonly walkIn?: boolean
  /** Asked only of clients below this age. */
  readonly belowAge?: number
  /** True of one day only: at the next visit it is not known. */
  readonly ofTheDay?: boolean
  /** Days after the last dose, or after it was done, in which it still counts (house figures, values from memory of common practice). A rule with a window of its own goes first. */
  readonly afterDays?: number
}

const NEAR: readonly ZoneId[] = [...FACE_NECK, ...EYES, 'lips']
const now = (code: string, ask: string, more: Partial<Question> = {}): Question => ({
  code,
  ask,
  part: 'now',
  level: 'stop',
  eachVisit: true,
  ...more,
})
const health = (code: string, ask: string, more: Partial<Question> = {}): Question => ({
  code,
  ask,
  part: 'health',
  level: 'stop',
  ...more,
})
const medicine = (code: string, ask: string, more: Partial<Question> = {}): Question => ({
  code,
  ask,
  part: 'medicine',
  level: 'stop',
  eachVisit: true,
  ...more,
})
const recent = (code: string, ask: string, more: Partial<Question> = {}): Question => ({
  code,
  ask,
  part: 'recent',
  level: 'stop',
  date: 'done',
  eachVisit: true,
  ...more,
})
const habit = (code: string, ask: string, more: Partial<Question> = {}): Question => ({
  code,
  ask,
  part: 'habits',
  level: 'limit',
  ...more,
})

export const QUESTIONS: readonly Question[] = [
  now('infection', 'Cold sore, contagious infection or fever now', {
    walkIn: true,
    ofTheDay: true,
  }),
  now('unwell', 'Uncontrolled blood pressure, or drink or drugs today', {
    walkIn: true,
    ofTheDay: true,
  }),
  now('open-wound', 'Open wound or broken skin', { zones: NEAR, walkIn: true, ofTheDay: true }),
  now('sunburn', 'Sunburn or windburn', { date: 'done', walkIn: true }),
  now(
    'changed-lesion',
    'A mole that changed or bleeds, a sore that does not heal, sudden swelling, an unknown rash',
    { zones: NEAR, walkIn: true },
  ),
  now('eye-infection', 'Eye infection, or a sore eye'),
  now('blocked-nose', 'Blocked nose', { level: 'limit', ofTheDay: true }),
  now('contact-lenses', 'Contact lenses in', { level: 'limit', ofTheDay: true }),
  now('worn-metal', 'Hearing aid, piercing or jewellery worn near the face', {
    level: 'limit',
    ofTheDay: true,
  }),
  now('worn-metal-stays', 'A piercing or hearing aid that cannot come out', {
    zones: [...NEAR, 'ears'],
  }),
  now('reduced-feeling', 'Numb or weak part of the face, or numbing cream today', {
    ofTheDay: true,
  }),
  now('guardian-consent', 'Under 18: dated consent of a guardian is here', {
    level: 'limit',
    date: 'done',
    eachVisit: false,
    belowAge: 18,
  }),

  health('pregnancy', 'Pregnant or breast-feeding', { eachVisit: true, walkIn: true }),
  health(
    'implant-electronic',
    'Pacemaker, defibrillator, neurostimulator, cochlear implant, insulin pump or glucose sensor',
    { walkIn: true },
  ),
  health('metal', 'Metal plate, pin, implant or braces in face or neck', {
    zones: NEAR,
    walkIn: true,
  }),
  health('epilepsy', 'Epilepsy or seizures', { walkIn: true }),
  health('bleeding-disorder', 'Bleeding disorder'),
  health('diabetes', 'Diabetes, well controlled', { level: 'limit' }),
  health('slow-healing', 'Neuropathy, or wounds that heal slowly'),
  health('immune', 'Strongly suppressed immune system, chemotherapy or radiation now'),
  health('radiation-field', 'An area that has been irradiated', { zones: NEAR }),
  health('keloid', 'Scars that grow beyond the wound'),
  health('thyroid-carotid', 'Disease of the thyroid or of the carotid artery'),
  health('cold-urticaria', 'Hives from cold'),
  health('heat-urticaria', 'Hives from heat'),
  health('light-disease', 'Lupus, porphyria, sun allergy or a light-sensitive eye disease'),
  health('claustrophobia', 'Uneasy when eyes or mouth are covered', { level: 'limit' }),
  health('asthma-scent', 'Asthma, or migraine from scents', { level: 'limit' }),
  health('lymph-nodes', 'Lymph nodes removed at an armpit', { level: 'limit' }),
  health('legs', 'Blood clot, bad varicose veins or a wound on leg or foot', { level: 'limit' }),
  health('skin-patch', 'An active patch of eczema or psoriasis', { zones: NEAR, eachVisit: true }),
  health('vitiligo', 'Vitiligo', { level: 'limit', zones: NEAR }),
  health('cold-sore-history', 'Has had cold sores', { level: 'limit' }),
  health('melasma', 'Melasma, now or before', { level: 'limit' }),

  medicine('isotretinoin', 'Isotretinoin or acitretin (tablets), now or in the last six months', {
    date: 'stopped',
    walkIn: true,
  }),
  medicine('retinoid-prescription', 'Prescription retinoid or acid on the face', {
    date: 'stopped',
    walkIn: true,
  }),
  medicine('photosensitiser-strong', 'Strongly light-sensitising medicine', {
    date: 'stopped',
    afterDays: 7,
  }),
  medicine('photosensitiser-weak', 'Medicine that may make skin light-sensitive', {
    level: 'limit',
    date: 'stopped',
    afterDays: 7,
  }),
  medicine('anticoagulant', 'Blood thinner', { date: 'stopped', afterDays: 14 }),

  recent('peel-light', 'Light peel, by anybody'),
  recent('peel-medium', 'Medium peel, needling or non-ablative laser', { walkIn: true }),
  recent('peel-deep', 'Deep peel, ablative laser, face or eyelid surgery', { afterDays: 730 }),
  recent('botulinum', 'Botulinum', { zones: NEAR }),
  recent('filler', 'Filler', { zones: NEAR }),
  recent('threads', 'Thread lift', { zones: NEAR }),
  recent('eye-surgery', 'Surgery around the eyes'),
  recent('permanent-makeup', 'Permanent make-up', { zones: NEAR }),
  recent('waxing', 'Waxed, threaded or depilated', { zones: NEAR }),
  recent('shaved', 'Shaved', { level: 'limit', zones: NEAR, ofTheDay: true }),
  recent('retinol', 'Cosmetic retinol at home, last used', { level: 'limit' }),
  recent('own-exfoliant', 'Scrub or acid at home, last used', { level: 'limit' }),

  habit('lash-extensions', 'Lash extensions or lift', { eachVisit: true }),
  habit('facial-hair', 'Beard or moustache'),
  habit('phototype-iii', 'Phototype III'),
  habit('phototype-iv-vi', 'Phototype IV to VI'),
  habit('high-sun', 'Much time outdoors, or high sun now', { eachVisit: true }),
  habit('dry-air', 'Very dry air: heating, flights, mountains', { eachVisit: true }),
  habit('event', 'Anything on tonight or this week', {
    date: 'ahead',
    eachVisit: true,
    ofTheDay: true,
  }),
  habit('hair-oil', 'Oil may touch the hair today', { eachVisit: true, ofTheDay: true }),
]

/** Codes that count as evidence, never as a hazard: answering yes may loosen. */
export const EVIDENCE_CODES: readonly string[] = ['guardian-consent', 'hair-oil']

export const questionByCode: ReadonlyMap<string, Question> = new Map(
  QUESTIONS.map((question) => [question.code, question]),
)
