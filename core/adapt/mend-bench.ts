import { productsFor, setProduct } from '../catalog/shelf'
import type { Shelf } from '../catalog/model'
import { freshId } from '../protocol/family'
import type { Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import { TEXTURES, type Property } from '../protocol/words'
import { isLeaveOn } from '../strength'
import type { Subject } from '../strength'
import { zonesMeet } from '../skin/zones'
import { addsOnly } from './replacing'

interface Bench {
  readonly steps: readonly Step[]
  readonly at: number
  readonly step: Step
  readonly shelf: Shelf
  readonly read: (step: Step) => Subject
}
export type Mend = (bench: Bench) => readonly Step[] | undefined

export const has = ({ read }: Bench, step: Step, ...any: Property[]): boolean =>
  any.some((property) => read(step).properties.has(property))
export const near = (step: Step, other: Step): boolean => zonesMeet(step.zones, other.zones)
export const withStepAt = (
  { steps }: Bench,
  at: number,
  step: Step | undefined,
): Step[] | undefined => step && [...steps.slice(0, at), step, ...steps.slice(at)]
export const replace = ({ steps, at }: Bench, step: Step): Step[] =>
  steps.map((other, index) => (index === at ? step : other))
export const takeOut = ({ steps }: Bench, gone: Step | undefined): Step[] | undefined =>
  gone && steps.filter((step) => step.id !== gone.id && step.closes !== gone.id)
export const takeAll = ({ steps }: Bench, gone: (step: Step) => boolean): Step[] => {
  const ids = new Set(steps.filter(gone).map((step) => step.id))
  return steps.filter((step) => !ids.has(step.id) && !(step.closes && ids.has(step.closes)))
}
export const move = (bench: Bench, from: number, to: number): Step[] => {
  const rest = bench.steps.filter((_, index) => index !== from)
  const place = from < to ? to - 1 : to
  return [...rest.slice(0, place), bench.steps[from]!, ...rest.slice(place)]
}
export const byHand = (
  bench: Bench,
  suffix: string,
  title: string,
  properties: Property[],
  minutes: number,
  tray: string,
): Step => ({
  id: freshId(bench.steps, `${bench.step.id}+${suffix}`),
  phase: 'tone',
  title,
  zones: bench.step.zones,
  properties,
  segments: [segment('press', 'apply', minutes)],
  essential: true,
  priority: 5,
  closes: bench.step.id,
  tray: [tray],
})

/** A step with the first product in stock that has the property and may touch these zones. */
export function fromShelf(
  bench: Bench,
  property: Property,
  zones: Step['zones'],
  more: Partial<Step> = {},
): Step | undefined {
  for (const product of bench.shelf.products) {
    const use = product.uses.find(
      (use) =>
        (product.properties.includes(property) || use.properties?.includes(property)) &&
        use.zones.some((zone) => zones.includes(zone)),
    )
    if (!use || product.stock <= 0) continue
    const step: Step = {
      id: freshId(bench.steps, `${bench.step.id}+${property}`),
      phase: use.phase,
      title: product.name,
      zones: use.zones.filter((zone) => zones.includes(zone)),
      product: { productId: product.id, useId: use.id },
      properties: [],
      segments: use.segments,
      essential: true,
      priority: 5,
      ...more,
    }
    // What mends one thing must not break another: it brings nothing along but what it is put in for.
    if (addsOnly(bench.read(step), property)) return step
  }
  return undefined
}
/** Another product in the same step, without these properties. */
export function swapped(bench: Bench, step: Step, ...without: Property[]): Step | undefined {
  const { products } = bench.shelf
  const other = productsFor(step, products)
    .map(({ pick }) => setProduct(step, pick, products))
    .find(
      (step) =>
        products.some((product) => product.id === step.product!.productId && product.stock > 0) &&
        !has(
          bench,
          {
            ...step,
            properties: step.properties.filter((property) => !without.includes(property)),
          },
          ...without,
        ),
    )
  return (
    other && {
      ...other,
      properties: other.properties.filter((property) => !without.includes(property)),
    }
  )
}
export const closing = (bench: Bench) => ({ closes: bench.step.id })
export const afterIt: (property: Property) => Mend = (property) => (bench) => {
  const waiting = bench.steps.findIndex(
    (step, index) => index > bench.at && near(step, bench.step) && has(bench, step, property),
  )
  return waiting === -1
    ? withStepAt(bench, bench.at + 1, fromShelf(bench, property, bench.step.zones, closing(bench)))
    : move(bench, waiting, bench.at + 1)
}
export const withTray =
  (item: string): Mend =>
  (bench) =>
    replace(bench, { ...bench.step, tray: [...(bench.step.tray ?? []), item] })
export const withSegments =
  (change: (part: Step['segments'][number]) => Step['segments'][number]): Mend =>
  (bench) =>
    replace(bench, { ...bench.step, segments: bench.step.segments.map(change) })

const rankOf = ({ product }: Subject): number =>
  product?.texture === undefined ? -1 : TEXTURES.indexOf(product.texture)
export const thicker = (a: Subject, b: Subject): boolean =>
  rankOf(a) > rankOf(b) && rankOf(b) !== -1 && isLeaveOn(a.step)
