import { EYES, FACE_NECK, type ZoneId } from '../skin/zones'

/** The groups in which a client is asked, in the order of asking; all words of a group stand on the screen together. */
export const QUESTION_GROUPS = [
  { id: 'today', name: 'Today', hint: 'true of this day only' },
  { id: 'implants', name: 'Implants and metal', hint: '' },
  { id: 'pregnancy', name: 'Pregnancy, breast-feeding', hint: '' },
  { id: 'nerves', name: 'Nerves, blood, glands', hint: '' },
  { id: 'healing', name: 'Healing and defence', hint: '' },
  { id: 'skin', name: 'Skin', hint: '' },
  { id: 'senses', name: 'Cold, heat, breath', hint: '' },
  { id: 'medicines', name: 'Medicines', hint: 'taken, or stopped lately' },
  { id: 'allergies', name: 'Allergies', hint: '' },
  { id: 'procedures', name: 'Procedures elsewhere', hint: '' },
  { id: 'home', name: 'Sun and home', hint: '' },
  { id: 'seen', name: 'Seen by you', hint: 'look, do not ask' },
] as const
export type QuestionGroup = (typeof QUESTION_GROUPS)[number]['id']

/** Health facts by code. An allergy is its own question, one per ingredient family (`allergy:pineapple`); a medicine its own fact (`medicine:doxycycline`). */
export interface Question {
  readonly code: string
  readonly group: QuestionGroup
  /** What stands on the screen to be touched: as short as it can be understood. */
  readonly word: string
  /** The whole question, as reasons say it. */
  readonly ask: string
  /** `stop`: unknown blocks what the rule would stop, until asked. `limit`: unknown is listed as not checked. */
  readonly level: 'stop' | 'limit'
  /** What the date of the answer means, where the rules need one. `ahead`: a day to come. */
  readonly date?: 'since' | 'stopped' | 'done' | 'ahead'
  /** Zones the answer is about, where the rules need them. */
  readonly zones?: readonly ZoneId[]
  /** Zones that go with another: what was done to it reached them. */
  readonly reaches?: Readonly<Partial<Record<ZoneId, readonly ZoneId[]>>>
  /** May have changed since the last visit, and is asked again. */
  readonly eachVisit?: boolean
  /** Asked only of those who are not of age. */
  readonly ofMinors?: boolean
  /** True of one day only: at the next visit it is not known. */
  readonly ofTheDay?: boolean
  /** Days after the last dose, or after it was done, in which it still counts (house figures, values from memory of common practice). A rule with a window of its own goes first. */
  readonly afterDays?: number
}

const NEAR: readonly ZoneId[] = [...FACE_NECK, ...EYES, 'lips']
type More = Partial<Omit<Question, 'code' | 'group' | 'word' | 'ask'>>
/** Questions of one group; what most of them have in common is said once. */
const group =
  (id: QuestionGroup, usual: More) =>
  (code: string, word: string, ask = word, more: More = {}): Question => ({
    code,
    group: id,
    word,
    ask,
    level: 'stop',
    ...usual,
    ...more,
  })

const LIMIT: More = { level: 'limit' }
const today = group('today', { eachVisit: true, ofTheDay: true })
const implants = group('implants', {})
const pregnancy = group('pregnancy', { eachVisit: true })
const nerves = group('nerves', {})
const healing = group('healing', {})
const skin = group('skin', {})
const senses = group('senses', {})
const medicine = group('medicines', { eachVisit: true, date: 'stopped' })
const procedure = group('procedures', { eachVisit: true, date: 'done' })
const home = group('home', { ...LIMIT, eachVisit: true })
const seen = group('seen', { ...LIMIT, eachVisit: true })

