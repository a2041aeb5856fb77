/** Kinds of product, in the order in which a visit uses them. */
export const PRODUCT_KINDS = [
  'makeup-remover',
  'cleanser',
  'toner',
  'scrub',
  'gommage',
  'enzyme',
  'acid',
  'neutraliser',
  'concentrate',
  'booster',
  'massage',
  'mask',
  'eye',
  'serum',
  'moisturiser',
  'sun',
  'lip',
  'soothing',
  'gel',
] as const
export type ProductKind = (typeof PRODUCT_KINDS)[number]
export const VEHICLES = ['water', 'alcohol', 'anhydrous'] as const
export const SKIN_STATES = ['dry', 'damp', 'any'] as const
export const LEAVES = ['nothing', 'oil', 'leave-on'] as const
/** How it comes off in an emergency, the plainest first. */
export const EMERGENCY_OFF = ['rinse', 'neutralise then rinse', 'lift off', 'cut and lift'] as const
export const SENSATIONS = [
  'warm',
  'tingling',
  'stinging',
  'burning',
  'itch',
  'hives',
  'swelling',
  'dizzy',
  'panic',
  'cannot-breathe',
  'whitening',
  'discomfort-seen',
] as const
export const UNITS = ['g', 'mL'] as const
export type Unit = (typeof UNITS)[number]
export { TEXTURES } from '../protocol/words'
export const CASTS = ['none', 'slight', 'white'] as const
export const GREASES = ['matte', 'satin', 'greasy'] as const
export const CONSISTENCIES = ['pourable', 'watery paste', 'smooth', 'spoon-thick'] as const
export const BOWLS = ['bowl', 'flexible bowl', 'covered bowl'] as const
/** Water as a part of a mix: it stands on no shelf, costs nothing and never runs out. */
export const WATER = 'water'
/** Supplies the tray and the costs know by name; a salon may keep others. */
export const SUPPLY_KINDS = ['single use', 'laundry', 'kept'] as const

/** What something is at home, in the order of use: thin to thick, sun protection last in the morning (domain.md 13, common practice). */
export const HOME_ROLES = [
  'remover',
  'cleanser',
  'toner',
  'scrub',
  'acid',
  'antioxidant',
  'benzoyl-peroxide',
  'azelaic',
  'sulfur',
  'hydroquinone',
  'serum',
  'soothing',
  'eye',
  'retinoid',
  'moisturiser',
  'neck',
  'lip',
  'sun',
] as const
export type HomeRole = (typeof HOME_ROLES)[number]

export const HOME_TIMES = ['morning', 'evening'] as const
export type HomeTime = (typeof HOME_TIMES)[number]
