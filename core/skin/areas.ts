import type { ZoneId } from './zones'

/**
 * Skin area of each zone in cm², for a face of medium size (600 cm²; house shares, scaled to that total). Zones away from the treated
 * skin have none: what goes there is dosed by its own product. Check in areas.test: half the head of the Lund & Browder chart.
 */
const AREAS: Readonly<Partial<Record<ZoneId, number>>> = {
  forehead: 90,
  glabella: 10,
  'temple-left': 20,
  'temple-right': 20,
  'brow-left': 8,
  'brow-right': 8,
  'upper-lid-left': 8,
  'upper-lid-right': 8,
  'under-eye-left': 8,
  'under-eye-right': 8,
  'crows-foot-left': 6,
  'crows-foot-right': 6,
  'nose-bridge': 14,
  'nose-side-left': 9,
  'nose-side-right': 9,
  'cheekbone-left': 32,
  'cheekbone-right': 32,
  'cheek-left': 67,
  'cheek-right': 67,
  'nasolabial-left': 10,
  'nasolabial-right': 10,
  'upper-lip': 16,
  lips: 14,
  chin: 36,
  'jaw-left': 42,
  'jaw-right': 42,
  'under-chin': 60,
  'neck-front': 90,
  'neck-side-left': 50,
  'neck-side-right': 50,
  decollete: 300,
  nape: 60,
  ears: 30,
}

/** Face sizes against the medium one (house figures): nobody is asked for height and weight. */
export const FACE_SIZES = { S: 0.88, M: 1, L: 1.12 } as const
export type FaceSize = keyof typeof FACE_SIZES

/** Area of these zones in cm², each counted once. 0 for zones that have none. */
export const areaOf = (zones: readonly ZoneId[], size: FaceSize = 'M'): number =>
  [...new Set(zones)].reduce((sum, zone) => sum + (AREAS[zone] ?? 0), 0) * FACE_SIZES[size]
