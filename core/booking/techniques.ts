import type { Shelf } from '../catalog/model'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import type { Technique } from '../safety/rule'
import { subjectReader } from '../strength'

/** Properties of a step that its practitioner's scope has to have (rules F01 to F05). */
const ASKED: readonly (readonly [Property, Technique])[] = [
  ['needling', 'needling'],
  ['blade', 'blade'],
  ['lancet', 'lancet'],
  ['rf', 'rf'],
  ['measured-infusion', 'measured-infusion'],
]

/**
 * What somebody must be allowed to do to perform a card whole, on somebody of age or not. Who is not allowed is no longer free for it; whether the visit
 * itself leaves a step out is the rule book's word.
 */
export function techniquesOf(steps: readonly Step[], shelf: Shelf, isMinor: boolean): Technique[] {
  const properties = new Set(
    steps.map(subjectReader(shelf)).flatMap(({ properties: held }) => [...held]),
  )
  const asked = ASKED.filter(([property]) => properties.has(property)).map(
    ([, technique]) => technique,
  )
  return isMinor ? [...asked, 'minors'] : asked
}
