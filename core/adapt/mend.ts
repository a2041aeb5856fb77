import { productsFor, setProduct } from '../catalog/shelf'
import type { Shelf } from '../catalog/model'
import type { LintFinding } from '../protocol/linter'
import { freshId } from '../protocol/family'
import type { Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import { TEXTURES, type Property } from '../protocol/words'
import { isLeaveOn } from '../safety/strength'
import type { Subject } from '../safety/subject'
import { EYES, withoutZones, zonesMeet } from '../skin/zones'

interface Bench {
  readonly steps: readonly Step[]
  readonly at: number
  readonly step: Step
  readonly shelf: Shelf
  readonly read: (step: Step) => Subject
}
type Mend = (bench: Bench) => readonly Step[] | undefined

const has = ({ read }: Bench, step: Step, ...any: Property[]): boolean =>
  any.some((property) => read(step).properties.has(property))
const near = (one: Step, other: Step): boolean => zonesMeet(one.zones, other.zones)
const put = ({ steps }: Bench, at: number, step: Step | undefined): Step[] | undefined =>
  step && [...steps.slice(0, at), step, ...steps.slice(at)]
const replace = ({ steps, at }: Bench, step: Step): Step[] =>
  steps.map((one, index) => (index === at ? step : one))
const takeOut = ({ steps }: Bench, gone: Step | undefined): Step[] | undefined =>
  gone && steps.filter((step) => step.id !== gone.id && step.closes !== gone.id)
const takeAll = ({ steps }: Bench, gone: (step: Step) => boolean): Step[] => {
  const ids = new Set(steps.filter(gone).map((step) => step.id))
  return steps.filter((step) => !ids.has(step.id) && !(step.closes && ids.has(step.closes)))
}
const move = (bench: Bench, from: number, to: number): Step[] => {
  const rest = bench.steps.filter((_, index) => index !== from)
  const place = from < to ? to - 1 : to
  return [...rest.slice(0, place), bench.steps[from]!, ...rest.slice(place)]
}
const byHand = (
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
function fromShelf(
  bench: Bench,
  property: Property,
  zones: Step['zones'],
  more: Partial<Step> = {},
): Step | undefined {
  for (const product of bench.shelf.products) {
    const use = product.uses.find(
      (one) =>
        (product.properties.includes(property) || one.properties?.includes(property)) &&
        one.zones.some((zone) => zones.includes(zone)),
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
    // What mends one thing must not break another: nothing that acts stands in for what soothes or tones.
    if (
      property === 'exfoliating' ||
      !has(
        bench,
        step,
        'exfoliating',
        'current',
        'warming',
        'retinoid',
        'self-heating',
        'flammable',
      )
    )
      return step
  }
  return undefined
}
/** Another product in the same step, without these properties. */
function swapped(bench: Bench, step: Step, ...without: Property[]): Step | undefined {
  const { products } = bench.shelf
  const other = productsFor(step, products)
    .map(({ pick }) => setProduct(step, pick, products))
    .find(
      (one) =>
        products.some((product) => product.id === one.product!.productId && product.stock > 0) &&
        !has(
          bench,
          { ...one, properties: one.properties.filter((property) => !without.includes(property)) },
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
const closing = (bench: Bench) => ({ closes: bench.step.id })
const afterIt: (property: Property) => Mend = (property) => (bench) => {
  const waiting = bench.steps.findIndex(
    (step, index) => index > bench.at && near(step, bench.step) && has(bench, step, property),
  )
  return waiting === -1
    ? put(bench, bench.at + 1, fromShelf(bench, property, bench.step.zones, closing(bench)))
    : move(bench, waiting, bench.at + 1)
}
const withTray =
  (item: string): Mend =>
  (bench) =>
    replace(bench, { ...bench.step, tray: [...(bench.step.tray ?? []), item] })
const withSegments =
  (change: (part: Step['segments'][number]) => Step['segments'][number]): Mend =>
  (bench) =>
    replace(bench, { ...bench.step, segments: bench.step.segments.map(change) })

const rankOf = ({ product }: Subject): number =>
  product?.texture === undefined ? -1 : TEXTURES.indexOf(product.texture)
const thicker = (a: Subject, b: Subject): boolean =>
  rankOf(a) > rankOf(b) && rankOf(b) !== -1 && isLeaveOn(a.step)

/** What mends each finding of the linter, by its id. */
const MENDS: Readonly<Record<string, Mend>> = {
  L01: (bench) =>
    replace(bench, {
      ...bench.step,
      segments: [
        ...bench.step.segments,
        segment('off', 'remove', 1.5, { tool: 'sponge', temperature: 'lukewarm' }),
      ],
    }),
  L02: afterIt('neutralising'),
  L03: afterIt('toning'),
  L04: (bench) => takeOut(bench, bench.step),
  L05: withSegments((part) => (part.kind === 'remove' ? { ...part, temperature: 'cool' } : part)),
  L06: (bench) => {
    const later = bench.steps.findIndex(
      (step, index) =>
        index > bench.at && near(step, bench.step) && has(bench, step, 'softening', 'steam'),
    )
    return later === -1
      ? put(bench, bench.at, fromShelf(bench, 'softening', bench.step.zones, closing(bench)))
      : move(bench, later, bench.at)
  },
  L07: (bench) =>
    put(bench, bench.at + 1, fromShelf(bench, 'calming', bench.step.zones, closing(bench))),
  L08: (bench) =>
    move(
      bench,
      bench.at,
      bench.steps.findIndex((step) => step.phase === 'moisturise'),
    ),
  L09: (bench) =>
    put(bench, bench.at, fromShelf(bench, 'eye-work', [...EYES])) ??
    replace(bench, { ...bench.step, zones: withoutZones(bench.step.zones, EYES) }),
  L10: withSegments((part) =>
    part.active && part.usualS > part.maxS ? { ...part, usualS: part.maxS } : part,
  ),
  L11: (bench) => {
    const close = bench.steps.findIndex((step) => step.phase === 'close')
    return put(
      bench,
      close === -1 ? bench.steps.length : close,
      fromShelf(
        bench,
        'sun-filter',
        bench.steps.flatMap((step) => (step.product ? step.zones : [])),
      ),
    )
  },
  L12: (bench) => {
    const burns = bench.steps.findLastIndex(
      (step, index) =>
        index < bench.at &&
        near(step, bench.step) &&
        has(bench, step, 'flammable') &&
        !step.segments.some((part) => part.kind === 'remove'),
    )
    const other = burns === -1 ? undefined : swapped(bench, bench.steps[burns]!, 'flammable')
    return other && bench.steps.map((step, index) => (index === burns ? other : step))
  },
  L13: (bench) =>
    put(
      bench,
      bench.at,
      byHand(bench, 'blot', 'Blot dry', ['blotting'], 0.5, 'tissue with an opening'),
    ),
  L14: (bench) =>
    put(
      bench,
      bench.at,
      byHand(bench, 'damp', 'Dampen with a wet sponge', ['cleansing'], 0.5, 'damp sponges, pair'),
    ),
  L15: withTray('conductive gel'),
  L16: (bench) =>
    put(
      bench,
      bench.at,
      byHand(bench, 'wipe', 'Wipe the oil off', ['cleansing'], 1, 'damp sponges, pair'),
    ),
  L17: (bench) => {
    const other = swapped(bench, bench.step, 'self-heating', 'warming')
    return other ? replace(bench, other) : takeOut(bench, bench.step)
  },
  L18: (bench) =>
    put(bench, bench.at + 1, fromShelf(bench, 'calming', bench.step.zones, closing(bench))),
  L19: (bench) =>
    takeOut(
      bench,
      bench.steps
        .filter((step) => bench.read(step).points > 0 && near(step, bench.step))
        .sort(
          (a, b) =>
            a.priority - b.priority ||
            Number(a.id !== bench.step.id) - Number(b.id !== bench.step.id),
        )[0],
    ),
  L20: (bench) => {
    const works = bench.step.segments.find((part) => part.workingS !== undefined)!.workingS!
    return withSegments((part) =>
      part.kind === 'apply' && part.usualS > works
        ? { ...part, usualS: works, minS: Math.min(part.minS, works) }
        : part,
    )(bench)
  },
  L21: (bench) => takeOut(bench, bench.step),
  // Without a dwell to hang under it gets its own time.
  L22: (bench) => {
    const { floating: _, ...own } = bench.step
    return replace(bench, own)
  },
  // The peel, the scrub or the suction goes to another visit of the course; what opens the skin stays.
  L24: (bench) =>
    takeAll(
      bench,
      (step) =>
        near(step, bench.step) &&
        step.id !== bench.step.id &&
        !has(bench, step, 'needling', 'blade') &&
        ((has(bench, step, 'acid') && has(bench, step, 'exfoliating')) ||
          has(bench, step, 'mechanical', 'scrub', 'suction')),
    ),
  L25: (bench) => {
    const at = bench.steps.findIndex(
      (step, index) =>
        index > bench.at &&
        near(step, bench.step) &&
        step.product &&
        !has(bench, step, 'open-skin-use'),
    )
    const unfit = bench.steps[at]
    if (!unfit) return undefined
    const fit = productsFor(unfit, bench.shelf.products)
      .map(({ pick }) => setProduct(unfit, pick, bench.shelf.products))
      .find(
        (step) =>
          has(bench, step, 'open-skin-use') &&
          bench.shelf.products.some(
            (product) => product.id === step.product!.productId && product.stock > 0,
          ),
      )
    return fit
      ? bench.steps.map((step, index) => (index === at ? fit : step))
      : takeOut(bench, unfit)
  },
  L26: withTray('sterile single-use tip'),
  L28: (bench) => {
    const usualS = Math.max(
      ...bench.step.segments.filter((part) => part.polarity).map((part) => part.usualS),
    )
    const other = bench.step.segments.some((part) => part.polarity === 'negative')
      ? 'positive'
      : 'negative'
    if (bench.step.segments.filter((part) => part.polarity).length === 1)
      return replace(bench, {
        ...bench.step,
        segments: bench.step.segments.flatMap((part) =>
          part.polarity ? [part, { ...part, id: `${part.id}-swapped`, polarity: other }] : [part],
        ),
      })
    return withSegments((part) =>
      part.polarity ? { ...part, usualS, maxS: Math.max(part.maxS, usualS) } : part,
    )(bench)
  },
  L29: (bench) => {
    const below = bench.steps.findIndex(
      (step, index) =>
        index < bench.at &&
        near(step, bench.step) &&
        thicker(bench.read(step), bench.read(bench.step)),
    )
    return below === -1 ? undefined : move(bench, bench.at, below)
  },
  L27: (bench) =>
    takeOut(
      bench,
      bench.steps.find(
        (step, index) =>
          index > bench.at && near(step, bench.step) && has(bench, step, 'occlusive'),
      ),
    ),
}

/** The ladder with one finding mended, or undefined where nothing on the shelf mends it. */
export function mend(
  finding: Pick<LintFinding, 'id' | 'stepId'>,
  steps: readonly Step[],
  shelf: Shelf,
  read: (step: Step) => Subject,
): Step[] | undefined {
  const at = steps.findIndex((step) => step.id === finding.stepId)
  const mended =
    at === -1 ? undefined : MENDS[finding.id]?.({ steps, at, step: steps[at]!, shelf, read })
  return mended && [...mended]
}
