import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Pick, Step } from '../protocol/model'
import { onRung, type Subject } from '../strength'
import { picksOf, segmentsOfPick } from '../strength/parts'
import { addedBy } from './replacing'

/** The step with another product: its use gives the times and the way off; zones stay as far as the use covers them. */
export function withPick(step: Step, pick: Pick, shelf: Shelf): Step | undefined {
  const product = productById(shelf, pick.productId)
  const use = useOf(product, pick.useId)
  if (!product || !use || product.stock <= 0) return undefined
  const zones = step.zones.filter((zone) => use.zones.includes(zone))
  if (zones.length === 0) return undefined
  const { levers: _, ...rest } = step
  return withWritten(
    { ...rest, title: product.name, product: pick, zones, segments: use.segments },
    step,
  )
}

/** What stands in counts from the rung the card was written on. */
const withWritten = (swapped: Step, { levers }: Step): Step =>
  levers ? { ...swapped, levers } : swapped

interface Choosing {
  readonly shelf: Shelf
  readonly read: (step: Step) => Subject
  readonly allergiesAsked: boolean
}

/**
 * What may take a step, the best first: as written; what its product names itself to stand in; the card's other picks; what is of its kind.
 * Nothing put in adds anything (law 8). A step of several products may go on without one of them, never with another.
 */
export function candidates(step: Step, choosing: Choosing): Step[] {
  if (!step.product) return [step]
  if (picksOf(step).length > 1) return withFewerParts(step, choosing.shelf)
  const written = productById(choosing.shelf, step.product.productId)
  const subject = choosing.read(step)
  return [
    ...(written && written.stock > 0 ? [step] : []),
    ...otherPicks(step, choosing.shelf, written)
      .map((other) => heldTo(subject, other, choosing.read))
      .filter((other) => addedBy(choosing.read(other), subject, choosing).length === 0),
  ]
}

/** What would stand higher on a lever that is pulled anyway comes down to where the replaced stood. */
function heldTo(written: Subject, other: Step, read: (step: Step) => Subject): Step {
  return written.levers.reduce((held, { lever, rung }) => {
    const subject = read(held)
    const isHigher = subject.levers.some((pulled) => pulled.lever === lever && pulled.rung > rung)
    const { levers: _, ...lower } = (isHigher && onRung(subject, lever, rung)) || held
    return isHigher ? withWritten(lower, other) : held
  }, other)
}

function otherPicks(step: Step, shelf: Shelf, written: Product | undefined): Step[] {
  const usedIn = (products: readonly Product[]): Pick[] =>
    products.flatMap((product) =>
      product.uses
        .filter((use) => use.phase === step.phase)
        .slice(0, 1)
        .map((use) => ({ productId: product.id, useId: use.id })),
    )
  const named = (written?.substitutes ?? []).flatMap((id) => productById(shelf, id) ?? [])
  const picks = [
    ...usedIn(named),
    ...(step.otherPicks ?? []),
    ...usedIn(ofItsKind(step, shelf, written)),
  ]
  const first = (pick: Pick, at: number): boolean =>
    pick.productId !== step.product?.productId &&
    picks.findIndex((other) => other.productId === pick.productId) === at
  return picks.filter(first).flatMap((pick) => withPick(step, pick, shelf) ?? [])
}

/** Products of the same kind that leave the same behind; those for the step's concern first. */
function ofItsKind(
  { concern }: Step,
  { products }: Shelf,
  written: Product | undefined,
): Product[] {
  const serves = (product: Product) => Number(product.concerns.includes(concern ?? 'calm'))
  return products
    .filter(
      (product) =>
        product.id !== written?.id &&
        product.kind === written?.kind &&
        product.leaves === written.leaves,
    )
    .sort((a, b) => serves(b) - serves(a))
}

/** A step of several products with all that are in stock, then with one of them less, then with one alone. */
function withFewerParts(step: Step, shelf: Shelf): Step[] {
  const picks = picksOf(step).filter((pick) => pick !== undefined)
  const inStock = picks.filter((pick) => (productById(shelf, pick.productId)?.stock ?? 0) > 0)
  const subsets = [
    inStock,
    ...inStock.map((gone) => inStock.filter((pick) => pick !== gone)),
    ...inStock.map((pick) => [pick]),
  ]
  return subsets
    .filter(
      (kept, at) => kept.length > 0 && subsets.findIndex((other) => isSame(other, kept)) === at,
    )
    .map((kept) => (kept.length === picks.length ? step : withParts(step, kept)))
}

const isSame = (a: readonly Pick[], b: readonly Pick[]): boolean =>
  a.length === b.length && a.every((pick) => b.includes(pick))

/** The step with only these of its products, each in its own segments. */
function withParts(step: Step, kept: readonly Pick[]): Step {
  const own = new Set(kept.flatMap((pick) => segmentsOfPick(step, pick)))
  const { levers: _, ...rest } = step
  const segments = step.segments.filter((part) => own.has(part))
  const product = kept.find((pick) => isSamePick(pick, step.product)) ?? kept[0]!
  return withWritten({ ...rest, product, segments }, step)
}

const isSamePick = (a: Pick, b: Pick | undefined): boolean =>
  a.productId === b?.productId && a.useId === b.useId
