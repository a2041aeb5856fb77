import { PROPERTIES, propertyWords, type Property, type Texture } from '../protocol/words'
import { isLeaveOn, type Subject } from '../strength'

/** What soothes, cleanses, tones or only describes. Every other property can hurt somebody, one that is added tomorrow too. */
const HARMLESS: ReadonlySet<Property> = new Set([
  'pressure',
  'eye-work',
  'lip-safe',
  'softening',
  'calming',
  'sun-filter',
  'toning',
  'neutralising',
  'cleansing',
  'blotting',
  'wants-dry',
  'wants-damp',
  'leave-on',
  'device',
  'metal-touch',
  'conductive',
  'open-skin-use',
  'mineral',
  'mild-acid',
  'scented',
  'off-warm',
  'off-lukewarm',
  'printed-minutes',
])
/** Nothing that is put in by the engine brings one of these along. */
export const HAZARDS: readonly Property[] = PROPERTIES.filter((property) => !HARMLESS.has(property))

type TextureKind = 'watery' | 'creamy' | 'oily' | 'powder' | 'sheet'
const TEXTURE_KINDS: Readonly<Record<Texture, TextureKind>> = {
  water: 'watery',
  lotion: 'watery',
  gel: 'watery',
  serum: 'watery',
  emulsion: 'creamy',
  cream: 'creamy',
  oil: 'oily',
  balm: 'oily',
  powder: 'powder',
  sheet: 'sheet',
}
/**
 * Law 8: what the replacement has that the replaced had not, in a few words each; empty where it adds nothing. Hazard properties, levers
 * and their rungs, another time of day, texture or way of staying on; and, where nobody asked for allergies, ingredient families.
 */
export function addedBy(
  other: Subject,
  written: Subject,
  { allergiesAsked }: { readonly allergiesAsked: boolean },
): string[] {
  return [
    ...HAZARDS.filter(
      (hazard) => other.properties.has(hazard) && !written.properties.has(hazard),
    ).map(propertyWords),
    ...other.levers
      .filter(({ lever, rung }) => rung > rungOn(written, lever))
      .map(({ lever, rung }) => `${lever} rung ${rung}`),
    ...(allergiesAsked ? [] : newFamilies(other, written)),
    ...otherManner(other, written),
  ]
}

const rungOn = (subject: Subject, wanted: string): number =>
  subject.levers.find(({ lever }) => lever === wanted)?.rung ?? 0

function newFamilies({ inci }: Subject, written: Subject): string[] {
  const families = [...inci.families.keys()].filter((family) => !written.inci.families.has(family))
  const isUnread = inci.state === 'unread' && written.inci.state === 'read'
  return [
    ...families.map((family) => `${family}, not asked about`),
    ...(isUnread ? ['no list of ingredients'] : []),
  ]
}

function otherManner(other: Subject, written: Subject): string[] {
  const [product, before] = [other.product, written.product]
  if (!product || !before) return []
  const found: string[] = []
  if (product.time !== undefined && product.time !== before.time)
    found.push(`for the ${product.time} only`)
  const [kind, kindBefore] = [product, before].map(
    ({ texture }) => texture && TEXTURE_KINDS[texture],
  )
  if (kind && kindBefore && kind !== kindBefore) found.push(`${kind}, not ${kindBefore}`)
  if (isLeaveOn(other.step) && !isLeaveOn(written.step)) found.push('left on')
  return found
}

/** An insertion has only what its rule asks for: no hazard, but where what is asked for is one (what neutralises is alkaline). */
export function addsOnly(subject: Subject, property: Property): boolean {
  const allowed: readonly Property[] =
    property === 'neutralising' ? [property, 'alkaline'] : [property]
  return !HAZARDS.some((hazard) => subject.properties.has(hazard) && !allowed.includes(hazard))
}
