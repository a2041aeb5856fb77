import type { Fact } from './model'

/** A medicine or condition that clients name, and the health question it answers. The salon edits this list. */
export interface Known {
  readonly id: string
  readonly kind: 'medicine' | 'condition'
  readonly name: string
  /** What people call it, for search. Generic names only. */
  readonly synonyms: readonly string[]
  /** The question it answers: its rules apply. */
  readonly code: string
  /** Days after the last dose in which it still counts; left out: as its question says. */
  readonly afterDays?: number
}

const medicine =
  (code: string) =>
  (id: string, name: string, ...synonyms: string[]): Known => ({
    id,
    kind: 'medicine',
    name,
    synonyms,
    code,
  })
const condition =
  (code: string) =>
  (id: string, name: string, ...synonyms: string[]): Known => ({
    id,
    kind: 'condition',
    name,
    synonyms,
    code,
  })
const strong = medicine('photosensitiser-strong')
const weak = medicine('photosensitiser-weak')
const thinner = medicine('anticoagulant')
const steroid = medicine('steroid')
const topical = medicine('retinoid-prescription')

/** What leaves the body slowly counts longer after the last dose (house figure, half-life of about two months; value from memory). */
const SLOW_DAYS = 183

/** Common practice and product labelling, values from memory; a pharmacist's list and the client's own leaflet come first. */
export const KNOWN: readonly Known[] = [
  medicine('isotretinoin')(
    'isotretinoin',
    'Isotretinoin',
    '13-cis-retinoic acid',
    'acne capsules',
    'acne tablets',
  ),
  medicine('isotretinoin')('acitretin', 'Acitretin', 'psoriasis capsules'),
  medicine('isotretinoin')('alitretinoin', 'Alitretinoin', 'hand eczema capsules'),
  topical('tretinoin', 'Tretinoin cream', 'retinoic acid', 'vitamin A acid'),
  topical('adapalene', 'Adapalene'),
  topical('tazarotene', 'Tazarotene'),
  topical('trifarotene', 'Trifarotene'),
  topical('azelaic-rx', 'Azelaic acid, prescribed'),
  topical('bpo-clindamycin', 'Benzoyl peroxide with clindamycin'),
  strong('doxycycline', 'Doxycycline', 'tetracycline', 'antibiotic for acne'),
  strong('tetracycline', 'Tetracycline'),
  strong('minocycline', 'Minocycline'),
  { ...strong('amiodarone', 'Amiodarone', 'heart rhythm'), afterDays: SLOW_DAYS },
  strong('methoxsalen', 'Methoxsalen', 'psoralen', 'PUVA'),
  strong('voriconazole', 'Voriconazole', 'antifungal'),
  strong('chlorpromazine', 'Chlorpromazine'),
  strong('aminolevulinic', 'Aminolevulinic acid', 'light therapy'),
  strong('vemurafenib', 'Vemurafenib'),
  weak('ibuprofen', 'Ibuprofen', 'painkiller', 'NSAID'),
  weak('naproxen', 'Naproxen', 'NSAID'),
  weak('ketoprofen', 'Ketoprofen', 'NSAID gel'),
  weak('hydrochlorothiazide', 'Hydrochlorothiazide', 'water tablet', 'diuretic'),
  weak('furosemide', 'Furosemide', 'water tablet', 'diuretic'),
  weak('st-johns-wort', 'St John’s wort', 'hypericum'),
  weak('ciprofloxacin', 'Ciprofloxacin', 'antibiotic'),
  weak('sulfamethoxazole', 'Sulfamethoxazole', 'sulfonamide', 'sulfa'),
  weak('hydroxychloroquine', 'Hydroxychloroquine'),
  weak('contraceptive', 'Oral contraceptive', 'the pill'),
  weak('sertraline', 'Sertraline', 'antidepressant'),
  weak('glipizide', 'Glipizide', 'sulfonylurea'),
  thinner('warfarin', 'Warfarin', 'blood thinner'),
  thinner('apixaban', 'Apixaban', 'blood thinner'),
  thinner('rivaroxaban', 'Rivaroxaban', 'blood thinner'),
  thinner('dabigatran', 'Dabigatran', 'blood thinner'),
  thinner('clopidogrel', 'Clopidogrel', 'blood thinner'),
  thinner('aspirin-daily', 'Aspirin, daily low dose', 'acetylsalicylic acid', 'blood thinner'),
  thinner('heparin', 'Heparin injections', 'blood thinner'),
  steroid('hydrocortisone', 'Hydrocortisone cream', 'cortisone cream', 'steroid cream'),
  steroid('betamethasone', 'Betamethasone cream', 'steroid cream'),
  steroid('mometasone', 'Mometasone cream', 'steroid cream'),
  steroid('clobetasol', 'Clobetasol cream', 'steroid cream'),
  steroid('prednisolone-low', 'Prednisolone, low dose or a short course', 'cortisone tablets'),
  medicine('immune')('methotrexate', 'Methotrexate'),
  medicine('immune')('ciclosporin', 'Ciclosporin', 'cyclosporine'),
  medicine('immune')('biologic', 'Biologic for the immune system', 'antibody injection'),
  medicine('immune')(
    'prednisolone',
    'Prednisolone, high dose',
    'cortisone tablets',
    'steroid tablets',
  ),
  medicine('immune')('chemotherapy', 'Chemotherapy'),
  condition('implant-electronic')('pacemaker', 'Pacemaker', 'heart device'),
  condition('implant-electronic')('defibrillator', 'Defibrillator', 'ICD'),
  condition('implant-electronic')('neurostimulator', 'Neurostimulator'),
  condition('implant-electronic')('cochlear', 'Cochlear implant'),
  condition('implant-electronic')('insulin-pump', 'Insulin pump'),
  condition('implant-electronic')('glucose-sensor', 'Glucose sensor', 'CGM'),
  condition('epilepsy')('epilepsy', 'Epilepsy', 'seizures', 'fits'),
  condition('diabetes')('diabetes', 'Diabetes', 'type 1', 'type 2', 'blood sugar'),
  condition('slow-healing')('neuropathy', 'Neuropathy', 'nerve damage'),
  condition('bleeding-disorder')('haemophilia', 'Haemophilia', 'hemophilia'),
  condition('bleeding-disorder')('von-willebrand', 'Von Willebrand disease'),
  condition('keloid')('keloid', 'Keloid tendency', 'raised scars'),
  condition('thyroid-carotid')('goitre', 'Goitre, thyroid disease', 'thyroid', 'goiter'),
  condition('thyroid-carotid')('carotid', 'Narrowed carotid artery'),
  condition('light-disease')('lupus', 'Lupus'),
  condition('light-disease')('porphyria', 'Porphyria'),
  condition('light-disease')('sun-allergy', 'Sun allergy', 'polymorphic light eruption'),
  condition('light-disease')('macular', 'Macular degeneration', 'light-sensitive eyes'),
  condition('cold-urticaria')('cold-hives', 'Cold urticaria', 'hives from cold'),
  condition('heat-urticaria')('heat-hives', 'Heat urticaria', 'hives from heat'),
  condition('asthma-scent')('asthma', 'Asthma'),
  condition('asthma-scent')('migraine', 'Migraine from scents'),
  condition('lymph-nodes')('mastectomy', 'Lymph nodes removed', 'lymphoedema'),
  condition('legs')('thrombosis', 'Thrombosis', 'DVT', 'clot'),
  condition('legs')('varicose', 'Varicose veins'),
  condition('skin-patch')('eczema', 'Eczema', 'atopic dermatitis'),
  condition('skin-patch')('psoriasis', 'Psoriasis'),
  condition('vitiligo')('vitiligo', 'Vitiligo', 'white patches'),
  condition('melasma')('melasma', 'Melasma', 'chloasma', 'pregnancy mask'),
  condition('cold-sore-history')('cold-sores', 'Cold sores', 'herpes simplex', 'fever blisters'),
  condition('reduced-feeling')('facial-palsy', 'Facial palsy', 'numb face'),
  condition('pregnancy')('pregnant', 'Pregnancy', 'expecting'),
  condition('breast-feeding')('nursing', 'Breast-feeding', 'nursing', 'lactation'),
  condition('cancer')('cancer', 'Cancer', 'tumour', 'oncology'),
  condition('skin-cancer')('skin-cancer', 'Skin cancer', 'melanoma', 'basal cell', 'actinic'),
  condition('jaw-joint')('jaw', 'Jaw joint trouble', 'TMJ', 'grinding teeth'),
  condition('eye-pressure')('glaucoma', 'Glaucoma', 'raised eye pressure'),
  condition('claustrophobia')('claustrophobia', 'Claustrophobia', 'panic'),
]

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

