/** Lines of travel that recur, as drawn on the face map; a point is pressed and held. */
export const PATHS = [
  'chin-earlobe',
  'mouth-ear',
  'nose-temple',
  'brow',
  'forehead-hairline',
  'jaw-cheek',
  'eye-circle',
  'throat-jaw',
  'chest-shoulder',
  'nape',
  'cheek-circles',
  'temple-point',
  'brow-points',
  'nasolabial',
  'lip-line',
  'scalp-circles',
  'hand-strokes',
] as const

export type PathId = (typeof PATHS)[number]

export const PATH_WORDS: Readonly<Record<PathId, string>> = {
  'chin-earlobe': 'chin to earlobe',
  'mouth-ear': 'mouth corner to ear',
  'nose-temple': 'nose wing to temple',
  brow: 'brow, start to end',
  'forehead-hairline': 'forehead to hairline',
  'jaw-cheek': 'jaw to cheek',
  'eye-circle': 'round the eye',
  'throat-jaw': 'throat to jaw, light',
  'chest-shoulder': 'chest to shoulder',
  nape: 'nape, upward',
  'cheek-circles': 'circles on the cheek',
  'temple-point': 'point at the temple',
  'brow-points': 'points along the brow',
  nasolabial: 'nose to mouth fold',
  'lip-line': 'along the lip line',
  'scalp-circles': 'circles on the scalp',
  'hand-strokes': 'hand, wrist to finger',
}

export const PRESSURES = ['light', 'light to medium', 'medium', 'firm'] as const

export const SIDES = ['both at once', 'each'] as const

export const WITH = ['hands', 'ring finger', 'tool', 'probe and guiding hand'] as const

export const MOVEMENT_TYPES = [
  'effleurage',
  'petrissage',
  'friction',
  'tapotement',
  'vibration',
  'press and hold',
] as const

export const PASS_PATTERNS = [
  'point to point, then slow slides',
  'small circles',
  'slow slides',
  'line: dots, through and back, tiny circles',
  'scar or pigment: dots, then circles',
  'side to side',
] as const
