import { TOLERATED, client, input, protocolOf, readingOf, seen, CALM } from '../situations'
import { BRIGHTENING, SHELF } from '../fixtures'
import type { Product } from '#core/catalog'
import type { Client, Fact, PatchTest } from '#core/client'
import { type Property, type Step, segment } from '#core/protocol'
import { FACE_NECK, type Lesion, type Reading, type ZoneId } from '#core/skin'
import { compile, type CompileInput, type FittedPlan } from '#core/adapt'

// Every rule of the book once where it must fire and once where it must not. Facts of the trade: common practice, no source,
// unless the rule itself names one.
export type Given = Partial<CompileInput>
export type Case = readonly [
  rule: string,
  what: string,
  given: Given,
  holds: (plan: FittedPlan) => boolean,
]

export const planFor = (given: Given): FittedPlan => compile(input(given))
export const step = (plan: FittedPlan, id: string) => plan.steps.find((step) => step.id === id)
export const has = (plan: FittedPlan, id: string) => step(plan, id) !== undefined
export const gone = (plan: FittedPlan) => !has(plan, 'x')
export const product = (plan: FittedPlan, id: string) => step(plan, id)?.product?.productId
export const dwell = (plan: FittedPlan, id: string) =>
  step(plan, id)?.segments.find((part) => part.kind === 'dwell')?.usualS
export const warmth = (plan: FittedPlan, id: string) =>
  step(plan, id)?.segments.find((part) => part.kind === 'remove')?.temperature
export const without = (plan: FittedPlan, ...zones: ZoneId[]) =>
  zones.every((zone) => !step(plan, 'x')!.zones.includes(zone))
export const rungs = (plan: FittedPlan, id = 'x') => step(plan, id)?.levers?.[0]?.rung
export const minds = (plan: FittedPlan) => plan.cautions.map((caution) => caution.line).join(' · ')
export const trays = (plan: FittedPlan) => plan.tray.map((item) => item.name).join(' · ')
export const of = (...facts: Fact[]) => ({ client: client(facts) })
export const who = (more: Partial<Client>) => ({ client: client([], more) })
export const read = (...findings: ReturnType<typeof seen>[]) => ({
  reading: readingOf(...findings),
})
export const pins = (...types: Lesion['type'][]): { reading: Reading } => ({
  reading: {
    ...readingOf(),
    lesions: types.map((type, at) => ({
      id: String(at),
      view: 'front',
      x: 0.5,
      y: 0.5,
      zone: 'cheek-left',
      type,
      painful: false,
      deep: false,
      head: true,
      decision: 'leave',
    })),
  },
})

/** One step with these properties between a cleanse and a cream. */
export const work = (properties: readonly Property[], more: Partial<Step> = {}): Step => ({
  id: 'x',
  phase: 'device',
  title: 'The step',
  zones: [...FACE_NECK],
  properties: [...properties],
  segments: [segment('on', 'apply', 5)],
  essential: false,
  priority: 3,
  ...more,
})
export const day = BRIGHTENING.steps.filter((step) =>
  ['cleanse-1', 'cream', 'sun', 'bye'].includes(step.id),
)
export const around = (...steps: Step[]): Given => ({
  protocol: protocolOf(day[0]!, ...steps, ...day.slice(1)),
})
export const x = (...properties: Property[]): Given => around(work(properties))
export const lever = (
  name: NonNullable<Step['lever']>['lever'],
  rung: number,
  ...properties: Property[]
): Given => around(work(properties, { lever: { lever: name, rung } }))
export const at = (zones: readonly ZoneId[], ...properties: Property[]): Given =>
  around(work(properties, { zones: [...zones] }))
/** Skin that takes three points, so that the allowance stays out of the way. */
export const TOUGH: Given = { reading: readingOf(seen('resilient', 1, FACE_NECK)) }
export const acid = (rung = 3): Given => lever('acid', rung, 'acid', 'exfoliating')
const retinoid = (): Step =>
  work(['retinoid'], {
    id: 'z',
    phase: 'moisturise',
    priority: 1,
    lever: { lever: 'retinoid', rung: 1 },
  })
/** A mild acid left on, so many scrubs, then a retinoid, in the evening. */
export const retinoidNight = (scrubs: 0 | 1): Given => ({
  ...around(
    work(['acid', 'exfoliating'], { lever: { lever: 'acid', rung: 1 } }),
    ...(scrubs === 1 ? [work(['scrub', 'exfoliating'], { id: 'y' })] : []),
    retinoid(),
  ),
  daytime: false,
})
export const on = (date: string) => ({ on: date })
export const CHIN: Partial<Fact> = { zones: ['chin'] }
export const history = (
  levers: readonly [NonNullable<Step['lever']>['lever'], number][],
  answer: Partial<typeof CALM> = {},
  on_ = '2026-11-10',
  more: object = {},
): Given => ({
  history: [
    ...TOLERATED,
    {
      on: on_,
      levers: levers.map(([name, rung]) => ({ lever: name, rung })),
      answer: { ...CALM, ...answer },
      ...more,
    },
  ],
})
export const scope = (
  ...techniques: NonNullable<CompileInput['practitioner']>['scope'][number][]
): Given => ({ practitioner: { scope: ['minors', ...techniques], hazards: [] } })
export const self = (...hazards: string[]): Given => ({
  practitioner: { scope: ['minors', 'rf', 'needling'], hazards },
})
export const OPEN = SHELF.products
  .filter((product) => product.openSkinUse)
  .map((product) => product.id)
export const shelfOf = (...products: Partial<Product>[]): Given => ({
  shelf: {
    ...SHELF,
    products: [
      ...SHELF.products,
      ...products.map((product) => ({
        ...SHELF.products.find((known) => known.id === 'oat-mask')!,
        inci: 'Aqua, Glycerin',
        ...product,
      })),
    ],
  },
})
export const using = (id: string, properties: Property[] = []): Step =>
  work(properties, {
    phase: 'mask',
    title: id,
    product: { productId: id, useId: 'mask' },
    segments: SHELF.products.find((product) => product.id === 'oat-mask')!.uses[0]!.segments,
  })
export const tested = (result: PatchTest['result'], readOn = '2026-11-20'): Given =>
  who({
    patchTests: [
      {
        productId: 'mandelic-peel',
        kind: 'delayed',
        zone: 'ears',
        placedOn: '2026-11-18',
        readOn,
        result,
      },
    ],
  })
