import type { Product } from '#core/catalog'
import { forbiddenIn } from './forbidden'
import { holdsFamily } from './allergens'
import { Facts, type Outcome, type Visit } from './facts'
import { touchesOf, type Touch } from './touch'

const WITH_LADDER = ['ready', 'thinned', 'over', 'ask-first']
const WORK = ['exfoliate', 'neutralise', 'soften', 'extract', 'concentrate', 'device', 'mask']
const TREATMENT = ['exfoliate', 'extract', 'concentrate', 'massage', 'device', 'mask']
const FACE = [
  'forehead',
  'cheek-left',
  'cheek-right',
  'chin',
  'nose-bridge',
  'jaw-left',
  'jaw-right',
]

const meet = (a: readonly string[], b: readonly string[]): boolean =>
  a.some((zone) => b.includes(zone))

/** Everything that is wrong with what came of a visit, read off the finished ladder alone. Empty: nothing is. */
export function judge(visit: Visit, outcome: Outcome): string[] {
  if (!WITH_LADDER.includes(outcome.status)) return []
  const facts = new Facts(visit)
  const steps = outcome.steps.map((step) => touchesOf(step, visit.shelf))
  const putOn = steps.flatMap((touches) =>
    touches.flatMap((touch) =>
      forbiddenIn(touch, facts, visit).map((why) => `${touch.step.title}: ${why}`),
    ),
  )
  return [
    ...putOn,
    ...wrongOrders(steps.map(whole), visit),
    ...tooMuch(steps, facts),
    ...tooMuchTogether(steps, facts),
    ...untrue(visit, outcome),
    ...ofTheVisit(facts),
  ]
}

/** Several products of a step as one, for the order of things. */
function whole(touches: readonly Touch[]): Touch {
  return { ...touches[0]!, is: new Set(touches.flatMap(({ is }) => [...is])) }
}

/** A visit that may not be at all. */
function ofTheVisit(facts: Facts): string[] {
  return [
    ...(facts.said('infection') ? ['treated with an infection'] : []),
    ...(facts.said('unwell') ? ['treated though unwell'] : []),
    ...(facts.said('immune') ? ['treated with the immune system suppressed, no clearance'] : []),
    ...(facts.age < 18 && !facts.said('guardian-consent') ? ['a minor without a guardian'] : []),
  ]
}

const has = ({ is }: Touch, ...any: string[]): boolean => any.some((property) => is.has(property))
const isAcid = (touch: Touch): boolean => has(touch, 'acid') && has(touch, 'exfoliating')
const SOFTENS = ['softening', 'exfoliating', 'steam', 'warm-towel']

/** A step among the others that share its zones. */
interface Place {
  readonly touch: Touch
  readonly before: readonly Touch[]
  readonly after: readonly Touch[]
  readonly earlier: readonly Touch[]
  readonly daytime: boolean
}
type Order = readonly [words: string, isWrong: (place: Place) => boolean]

/** Wrong orders of the trade (common practice, no source). */
const ORDERS: readonly Order[] = [
  [
    'not neutralised',
    ({ touch, after }) =>
      has(touch, 'needs-neutraliser') && !(after[0] && has(after[0], 'neutralising')),
  ],
  [
    'steam and acid',
    ({ touch, before, after }) => has(touch, 'steam') && [...before, ...after].some(isAcid),
  ],
  [
    'nothing softened',
    ({ touch, before }) =>
      has(touch, 'extraction') && !before.some((other) => has(other, ...SOFTENS)),
  ],
  ['heat over acid', ({ touch, before }) => has(touch, 'self-heating') && before.some(isAcid)],
  [
    'a retinoid left on by day',
    ({ touch, daytime }) => has(touch, 'retinoid') && touch.leftOn && daytime,
  ],
  ['open skin', ({ touch, after }) => has(touch, 'needling') && after.some(isUnfitForOpenSkin)],
  ['fresh skin', ({ touch, after }) => has(touch, 'blade') && after.some(isTooMuchForFreshSkin)],
  [
    'spark over alcohol',
    ({ touch, before }) =>
      has(touch, 'spark') && before.some((other) => has(other, 'flammable') && other.leftOn),
  ],
  ['off warm', ({ touch }) => has(touch, 'acid', 'stings', 'warming') && comesOffWarm(touch)],
  [
    'work after the finish',
    ({ touch, after }) => {
      const next = after.find((other) => has(other, 'cleansing') || isWork(other))
      return finishes(touch) && next !== undefined && !has(next, 'cleansing')
    },
  ],
  ['blotted before nothing', ({ touch, after }) => has(touch, 'blotting') && after.length === 0],
  [
    'a wet blade',
    ({ touch, before }) => {
      const last = before.at(-1)
      return has(touch, 'blade') && last !== undefined && isWet(last)
    },
  ],
  [
    'on skin that is not clean',
    ({ touch, earlier }) =>
      isWork(touch) &&
      !touch.step.floating &&
      meet(touch.zones, FACE) &&
      !earlier.some((other) => has(other, 'cleansing') && meet(other.zones, FACE)),
  ],
]