/** Entries whose name or synonym has a word that begins as typed, names before synonyms; in the list's order otherwise. Empty for nothing typed. */
export function searchKnown(typed: string, list: readonly Known[] = KNOWN): Known[] {
  const wanted = plain(typed)
  if (wanted === '') return []
  const begins = (text: string): boolean => ` ${plain(text)}`.includes(` ${wanted}`)
  const byName = list.filter((entry) => begins(entry.name))
  return [
    ...byName,
    ...list.filter((entry) => !byName.includes(entry) && entry.synonyms.some(begins)),
  ]
}

/** The fact code of a medicine. */
export const medicineCode = (id: string): string => `medicine:${id}`

/** Medicines a client was said to take, or to have stopped, that answer a question by themselves. */
export const medicinesFor = (
  code: string,
  inForce: ReadonlyMap<string, Fact>,
  list: readonly Known[],
): { readonly known: Known; readonly fact: Fact }[] =>
  list
    .filter((entry) => entry.kind === 'medicine' && entry.code === code)
    .flatMap((known) => {
      const fact = inForce.get(medicineCode(known.id))
      return fact?.answer === 'yes' ? [{ known, fact }] : []
    })

const BY = 'By '
/** An answer that nobody gave: it follows from medicines. */
export const ofMedicines = ({ note }: Pick<Fact, 'note'>): boolean => note?.startsWith(BY) ?? false
/** The answer that a client's medicines give to a question: yes while one is taken, else yes until the day the last was stopped. */
export function answerByMedicines(
  code: string,
  inForce: ReadonlyMap<string, Fact>,
  list: readonly Known[],
  askedOn: string,
): Fact | undefined {
  const medicines = medicinesFor(code, inForce, list)
  if (medicines.length === 0) return undefined
  const stopped = medicines.map(({ fact }) => fact.on)
  const last = stopped.includes(undefined) ? undefined : stopped.sort().at(-1)
  return {
    code,
    answer: 'yes',
    askedOn,
    ...(last ? { on: last } : {}),
    note: `${BY}${medicines.map(({ known }) => known.name).join(', ')}`,
  }
}

/** What saying something of a medicine says: itself, and its question as long as nobody answered that otherwise with yes. */
export function saidOfMedicine(
  known: Known,
  fact: Fact,
  inForce: ReadonlyMap<string, Fact>,
  list: readonly Known[],
): Fact[] {
  const own = inForce.get(known.code)
  const derived = own !== undefined && ofMedicines(own)
  if (own?.answer === 'yes' && !derived) return [fact]
  const answer = answerByMedicines(
    known.code,
    new Map([...inForce, [fact.code, fact]]),
    list,
    fact.askedOn,
  )
  if (answer) return [fact, answer]
  return derived ? [fact, { code: known.code, answer: 'no', askedOn: fact.askedOn }] : [fact]
}
