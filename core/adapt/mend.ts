import { productsFor, setProduct } from '../catalog/shelf'
import type { Shelf } from '../catalog/model'
import { isUnfitAfter, isWork } from '../protocol/linter-reading'
import type { LintFinding } from '../protocol/linter'
import type { Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import type { Subject } from '../strength'
import { EYES, FACE, withoutZones } from '../skin/zones'
import {
  type Mend,
  has,
  near,
  withStepAt,
  replace,
  takeOut,
  takeAll,
  move,
  byHand,
  fromShelf,
  swapped,
  closing,
  afterIt,
  withTray,
  withSegments,
  thicker,
} from './mend-bench'

/** The whole of the face that a ladder works on. */
const faceOf = (steps: readonly Step[]): Step['zones'] => {
  const worked = new Set(steps.flatMap((step) => step.zones))
  return FACE.filter((zone) => worked.has(zone))
}

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
      ? withStepAt(bench, bench.at, fromShelf(bench, 'softening', bench.step.zones, closing(bench)))
      : move(bench, later, bench.at)
  },
  L07: (bench) =>
    withStepAt(bench, bench.at + 1, fromShelf(bench, 'calming', bench.step.zones, closing(bench))),
  L08: (bench) =>
    move(
      bench,
      bench.at,
      bench.steps.findIndex((step) => step.phase === 'moisturise'),
    ),
  L09: (bench) =>
    withStepAt(bench, bench.at, fromShelf(bench, 'eye-work', [...EYES])) ??
    replace(bench, { ...bench.step, zones: withoutZones(bench.step.zones, EYES) }),
  L10: withSegments((part) =>
    part.active && part.usualS > part.maxS ? { ...part, usualS: part.maxS } : part,
  ),
  L11: (bench) => {
    const close = bench.steps.findIndex((step) => step.phase === 'close')
    return withStepAt(
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
    withStepAt(
      bench,
      bench.at,
      byHand(bench, 'blot', 'Blot dry', ['blotting'], 0.5, 'tissue with an opening'),
    ),
  L14: (bench) =>
    withStepAt(
      bench,
      bench.at,
      byHand(bench, 'damp', 'Dampen with a wet sponge', ['cleansing'], 0.5, 'damp sponges, pair'),
    ),
  L15: withTray('conductive gel'),
  L16: (bench) =>
    withStepAt(
      bench,
      bench.at,
      byHand(bench, 'wipe', 'Wipe the oil off', ['cleansing'], 1, 'damp sponges, pair'),
    ),
  L17: (bench) => {
    const other = swapped(bench, bench.step, 'self-heating', 'warming')
    return other ? replace(bench, other) : takeOut(bench, bench.step)
  },
  L18: (bench) =>
    withStepAt(bench, bench.at + 1, fromShelf(bench, 'calming', bench.step.zones, closing(bench))),
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
    const isUnfit = (step: Step) => isUnfitAfter(bench.read(bench.step), bench.read(step))
    const at = bench.steps.findIndex(
      (step, index) => index > bench.at && near(step, bench.step) && isUnfit(step),
    )
    const unfit = bench.steps[at]
    if (!unfit) return undefined
    const fit = productsFor(unfit, bench.shelf.products)
      .map(({ pick }) => setProduct(unfit, pick, bench.shelf.products))
      .find(
        (step) =>
          !isUnfit(step) &&
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
  L30: (bench) =>
    withStepAt(
      bench,
      bench.at,
      fromShelf(bench, 'cleansing', faceOf(bench.steps), { phase: 'first-cleanse' }),
    ),
  // What finishes the skin goes behind the last work on its zones.
  L31: (bench) => {
    const last = bench.steps.findLastIndex(
      (step) => near(step, bench.step) && isWork(bench.read(step)),
    )
    return last > bench.at ? move(bench, bench.at, last + 1) : undefined
  },
  L33: (bench) => replace(bench, { ...bench.step, floating: { needs: 'quiet', over: true } }),
  L32: (bench) => takeOut(bench, bench.step),
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
