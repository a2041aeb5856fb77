import type { StepPart, Subject } from '../strength'
import { holdsFreeWord } from '../catalog/free-word'
import type { Property } from '../protocol/words'
import type { ZoneId } from '../skin/zones'
import { zonesMeet } from '../skin/zones'
import type { Constraint, Selector } from './rule'

/** True when a selector is about this step: about one of the products in it. */
export const selects = (target: Selector, subject: Subject): boolean =>
  subject.parts.some((part) => selectsPart(target, part, subject))

const selectsPart = (target: Selector, part: StepPart, subject: Subject): boolean =>
  (target.stepId === undefined || target.stepId === subject.step.id) &&
  selectsProperties(target, part.properties) &&
  selectsProduct(target, part) &&
  (target.lever === undefined || subject.levers.some(({ lever }) => lever === target.lever))

const selectsProperties = (
  { any, all, not }: Selector,
  properties: ReadonlySet<Property>,
): boolean =>
  (any?.some((property) => properties.has(property)) ?? true) &&
  (all?.every((property) => properties.has(property)) ?? true) &&
  !not?.some((property) => properties.has(property))

const needsProduct = ({ unread, product }: Selector): boolean => unread ?? product ?? false

function selectsProduct(target: Selector, part: StepPart): boolean {
  if (!holdsWhat(target, part)) return false
  const { productId, exceptProducts, unread } = target
  const { product, inci } = part
  if (productId !== undefined && product?.id !== productId) return false
  if (product && exceptProducts?.includes(product.id)) return false
  if (unread && inci.state !== 'unread') return false
  return product !== undefined || !needsProduct(target)
}

/** What its ingredient list holds: a family, or a word of the client's own. */
const holdsWhat = ({ family, word }: Selector, { product, inci }: StepPart): boolean =>
  (family === undefined || inci.families.has(family)) &&
  (word === undefined || holdsFreeWord(product?.inci, word).length > 0)

/** True when a constraint touches this step on the zones it now has. */
export function touches(
  constraint: Constraint,
  subject: Subject,
  zones: readonly ZoneId[] = subject.step.zones,
): boolean {
  return subject.parts.some(
    (part) =>
      (!constraint.zones ||
        zonesMeet(
          part.zones.filter((zone) => zones.includes(zone)),
          constraint.zones,
        )) &&
      selectsPart(constraint.target, part, subject),
  )
}
