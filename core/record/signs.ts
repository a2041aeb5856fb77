import type { Concern } from '../client'
import { zonesInWords, type Finding, type FindingKind, type ZoneId } from '../skin'

/** What a reading shows in a word, so that visits can be laid side by side: more than one finding may say the same. */
export const SIGNS = [
  { id: 'redness', kinds: ['flushing', 'vessels'] },
  { id: 'spots', kinds: ['congestion', 'inflamed', 'deep-lesion', 'ingrown'] },
  { id: 'pigment', kinds: ['patchy-pigment', 'marks', 'tone-step'] },
  { id: 'dryness', kinds: ['dry', 'dehydrated', 'surface-dry'] },
  { id: 'oil', kinds: ['oily'] },
  { id: 'lines', kinds: ['lines'] },
  { id: 'laxity', kinds: ['laxity'] },
  { id: 'texture', kinds: ['pores', 'dull', 'scars', 'new-scars'] },
  { id: 'puffiness', kinds: ['puffy'] },
  { id: 'sensitivity', kinds: ['sensitive', 'barrier'] },
] as const satisfies readonly { readonly id: string; readonly kinds: readonly FindingKind[] }[]
export type SignId = (typeof SIGNS)[number]['id']

const KINDS: ReadonlyMap<SignId, readonly FindingKind[]> = new Map(
  SIGNS.map(({ id, kinds }) => [id, kinds]),
)

/** Grade 1 … 4 of a sign by zone, where it was seen; of two findings in a zone the higher. */
export function gradesOf(sign: SignId, findings: readonly Finding[]): ReadonlyMap<ZoneId, number> {
  const kinds = KINDS.get(sign)!
  const grades = new Map<ZoneId, number>()
  for (const { kind, grade, zones } of findings) {
    if (!kinds.includes(kind)) continue
    for (const zone of zones) grades.set(zone, Math.max(grade, grades.get(zone) ?? 0))
  }
  return grades
}

/** The highest grade of a sign anywhere, 0 where it was not seen. */
export const highestGrade = (sign: SignId, findings: readonly Finding[]): number =>
  Math.max(0, ...gradesOf(sign, findings).values())

/** Signs that any of several readings shows, in the order of `SIGNS`. */
export const signsSeen = (readings: readonly (readonly Finding[])[]): SignId[] =>
  SIGNS.map(({ id }) => id).filter((sign) =>
    readings.some((findings) => gradesOf(sign, findings).size > 0),
  )

/** Where, in as few words as it takes; many places are said by how many they are. */
export function placesInWords(zones: readonly ZoneId[]): string {
  const words = zonesInWords(zones)
  return words.split(', ').length > MOST_PLACES ? `${zones.length} places` : words
}
const MOST_PLACES = 3

/** Signs by which a wish is seen, the plainest first. */
export const SIGNS_OF: Readonly<Record<Concern, readonly SignId[]>> = {
  calm: ['redness', 'sensitivity', 'spots'],
  clarify: ['spots', 'texture', 'oil'],
  hydrate: ['dryness'],
  firm: ['laxity', 'lines'],
  brighten: ['pigment', 'texture'],
  smooth: ['texture', 'lines'],
  eyes: ['puffiness', 'lines'],
  lips: ['dryness', 'lines'],
}