const isWork = ({ step }: Touch): boolean => WORK.includes(step.phase)
const isUnfitForOpenSkin = ({ product, is }: Touch): boolean =>
  product !== undefined && !product.openSkinUse && !is.has('open-skin-use')
const ORGANIC = ['homosalate', 'salicylate', 'methoxydibenzoylmethane', 'octocrylene', 'triazine']
/** After a blade: nothing that works, smells or warms, and no filter but a mineral one. */
const isTooMuchForFreshSkin = (touch: Touch): boolean =>
  touch.product !== undefined &&
  !touch.product.openSkinUse &&
  (has(touch, 'exfoliating', 'acid', 'retinoid', 'scrub', 'warming', 'self-heating') ||
    touch.product.vehicle === 'alcohol' ||
    holdsFamily('fragrance', touch) ||
    (has(touch, 'sun-filter') && ORGANIC.some((name) => touch.list.includes(name))))
const comesOffWarm = ({ step }: Touch): boolean =>
  step.segments.some(({ kind, temperature }) => kind === 'remove' && temperature === 'warm')

function wrongOrders(steps: readonly Touch[], visit: Visit): string[] {
  const found = steps.flatMap((touch, at) => {
    const near = (other: Touch) => meet(other.zones, touch.zones)
    const earlier = steps.slice(0, at)
    const place: Place = {
      touch,
      earlier,
      before: earlier.filter(near),
      after: steps.slice(at + 1).filter(near),
      daytime: visit.daytime,
    }
    return ORDERS.filter(([, isWrong]) => isWrong(place)).map(
      ([words]) => `${touch.step.title}: ${words}`,
    )
  })
  return lacksSunFilter(steps, visit) ? [...found, 'a day without sun protection'] : found
}

/** The product on a face by itself: nothing that this client may not have. */
const mayGoOn = (product: Product, visit: Visit): boolean =>
  forbiddenIn(aloneOn(product, visit.shelf), new Facts(visit), visit).length === 0

function aloneOn({ id, name, uses }: Product, shelf: Visit['shelf']): Touch {
  const { id: useId, phase, zones, segments } = uses[0]!
  const step = { id, phase, title: name, zones, product: { productId: id, useId }, segments }
  const whole = { ...step, properties: [], essential: false, priority: 1 }
  return touchesOf(whole, shelf)[0]!
}

function lacksSunFilter(steps: readonly Touch[], visit: Visit): boolean {
  const { daytime, shelf } = visit
  const isOpen = steps.some((touch) => has(touch, 'needling'))
  const isFresh = steps.some((touch) => has(touch, 'blade'))
  const isTreated = steps.some(
    (touch) => touch.step.phase === 'moisturise' || has(touch, 'exfoliating'),
  )
  const isOnShelf = shelf.products.some(
    (product) =>
      product.properties.includes('sun-filter') &&
      product.stock > 0 &&
      (product.openSkinUse || !isOpen) &&
      !(isFresh && isTooMuchForFreshSkin(aloneOn(product, shelf))) &&
      mayGoOn(product, visit),
  )
  return daytime && isTreated && isOnShelf && !steps.some((touch) => has(touch, 'sun-filter'))
}

const finishes = ({ step, is, product, leftOn }: Touch): boolean =>
  (step.phase === 'moisturise' || is.has('sun-filter')) && product !== undefined && leftOn
