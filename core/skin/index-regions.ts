import { CHEEK_LEFT, CHEEK_RIGHT, FOREHEAD, NOSE, type ZoneId } from './zones'

// Indices for tracking, never a diagnosis. Figures are values from memory; the source stands beside each.

/** A region of the lesion index and its factor: Doshi, Zaheer & Stiller, Int J Dermatol 1997;36:416–418 (value from memory). */
export const LESION_REGIONS = [
  { id: 'forehead', name: 'Forehead', factor: 2, zones: FOREHEAD },
  { id: 'right-cheek', name: 'Right cheek', factor: 2, zones: CHEEK_RIGHT },
  { id: 'left-cheek', name: 'Left cheek', factor: 2, zones: CHEEK_LEFT },
  { id: 'nose', name: 'Nose', factor: 1, zones: NOSE },
  { id: 'chin', name: 'Chin', factor: 1, zones: ['chin', 'upper-lip', 'under-chin'] },
  { id: 'chest-back', name: 'Chest and upper back', factor: 3, zones: ['decollete', 'shoulders'] },
] as const satisfies readonly {
  id: string
  name: string
  factor: number
  zones: readonly ZoneId[]
}[]

export type LesionRegion = (typeof LESION_REGIONS)[number]['id']

export const PIGMENT_REGIONS = ['forehead', 'right-malar', 'left-malar', 'chin'] as const

export type PigmentRegion = (typeof PIGMENT_REGIONS)[number]
