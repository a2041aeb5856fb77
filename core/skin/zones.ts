/**
 * Zones of the treated skin (domain words), then the places an enhancement works on. Left and right are the client's own.
 * Every list of zones in the product is made of these; groups below are only names for some of them together.
 */
export const ZONES = [
  'forehead',
  'glabella',
  'temple-left',
  'temple-right',
  'brow-left',
  'brow-right',
  'upper-lid-left',
  'upper-lid-right',
  'under-eye-left',
  'under-eye-right',
  'crows-foot-left',
  'crows-foot-right',
  'nose-bridge',
  'nose-side-left',
  'nose-side-right',
  'cheekbone-left',
  'cheekbone-right',
  'cheek-left',
  'cheek-right',
  'nasolabial-left',
  'nasolabial-right',
  'upper-lip',
  'lips',
  'chin',
  'jaw-left',
  'jaw-right',
  'under-chin',
  'neck-front',
  'neck-side-left',
  'neck-side-right',
  'decollete',
  'ears',
  'scalp',
  'nape',
  'shoulders',
  'arms',
  'hands',
  'feet',
] as const
export type ZoneId = (typeof ZONES)[number]

export const NOSE: readonly ZoneId[] = ['nose-bridge', 'nose-side-left', 'nose-side-right']
export const CHEEK_LEFT: readonly ZoneId[] = [
  'cheekbone-left',
  'cheek-left',
  'nasolabial-left',
  'jaw-left',
]
export const CHEEK_RIGHT: readonly ZoneId[] = [
  'cheekbone-right',
  'cheek-right',
  'nasolabial-right',
  'jaw-right',
]
export const CHEEKS: readonly ZoneId[] = [...CHEEK_LEFT, ...CHEEK_RIGHT]
export const FOREHEAD: readonly ZoneId[] = ['forehead', 'glabella', 'temple-left', 'temple-right']
export const MOUTH: readonly ZoneId[] = ['upper-lip', 'lips', 'chin']
export const T_ZONE: readonly ZoneId[] = ['forehead', 'glabella', ...NOSE, 'chin']
/** Lids, brows and their surroundings: permissions of each product and device, by default not allowed. */
export const EYES: readonly ZoneId[] = [
  'brow-left',
  'brow-right',
  'upper-lid-left',
  'upper-lid-right',
  'under-eye-left',
  'under-eye-right',
  'crows-foot-left',
  'crows-foot-right',
]
export const LIDS: readonly ZoneId[] = ['upper-lid-left', 'upper-lid-right']
export const EYE_CONTOUR: readonly ZoneId[] = [
  'under-eye-left',
  'under-eye-right',
  'crows-foot-left',
  'crows-foot-right',
]
export const NECK: readonly ZoneId[] = [
  'under-chin',
  'neck-front',
  'neck-side-left',
  'neck-side-right',
]

/** The face without eye area and lips: what "the face" means for a mask or an acid. */
export const FACE: readonly ZoneId[] = [...FOREHEAD, ...NOSE, ...CHEEKS, 'upper-lip', 'chin']
export const WHOLE_FACE: readonly ZoneId[] = [...FACE, ...EYES, 'lips']
export const FACE_NECK: readonly ZoneId[] = [...FACE, ...NECK, 'decollete']
/** Zones away from the treated skin; hands coming back from them are cleaned first. */
export const ELSEWHERE: readonly ZoneId[] = ['scalp', 'nape', 'shoulders', 'arms', 'hands', 'feet']
/** Zones a single client's skin is read on. */
export const READ_ZONES: readonly ZoneId[] = ZONES.filter(
  (zone) => !ELSEWHERE.includes(zone) && zone !== 'ears',
)

