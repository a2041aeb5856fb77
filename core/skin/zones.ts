/** Zones of the treated skin, and the places an enhancement works on meanwhile. */
export const ZONES = [
  'forehead', 'nose', 'cheek-left', 'cheek-right', 'chin', 'eye-contour', 'lips', 'neck', 'decollete',
  'ear', 'scalp', 'shoulders', 'arms', 'hands', 'feet',
] as const
export type ZoneId = (typeof ZONES)[number]

/** The face without eye contour and lips: what "the face" means for a mask or an acid. */
export const FACE: readonly ZoneId[] = ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin']
export const WHOLE_FACE: readonly ZoneId[] = [...FACE, 'eye-contour', 'lips']
export const FACE_NECK: readonly ZoneId[] = [...FACE, 'neck', 'decollete']
/** Zones away from the treated skin; hands coming back from them are cleaned first. */
export const ELSEWHERE: readonly ZoneId[] = ['scalp', 'shoulders', 'arms', 'hands', 'feet']

const NAMES: Readonly<Record<ZoneId, string>> = {
  forehead: 'forehead', nose: 'nose', 'cheek-left': 'left cheek', 'cheek-right': 'right cheek', chin: 'chin',
  'eye-contour': 'eye contour', lips: 'lips', neck: 'neck', decollete: 'décolleté', ear: 'behind the ear',
  scalp: 'scalp', shoulders: 'shoulders', arms: 'arms', hands: 'hands', feet: 'feet',
}

const GROUPS: readonly (readonly [string, readonly ZoneId[]])[] = [
  ['face', FACE], ['cheeks', ['cheek-left', 'cheek-right']],
]

/** Zones in words, groups first: "face, neck", "cheeks, nose". */
export function zonesInWords(zones: readonly ZoneId[]): string {
  let left = ZONES.filter((zone) => zones.includes(zone))
  const words: string[] = []
  for (const [name, group] of GROUPS) {
    if (!group.every((zone) => left.includes(zone))) continue
    words.push(name)
    left = left.filter((zone) => !group.includes(zone))
  }
  return [...words, ...left.map((zone) => NAMES[zone])].join(', ')
}

/** Zones of `a` that are also in `b`, in `a`'s order. */
export const sharedZones = (a: readonly ZoneId[], b: readonly ZoneId[]): ZoneId[] => a.filter((zone) => b.includes(zone))
/** Zones of `a` that are not in `b`, in `a`'s order. */
export const withoutZones = (a: readonly ZoneId[], b: readonly ZoneId[]): ZoneId[] => a.filter((zone) => !b.includes(zone))
