/** Phases in their usual order (domain order of work). */
export const PHASES = [
  'welcome',
  'eye-makeup',
  'first-cleanse',
  'second-cleanse',
  'analysis',
  'tone',
  'exfoliate',
  'neutralise',
  'soften',
  'extract',
  'calm',
  'concentrate',
  'massage',
  'device',
  'mask',
  'remove-tone',
  'serum',
  'eye',
  'moisturise',
  'sun',
  'lip',
  'enhancement',
  'close',
] as const
export type Phase = (typeof PHASES)[number]

/** Properties rules speak of. A step has those of its product, its use, its device and its own. */
export const PROPERTIES = [
  'exfoliating',
  'acid',
  'enzyme',
  'mechanical',
  'scrub',
  'gommage',
  'peel-solution',
  'heat',
  'warm-towel',
  'steam',
  /** Steam that a card cools away ten minutes before an acid (a method switch). */
  'steam-cooled',
  'cold',
  'current',
  'field',
  'rf',
  'led',
  'changing-light',
  'suction',
  'blade',
  'needling',
  'firm-pressure',
  'pressure',
  'extraction',
  'occludes-eyes',
  'occludes-mouth',
  'over-lids',
  'aerosol',
  'retinoid',
  'warming',
  'self-heating',
  'tightening',
  'film-peel',
  'oil',
  'eye-work',
  'magnet',
  'stings',
  'alkaline',
  'lip-safe',
  'softening',
  'calming',
  'sun-filter',
  'toning',
  'neutralising',
  'cleansing',
  'blotting',
  'needs-neutraliser',
  'wants-dry',
  'wants-damp',
  'sets',
  'leave-on',
  'salicylic-strong',
  'salicylic-rinse',
  'hydroquinone',
  'device',
  'flammable',
  'spark',
  'ultrasound',
  'infusion',
  'measured-infusion',
  /** Bare metal on the skin: probes, rollers, globes. */
  'metal-touch',
  /** Straight from the freezer; cool alone is `cold`. */
  'iced',
  /** Stands over the face: eyes and mouth are under it. */
  'panel',
  'led-blue',
  'ultrasonic-blade',
  'lancet',
  'drying',
  'face-only',
  'stand-alone',
  'occlusive',
  'tinted',
  'oily-finish',
  'rests',
  'conductive',
  // Read off the product, never written: see safety/subject.
  'open-skin-use',
  'mineral',
  'weak-sun-filter',
  'spf-unread',
  'mild-acid',
  'scented',
  'expired',
  'outside-review',
  'strong-active',
  'evening-only',
  /** As the maker says. */
  'off-warm',
  'off-lukewarm',
  'printed-minutes',
] as const
export type Property = (typeof PROPERTIES)[number]
const PROPERTY_WORDS: Partial<Record<Property, string>> = {
  rf: 'radio frequency',
  'steam-cooled': 'steam before an acid',
  'metal-touch': 'metal that touches the skin',
  iced: 'what comes from the freezer',
  panel: 'a panel over the face',
  'weak-sun-filter': 'sun protection below SPF 30, or not broad',
  'spf-unread': 'sun protection of which nobody entered the SPF',
  'mild-acid': 'a mild acid that is washed off at once',
  exfoliating: 'exfoliation',
  'ultrasonic-blade': 'ultrasonic spatula',
  blade: 'blade (dermaplaning)',
  'sun-filter': 'sun protection',
  'self-heating': 'thermal mask',
  led: 'LED',
  'led-blue': 'blue LED',
  'changing-light': 'flashing light',
  field: 'magnetic or electric field',
  'eye-work': 'work at the eyes',
  'over-lids': 'anything over the lids',
  'wants-dry': 'what wants dry skin',
  'wants-damp': 'what wants damp skin',
  sets: 'peel-off masks that set',
  rests: 'mixes that rest',
  'stand-alone': 'what stands alone',
  'outside-review': 'what stands outside the review',
  'salicylic-strong': 'strong salicylic acid',
  'salicylic-rinse': 'a salicylic peel, or one that is rinsed off',
  'occludes-eyes': 'covered eyes',
  'occludes-mouth': 'a covered mouth',
  stings: 'what stings',
  'open-skin-use': 'what is for open skin',
  'film-peel': 'masks peeled off as a film',
  'oily-finish': 'an oily finish',
  'evening-only': 'what is for the evening only',
  'off-warm': 'what its maker takes off warm',
  'off-lukewarm': 'what its maker takes off lukewarm',
  'printed-minutes': 'what its maker prints minutes for',
}
/** A property as a person says it. */
export const propertyWords = (property: Property): string =>
  PROPERTY_WORDS[property] ?? property.replaceAll('-', ' ')

export const LEVERS = [
  'exfoliation',
  'acid',
  'enzyme',
  'warming',
  'steam',
  'extraction',
  'pressure',
  'current',
  'suction',
  'rf',
  'light',
  'retinoid',
] as const
export type LeverId = (typeof LEVERS)[number]
export const LEVER_WORDS: Readonly<Record<LeverId, string>> = {
  exfoliation: 'exfoliation',
  acid: 'acid strength',
  enzyme: 'enzyme time',
  warming: 'warming time',
  steam: 'steam',
  extraction: 'extraction',
  pressure: 'massage pressure',
  current: 'current',
  suction: 'suction',
  rf: 'radio frequency',
  light: 'light',
  retinoid: 'retinoid',
}

/** How far the practitioner may go: at the client, in the room, or away. */
export const PLACES = ['client', 'room', 'away'] as const
export type Place = (typeof PLACES)[number]

/** What a dwell allows meanwhile. */
export const ADMITS = [
  'quiet',
  'hands',
  'arms',
  'feet',
  'scalp',
  'shoulders',
  'lips',
  'eyes',
] as const
export type Admits = (typeof ADMITS)[number]

/** Removal tools; local ones leave other zones alone, the others take the whole face. */
export const TOOLS = [
  'gauze',
  'swab',
  'mitt',
  'sponge',
  'dry-sponge',
  'towel',
  'compress',
  'spatula',
  'water',
  'lift-off',
  'none',
] as const
export type Tool = (typeof TOOLS)[number]
export const LOCAL_TOOLS: readonly Tool[] = [
  'gauze',
  'swab',
  'mitt',
  'sponge',
  'dry-sponge',
  'spatula',
  'lift-off',
  'none',
]

/** Textures from thin to thick: thin goes on before thick, water before oil. */
export const TEXTURES = [
  'water',
  'lotion',
  'gel',
  'serum',
  'emulsion',
  'cream',
  'oil',
  'balm',
  'powder',
  'sheet',
] as const
export type Texture = (typeof TEXTURES)[number]

export const TEMPERATURES = ['warm', 'lukewarm', 'room', 'cool'] as const
/** As it stands before the name of a cloth. */
export const TEMPERATURE_WORDS: Readonly<Record<(typeof TEMPERATURES)[number], string>> = {
  warm: 'warm',
  lukewarm: 'lukewarm',
  room: 'room-warm',
  cool: 'cool',
}
export type Temperature = (typeof TEMPERATURES)[number]