const NAMES: Readonly<Record<ZoneId, string>> = {
  forehead: 'forehead',
  glabella: 'between the brows',
  'temple-left': 'left temple',
  'temple-right': 'right temple',
  'brow-left': 'left brow',
  'brow-right': 'right brow',
  'upper-lid-left': 'left upper lid',
  'upper-lid-right': 'right upper lid',
  'under-eye-left': 'under the left eye',
  'under-eye-right': 'under the right eye',
  'crows-foot-left': 'left crow’s-foot',
  'crows-foot-right': 'right crow’s-foot',
  'nose-bridge': 'nose bridge',
  'nose-side-left': 'left side of the nose',
  'nose-side-right': 'right side of the nose',
  'cheekbone-left': 'left cheekbone',
  'cheekbone-right': 'right cheekbone',
  'cheek-left': 'left cheek',
  'cheek-right': 'right cheek',
  'nasolabial-left': 'left nose-to-mouth fold',
  'nasolabial-right': 'right nose-to-mouth fold',
  'upper-lip': 'upper lip',
  lips: 'lips',
  chin: 'chin',
  'jaw-left': 'left jawline',
  'jaw-right': 'right jawline',
  'under-chin': 'under the chin',
  'neck-front': 'front of the neck',
  'neck-side-left': 'left side of the neck',
  'neck-side-right': 'right side of the neck',
  decollete: 'décolleté',
  ears: 'ears',
  nape: 'nape',
  scalp: 'scalp',
  shoulders: 'shoulders',
  arms: 'arms',
  hands: 'hands',
  feet: 'feet',
}

export interface ZoneGroup {
  readonly id: string
  readonly name: string
  readonly zones: readonly ZoneId[]
}
/** Groups by which people speak, the largest first: one touch for many zones, and shorter sentences. */
export const ZONE_GROUPS: readonly ZoneGroup[] = [
  { id: 'face', name: 'face', zones: FACE },
  { id: 'eyes', name: 'eye area', zones: EYES },
  { id: 't-zone', name: 'T-zone', zones: T_ZONE },
  { id: 'cheeks', name: 'cheeks', zones: CHEEKS },
  { id: 'forehead', name: 'whole forehead', zones: FOREHEAD },
  { id: 'nose', name: 'nose', zones: NOSE },
  { id: 'cheek-left', name: 'whole left cheek', zones: CHEEK_LEFT },
  { id: 'cheek-right', name: 'whole right cheek', zones: CHEEK_RIGHT },
  { id: 'eye-contour', name: 'eye contour', zones: EYE_CONTOUR },
  { id: 'lids', name: 'upper lids', zones: LIDS },
  { id: 'neck', name: 'neck', zones: NECK },
]

export const zoneName = (zone: ZoneId): string => NAMES[zone]

/** Zones in words, the largest groups first, the rest one by one: "face, neck", "cheeks, nose". Both sides of one place are said together. */
export function zonesInWords(zones: readonly ZoneId[]): string {
  let left = ZONES.filter((zone) => zones.includes(zone))
  const words: string[] = []
  for (const { name, zones: group } of ZONE_GROUPS) {
    if (!group.every((zone) => left.includes(zone))) continue
    words.push(name)
    left = left.filter((zone) => !group.includes(zone))
  }
  return [...words, ...left.map((zone) => NAMES[zone])].join(', ')
}

const index: ReadonlyMap<ZoneId, number> = new Map(ZONES.map((zone, at) => [zone, at]))
const HALF = 30
const masks = new WeakMap<readonly ZoneId[], readonly [number, number]>()
/** A list of zones as two whole numbers, kept per list (lists are never changed in place): rules ask thousands of times whether two lists meet. */
function maskOf(zones: readonly ZoneId[]): readonly [number, number] {
  const known = masks.get(zones)
  if (known) return known
  let low = 0
  let high = 0
  for (const zone of zones) {
    const at = index.get(zone)!
    if (at < HALF) low |= 1 << at
    else high |= 1 << (at - HALF)
  }
  const mask = [low, high] as const
  masks.set(zones, mask)
  return mask
}

/** True when two lists have a zone in common. */
export function zonesMeet(a: readonly ZoneId[], b: readonly ZoneId[]): boolean {
  const [lowA, highA] = maskOf(a)
  const [lowB, highB] = maskOf(b)
  return (lowA & lowB) !== 0 || (highA & highB) !== 0
}
/** Zones of `a` that are also in `b`, in `a`'s order. */
export const sharedZones = (a: readonly ZoneId[], b: readonly ZoneId[]): ZoneId[] =>
  a.filter((zone) => b.includes(zone))
/** Zones of `a` that are not in `b`, in `a`'s order. */
export const withoutZones = (a: readonly ZoneId[], b: readonly ZoneId[]): ZoneId[] =>
  a.filter((zone) => !b.includes(zone))