export const QUESTIONS: readonly Question[] = [
  today('infection', 'Cold sore, infection, fever', 'Cold sore, contagious infection or fever now'),
  today(
    'unwell',
    'Blood pressure, drink, drugs',
    'Uncontrolled blood pressure, or drink or drugs today',
  ),
  today('open-wound', 'Open wound', 'Open wound or broken skin', { zones: NEAR }),
  today(
    'changed-lesion',
    'A spot that changed or bleeds',
    'A mole that changed or bleeds, a sore that does not heal, sudden swelling, an unknown rash',
    { zones: NEAR, ofTheDay: false },
  ),
  today('eye-infection', 'Sore eye', 'Eye infection, or a sore eye', { ofTheDay: false }),
  today(
    'reduced-feeling',
    'Numb or weak face',
    'Numb or weak part of the face, or numbing cream today',
  ),
  today('dental-injection', 'Dentist’s injection', 'Numbed by the dentist today'),
  today('blocked-nose', 'Blocked nose', undefined, LIMIT),
  today('contact-lenses', 'Contact lenses in', undefined, LIMIT),
  today('event', 'Something on this week', 'Anything on tonight or this week', {
    ...LIMIT,
    date: 'ahead',
  }),
  today('hair-oil', 'Oil may touch the hair', 'Oil may touch the hair today', LIMIT),

  implants(
    'implant-electronic',
    'Pacemaker, pump, sensor or other device',
    'Pacemaker, defibrillator, neurostimulator, cochlear implant, insulin pump or glucose sensor',
  ),
  implants('metal', 'Plate, pin, braces', 'Metal plate, pin, implant or braces in face or neck', {
    zones: NEAR,
  }),

  pregnancy('pregnancy', 'Pregnant'),
  pregnancy('breast-feeding', 'Breast-feeding'),

  nerves('epilepsy', 'Epilepsy, seizures', 'Epilepsy or seizures'),
  nerves('bleeding-disorder', 'Bleeding disorder'),
  nerves('diabetes', 'Diabetes, controlled', 'Diabetes, well controlled', LIMIT),
  nerves('thyroid-carotid', 'Thyroid, carotid', 'Disease of the thyroid or of the carotid artery'),
  nerves('jaw-joint', 'Jaw joint', 'Trouble with the jaw joint', LIMIT),
  nerves('eye-pressure', 'Raised eye pressure', 'Raised pressure in the eyes'),
  nerves('lymph-nodes', 'Lymph nodes removed', 'Lymph nodes removed at an armpit', LIMIT),
  nerves(
    'legs',
    'Leg: clot, veins, wound',
    'Blood clot, bad varicose veins or a wound on leg or foot',
    LIMIT,
  ),

  healing('slow-healing', 'Heals slowly, neuropathy', 'Neuropathy, or wounds that heal slowly'),
  healing(
    'immune',
    'Immune system suppressed',
    'Strongly suppressed immune system, chemotherapy or radiation now',
  ),
  healing('cancer', 'Cancer, now or in five years', 'Cancer, now or within the last five years', {
    date: 'stopped',
    eachVisit: true,
  }),
  healing('skin-cancer', 'Skin cancer, ever', 'Skin cancer, now or before', { zones: NEAR }),
  healing('radiation-field', 'Irradiated area', 'An area that has been irradiated', {
    zones: NEAR,
  }),
  healing('keloid', 'Raised scars', 'Scars that grow beyond the wound'),

  skin('skin-patch', 'Eczema, psoriasis patch', 'An active patch of eczema or psoriasis', {
    zones: NEAR,
    eachVisit: true,
  }),
  skin('vitiligo', 'Vitiligo', undefined, { ...LIMIT, zones: NEAR }),
  skin('cold-sore-history', 'Cold sores before', 'Has had cold sores', LIMIT),
  skin('melasma', 'Melasma', 'Melasma, now or before', LIMIT),
  skin(
    'light-disease',
    'Lupus, porphyria, sun allergy',
    'Lupus, porphyria, sun allergy or a light-sensitive eye disease',
  ),

  senses('cold-urticaria', 'Hives from cold'),
  senses('heat-urticaria', 'Hives from heat'),
  senses('asthma-scent', 'Asthma, scent migraine', 'Asthma, or migraine from scents', LIMIT),
  senses('claustrophobia', 'Uneasy when covered', 'Uneasy when eyes or mouth are covered', LIMIT),

  medicine(
    'isotretinoin',
    'Isotretinoin, acitretin',
    'Isotretinoin or acitretin (tablets), now or in the last six months',
  ),
  medicine(
    'retinoid-prescription',
    'Prescribed retinoid or acid',
    'Prescription retinoid or acid on the face',
  ),
  medicine(
    'photosensitiser-strong',
    'Strongly light-sensitising',
    'Strongly light-sensitising medicine',
    {
      afterDays: 7,
    },
  ),
  medicine(
    'photosensitiser-weak',
    'Perhaps light-sensitising',
    'Medicine that may make skin light-sensitive',
    { ...LIMIT, afterDays: 7 },
  ),
  medicine('anticoagulant', 'Blood thinner', undefined, { afterDays: 14 }),
  medicine(
    'steroid',
    'Steroid, cream or tablets',
    'Steroid on the face or by mouth, now or in the last four weeks',
  ),

  procedure('peel-light', 'Light peel', 'Light peel, by anybody'),
  procedure(
    'peel-medium',
    'Medium peel, needling, laser',
    'Medium peel, needling or non-ablative laser',
  ),
  procedure(
    'peel-deep',
    'Deep peel, surgery',
    'Deep peel, ablative laser, face or eyelid surgery',
    { afterDays: 730 },
  ),
  procedure('botulinum', 'Botulinum', undefined, { zones: NEAR }),
  procedure('filler', 'Filler', undefined, { zones: NEAR }),
  procedure('injectables', 'Other injections', 'Other injections into the skin', { zones: NEAR }),
  procedure('threads', 'Thread lift', undefined, { zones: NEAR }),
  procedure('eye-surgery', 'Eye surgery', 'Surgery around the eyes'),
  procedure('permanent-makeup', 'Permanent make-up', undefined, { zones: NEAR }),
  procedure('waxing', 'Waxed, threaded', 'Waxed, threaded or depilated', {
    zones: NEAR,
    reaches: { 'upper-lip': ['lips'] },
  }),
  procedure(
    'hair-removal',
    'Electrolysis, light hair removal',
    'Electrolysis, laser or light hair removal',
    { zones: NEAR },
  ),

  home('sunburn', 'Sunburn, windburn', 'Sunburn or windburn', { level: 'stop', date: 'done' }),
  home(
    'strong-sun',
    'Sunbed, self-tan, strong sun',
    'Strong sun, sunbed or self-tan without a burn',
    {
      level: 'stop',
      date: 'done',
    },
  ),
  home('high-sun', 'Much outdoors', 'Much time outdoors, or high sun now'),
  home('dry-air', 'Very dry air', 'Very dry air: heating, flights, mountains'),
  home('retinol', 'Retinol at home', 'Cosmetic retinol at home, last used', { date: 'done' }),
  home('own-exfoliant', 'Scrub or acid at home', 'Scrub or acid at home, last used', {
    date: 'done',
  }),

  seen(
    'worn-metal',
    'Jewellery, hearing aid',
    'Hearing aid, piercing or jewellery worn near the face',
    {
      ofTheDay: true,
    },
  ),
  seen(
    'worn-metal-stays',
    'Metal that stays in',
    'A piercing or hearing aid that cannot come out',
    {
      level: 'stop',
      zones: [...NEAR, 'ears'],
    },
  ),
  seen('lash-extensions', 'Lash extensions, lift', 'Lash extensions or lift'),
  seen('facial-hair', 'Beard, moustache', 'Beard or moustache', { eachVisit: false }),
  seen('shaved', 'Shaved today', 'Shaved', { zones: NEAR, date: 'done', ofTheDay: true }),
  seen('phototype-iii', 'Skin depth III', 'Phototype III', { eachVisit: false }),
  seen('phototype-iv-vi', 'Skin depth IV–VI', 'Phototype IV to VI', { eachVisit: false }),

  // Asked where the consent is signed: see Consult, Consent.
  today(
    'guardian-consent',
    'Guardian’s consent',
    'Not of age: dated consent of a guardian is here',
    {
      ...LIMIT,
      date: 'done',
      eachVisit: false,
      ofTheDay: false,
      ofMinors: true,
    },
  ),
]

/** Codes that count as evidence, never as a hazard: answering yes may loosen. */
export const EVIDENCE_CODES: readonly string[] = ['guardian-consent', 'hair-oil']

export const questionByCode: ReadonlyMap<string, Question> = new Map(
  QUESTIONS.map((question) => [question.code, question]),
)
