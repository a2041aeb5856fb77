import type { HomeRole, HomeTime, ProductKind } from '../catalog/words'
import type { Property } from '../protocol/words'

export const PAUSED = ['own-actives', 'sun', 'heat', 'pool', 'sport', 'make-up', 'waxing'] as const
export type Paused = (typeof PAUSED)[number]

interface RoleWords {
  readonly name: string
  /** One of these to an evening, on the face: they add up. */
  readonly strong?: true
  readonly times: readonly HomeTime[]
  /** What a thing of this kind does to the skin where nobody knows more of it. */
  readonly properties: readonly Property[]
  readonly kind: ProductKind
  readonly how: string
}

const both: readonly HomeTime[] = ['morning', 'evening']
const evening: readonly HomeTime[] = ['evening']
const morning: readonly HomeTime[] = ['morning']

/** What each role is called, when it is used, and how, in words a client reads. */
export const ROLE_WORDS: Readonly<Record<HomeRole, RoleWords>> = {
  remover: {
    name: 'Make-up remover',
    times: evening,
    properties: ['cleansing'],
    kind: 'makeup-remover',
    how: 'First of all, where you wear make-up. Wipe gently.',
  },
  cleanser: {
    name: 'Cleanser',
    times: both,
    properties: ['cleansing'],
    kind: 'cleanser',
    how: 'With lukewarm water. Pat dry.',
  },
  toner: {
    name: 'Toner',
    times: both,
    properties: ['toning'],
    kind: 'toner',
    how: 'Press it on with your hands.',
  },
  scrub: {
    name: 'Scrub',
    strong: true,
    times: evening,
    properties: ['exfoliating', 'mechanical', 'scrub'],
    kind: 'scrub',
    how: 'On wet skin, with light circles, one minute. Rinse well.',
  },
  acid: {
    name: 'Acid',
    strong: true,
    times: evening,
    properties: ['exfoliating', 'acid', 'leave-on'],
    kind: 'acid',
    how: 'A thin film on dry skin, not near the eyes. Wait five minutes.',
  },
  antioxidant: {
    name: 'Vitamin C or other antioxidant',
    times: morning,
    properties: ['leave-on'],
    kind: 'serum',
    how: 'On clean skin, under the cream.',
  },
  'benzoyl-peroxide': {
    name: 'Benzoyl peroxide',
    strong: true,
    times: evening,
    properties: ['drying', 'leave-on'],
    kind: 'soothing',
    how: 'A thin film. It bleaches towels.',
  },
  azelaic: {
    name: 'Azelaic acid',
    strong: true,
    times: evening,
    properties: ['acid', 'leave-on'],
    kind: 'serum',
    how: 'A thin film on dry skin.',
  },
  sulfur: {
    name: 'Sulfur',
    strong: true,
    times: evening,
    properties: ['drying', 'leave-on'],
    kind: 'soothing',
    how: 'On the spots only.',
  },
  hydroquinone: {
    name: 'Hydroquinone',
    strong: true,
    times: evening,
    properties: ['hydroquinone', 'leave-on'],
    kind: 'serum',
    how: 'On the dark marks only.',
  },
  serum: {
    name: 'Serum',
    times: both,
    properties: ['leave-on'],
    kind: 'serum',
    how: 'Press it in, then the cream.',
  },
  soothing: {
    name: 'Soothing gel or fluid',
    times: both,
    properties: ['calming', 'leave-on'],
    kind: 'soothing',
    how: 'A thin film where the skin is hot or red.',
  },
  eye: {
    name: 'Eye care',
    times: both,
    properties: ['eye-work', 'leave-on'],
    kind: 'eye',
    how: 'Tap it on the bone with your ring finger. Not on the lid.',
  },
  retinoid: {
    name: 'Retinoid',
    strong: true,
    times: evening,
    properties: ['retinoid', 'leave-on', 'evening-only'],
    kind: 'moisturiser',
    how: 'A thin film on dry skin. Keep off the eyes, the mouth and the neck.',
  },
  moisturiser: {
    name: 'Moisturiser',
    times: both,
    properties: ['leave-on'],
    kind: 'moisturiser',
    how: 'Warm it in your hands and press it on.',
  },
  neck: {
    name: 'Neck care',
    times: both,
    properties: ['leave-on'],
    kind: 'moisturiser',
    how: 'Strokes up, from the collarbone to the jaw. No acid and no retinoid here.',
  },
  lip: {
    name: 'Lip care',
    times: both,
    properties: ['lip-safe', 'leave-on'],
    kind: 'lip',
    how: 'As often as you like.',
  },
  sun: {
    name: 'Sun protection SPF 30 or more',
    times: morning,
    properties: ['sun-filter', 'leave-on'],
    kind: 'sun',
    how: 'Last of all, also on the neck and ears. Again every two hours outdoors.',
  },
}

export const isStrong = (role: HomeRole): boolean => ROLE_WORDS[role].strong === true

/** What is paused, as a client reads it. */
export const PAUSE_WORDS: Readonly<Record<Paused, string>> = {
  'own-actives': 'your own acid, scrub and retinoid',
  sun: 'strong sun and sunbeds',
  heat: 'sauna, steam and hot baths',
  pool: 'pool and sea',
  sport: 'sport that makes you sweat',
  'make-up': 'make-up',
  waxing: 'waxing and threading of the face',
}

/** What each role is called. */
export const HOME_ROLE_NAMES = Object.fromEntries(
  Object.entries(ROLE_WORDS).map(([role, { name }]) => [role, name]),
) as Readonly<Record<HomeRole, string>>
