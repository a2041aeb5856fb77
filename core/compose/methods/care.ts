import { productById, useOf } from '../../catalog/shelf'
import type { Step } from '../../protocol/model'
import { segment } from '../../protocol/segments'
import { withoutZones } from '../../skin/zones'
import {
  NECK_AND_CHEST,
  WET,
  insert,
  fresh,
  each,
  comesOff,
  onFace,
  isAcid,
  before,
  after,
  firstOf,
  finish,
  having,
  remove,
  on,
  type Bench,
} from './bench'

export function toneAfterEveryRemoval(bench: Bench): readonly Step[] {
  let steps = [...bench.steps]
  for (const step of bench.steps) {
    const index = steps.findIndex((other) => other.id === step.id)
    const wet =
      onFace(step) &&
      !step.floating &&
      step.segments.some(
        (part) => part.kind === 'remove' && part.tool !== undefined && WET.includes(part.tool),
      )
    const next = steps.slice(index + 1).find((step) => !step.floating && onFace(step))
    // A neutraliser, a tissue or a soothing gel that must follow at once comes first.
    if (
      !wet ||
      !next ||
      next.closes === step.id ||
      bench.has(next, 'toning', 'blotting', 'cleansing', 'neutralising') ||
      next.phase === 'first-cleanse'
    )
      continue
    steps = insert(
      steps,
      index + 1,
      fresh(on(bench, steps), 'tone', undefined, { closes: step.id }),
    )
  }
  return steps
}

export function toneWhereItMust(bench: Bench): readonly Step[] {
  const last = bench.steps.findLastIndex((step) => bench.has(step, 'toning'))
  return bench.steps.filter((step, index) => {
    if (!bench.has(step, 'toning') || index === last) return true
    const cause = bench.steps.slice(0, index).findLast((step) => onFace(step) && step.product)
    return cause !== undefined && bench.has(cause, 'alkaline')
  })
}

export function serumsTogether(bench: Bench): readonly Step[] {
  const first = bench.steps.find((step) => step.phase === 'serum')
  return each(
    bench,
    (step) => step.phase === 'serum' && step !== first && step.byMethod === undefined,
    (step) => ({
      ...step,
      byMethod: bench.question,
      writtenTitle: step.title,
      title: `${step.title}, into the same palm`,
      segments: [segment('drops', 'apply', [0.1, 0.25, 0.5])],
    }),
  )
}
export function serumsOneByOne(bench: Bench): readonly Step[] {
  return each(
    bench,
    (step) => step.phase === 'serum' && step.byMethod === bench.question,
    ({ byMethod: _, writtenTitle, ...step }) => ({
      ...step,
      title: writtenTitle ?? step.title,
      segments: useOf(productById(bench.shelf, step.product?.productId), step.product?.useId)
        ?.segments ?? [segment('on', 'apply', 1), segment('dry', 'settle', 0.5)],
    }),
  )
}

export function mist(bench: Bench, where: string): readonly Step[] {
  const isMist = (step: Step) => step.byMethod === bench.question
  const bare = on(
    bench,
    bench.steps.filter((step) => !isMist(step)),
  )
  if (where === 'before') return having(bare, isMist, 'tone', finish, { title: 'Mist' })
  return having(
    bare,
    isMist,
    'tone',
    firstOf(
      after((step) => step.phase === 'serum'),
      finish,
    ),
    { title: 'Mist' },
  )
}

export function neckToo(bench: Bench): Step[] {
  return each(
    bench,
    (step) => onFace(step) && !step.deviceId && step.product !== undefined,
    (step) => {
      const allowed =
        useOf(productById(bench.shelf, step.product!.productId), step.product!.useId)?.zones ?? []
      return {
        ...step,
        zones: [
          ...new Set([...step.zones, ...NECK_AND_CHEST.filter((zone) => allowed.includes(zone))]),
        ],
      }
    },
  )
}
export const neckPriced = (bench: Bench): Step[] =>
  each(
    bench,
    (step) => withoutZones(step.zones, NECK_AND_CHEST).length > 0,
    (step) => ({ ...step, zones: withoutZones(step.zones, NECK_AND_CHEST) }),
  )

export function evening(bench: Bench, how: string): readonly Step[] {
  const bare = on(
    bench,
    bench.steps
      .filter((step) => step.byMethod !== bench.question)
      .map((step) => {
        if (step.phase !== 'sun') return step
        const { when: _, ...plain } = step
        return plain
      }),
  )
  if (how !== 'retinoid') return bare.steps
  const day = each(
    bare,
    (step) => step.phase === 'sun',
    (step) => ({ ...step, when: { time: 'day' as const } }),
  )
  return having(
    on(bench, day),
    (step) => bench.has(step, 'retinoid') && !comesOff(step),
    'night-retinoid',
    firstOf(
      after((step) => step.phase === 'moisturise'),
      before((step) => step.phase === 'close'),
    ),
    { when: { time: 'evening' } },
  )
}

export function retinolWithAcid(bench: Bench, how: string): readonly Step[] {
  const both = bench.steps.some(isAcid(bench))
  const leftOn = (step: Step) => bench.has(step, 'retinoid') && !comesOff(step)
  if (how === 'pause') return both ? remove(bench, leftOn) : bench.steps
  return each(bench, isAcid(bench), (step) => ({
    ...step,
    zones: withoutZones(step.zones, NECK_AND_CHEST),
  }))
}