const isWet = ({ is, step }: Touch): boolean =>
  !is.has('blotting') &&
  (is.has('cleansing') ||
    step.segments.some(
      ({ kind, tool }) =>
        kind === 'remove' &&
        tool !== undefined &&
        ['sponge', 'towel', 'compress', 'mitt', 'water'].includes(tool),
    ))

const isShallow = ({ step }: Touch): boolean =>
  step.passes?.setting?.unit === 'mm' && step.passes.setting.value <= 0.25

/** Points that every reading of the table gives at least: the first row that holds. */
const POINTS: readonly (readonly [points: number, holds: (touch: Touch) => boolean])[] = [
  [2, (touch) => has(touch, 'needling') && isShallow(touch)],
  [3, (touch) => has(touch, 'needling')],
  [1.5, (touch) => has(touch, 'blade') || (has(touch, 'mechanical') && !has(touch, 'scrub'))],
  [0.5, (touch) => isAcid(touch) && (touch.free ?? 0) >= 0.5],
  [0, isAcid],
  [1, (touch) => has(touch, 'scrub', 'gommage')],
  [1, (touch) => has(touch, 'enzyme') && has(touch, 'exfoliating')],
]
const leastPoints = (touch: Touch): number => POINTS.find(([, holds]) => holds(touch))?.[0] ?? 0

/** More exfoliation on a zone than its skin takes. */
function tooMuch(steps: readonly (readonly Touch[])[], facts: Facts): string[] {
  const touches = steps.flat()
  const zones = [...new Set(touches.flatMap((touch) => touch.zones))]
  return zones.flatMap((zone) => {
    const spent = touches
      .filter((touch) => touch.zones.includes(zone))
      .reduce((sum, touch) => sum + leastPoints(touch), 0)
    const most = allowance(zone, facts)
    return spent > most ? [`${zone}: ${spent} points of exfoliation, ${most} allowed`] : []
  })
}

/** Retinoid and acid on one zone: never on sensitive skin, and beyond two points only where both are known to be borne. */
function tooMuchTogether(steps: readonly (readonly Touch[])[], facts: Facts): string[] {
  const touches = steps.flat()
  const isBorne = ['acid', 'retinoid'].every((lever) => facts.wasCalmTwice(lever))
  return [...new Set(touches.flatMap(({ zones }) => zones))].flatMap((zone) => {
    const here = touches.filter(({ zones }) => zones.includes(zone))
    const retinoids = here.filter((touch) => has(touch, 'retinoid'))
    if (retinoids.length === 0 || !here.some(isAcid)) return []
    const spent = here.reduce((sum, touch) => sum + leastPoints(touch), retinoids.length / 2)
    const isTender = allowance(zone, facts) < 2
    return isTender || (spent > 2 && !isBorne) ? [`${zone}: retinoid and acid in one visit`] : []
  })
}

function allowance(zone: string, facts: Facts): number {
  if (facts.seen('barrier').includes(zone)) return 0
  if (facts.seen('sensitive').includes(zone)) return 1
  return facts.seen('resilient').includes(zone) ? 3 : 2
}

/** A status that says more than is so. */
function untrue({ protocol }: Visit, { status, steps, totalS, slotS }: Outcome): string[] {
  if (status !== 'ready') return []
  const treatments = protocol.steps.filter(
    ({ phase, floating, gate }) => TREATMENT.includes(phase) && !floating && !gate,
  )
  const highest = Math.max(...treatments.map(({ priority }) => priority))
  const marked = protocol.steps.filter(({ heart }) => heart)
  const heart =
    marked.length > 0 ? marked : treatments.filter(({ priority }) => priority === highest)
  const kept = new Set(steps.map(({ id }) => id))
  // What hangs on a goal, a gate or the time of day may be left out without being lost.
  const isSure = heart.every(({ when, onlyIf, choice }) => !when && !onlyIf && !choice)
  const lost = isSure ? heart.filter(({ id }) => !kept.has(id)) : []
  return [
    ...(totalS > slotS ? [`ready, ${totalS} s in ${slotS} s`] : []),
    ...lost.map(({ title }) => `ready without its heart: ${title}`),
    ...(treatments.length > 0 && !steps.some(({ phase }) => TREATMENT.includes(phase))
      ? ['ready, and nothing is treated']
      : []),
  ]
}
