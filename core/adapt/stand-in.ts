import { unitOf, usableOn } from '../catalog/batches'
import { readInci } from '../catalog/inci'
import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Unit } from '../catalog/words'
import { composedShelf, withPartReplaced } from '../mixing/house-mix'
import { doseFor } from '../mixing/dose'
import { mixFaults, partsOf } from '../mixing/recipe'
import type { Step } from '../protocol/model'
import { propertyWords, type Property } from '../protocol/words'
import { toMinutes } from '../quantity/time'
import { subjectReader } from '../safety/subject'
import { NO_PREP, withChoice, type Choice } from './choice'
import { compile } from './compile'
import { constraintsFor, type CompileInput } from './input'
import { wantedSteps } from './rules-stage'
import { fitStep, withPick } from './options'
import { inForceFor } from './resolve'

/** Something a visit wants and the shelf cannot give. */
export interface Shortage {
  readonly stepId: string
  readonly stepTitle: string
  /** What is short: the step's product, or a part of its house mix. */
  readonly productId: string
  readonly name: string
  readonly mixId?: string
  readonly why: 'out' | 'too little' | 'past its time' | 'not on the shelf'
  readonly needed: number
  readonly left: number
  readonly unit: Unit
}

/**
 * What is short for the ladder as wanted, before anything stands in: products that are out, past their time, or of which less is left
 * than the whole visit takes; for a house mix the parts are asked. Each thing once, at the first step that cannot have it.
 */
export function shortages(given: CompileInput): Shortage[] {
  const { steps, input } = wantedSteps({
    ...given,
    prep: { ...NO_PREP, ...given.prep, partStandIns: {} },
  })
  const used = new Map<string, number>()
  const found = new Map<string, Shortage>()
  for (const step of steps) {
    for (const need of needsOf(step, input.shelf, given.prep?.size)) {
      const before = used.get(need.productId) ?? 0
      used.set(need.productId, before + need.amount)
      const product = productById(input.shelf, need.productId)
      const left = product?.stock ?? 0
      const why = whyShort(product, left, before + need.amount, input.date)
      if (why && !found.has(need.productId))
        found.set(need.productId, {
          stepId: step.id,
          stepTitle: step.title,
          productId: need.productId,
          name: product?.name ?? need.productId,
          ...(need.mixId ? { mixId: need.mixId } : {}),
          why,
          needed: tenth(before + need.amount),
          left,
          unit: need.unit,
        })
    }
  }
  return [...found.values()]
}
const tenth = (amount: number): number => Math.round(amount * 10) / 10

interface Need {
  readonly productId: string
  readonly amount: number
  readonly unit: Unit
  readonly mixId?: string
}
function needsOf(
  step: Step,
  shelf: Shelf,
  size: NonNullable<CompileInput['prep']>['size'] = 'M',
): Need[] {
  const product = productById(shelf, step.product?.productId)
  if (!product)
    return step.product ? [{ productId: step.product.productId, amount: 0, unit: 'g' }] : []
  const dose = doseFor(product, useOf(product, step.product?.useId), step.zones, step.share, size)
  if (!dose) return [{ productId: product.id, amount: 0, unit: unitOf(product) }]
  return partsOf(product, { amount: dose.amount, unit: dose.unit }, shelf.products).map((part) => ({
    ...part,
    ...(product.recipe ? { mixId: product.id } : {}),
  }))
}

function whyShort(
  product: Product | undefined,
  left: number,
  needed: number,
  date: string,
): Shortage['why'] | undefined {
  if (!product) return 'not on the shelf'
  if (left <= 0) return 'out'
  if (!usableOn(product, product.afterOpeningMonths, date)) return 'past its time'
  return needed > left + 1e-9 ? 'too little' : undefined
}

/** One thing that may stand in, with what it costs to take it. */
export interface StandIn {
  readonly productId: string
  readonly name: string
  /** What choosing it writes down: another product at the step, or another part in its mix. */
  readonly choice: Choice
  /** What is gained or lost against the wanted one, in short sentences; empty: none that is known. */
  readonly trade: readonly string[]
  readonly named: boolean
}
export interface Refused {
  readonly name: string
  readonly why: string
}

const CANDIDATES_MOST = 12
const SHOWN_MOST = 4

/**
 * The best permitted stand-ins for something short, best first, and what was refused with the rule that refuses it. Candidates: what the
 * product names itself, then house mixes and products of its kind in stock. Each is fitted like any other choice, so nothing that a rule
 * stops is ever among them; each is then compiled into the whole visit, so that the minutes it costs are true.
 */
export function standIns(
  given: CompileInput,
  short: Shortage,
): { readonly options: readonly StandIn[]; readonly refused: readonly Refused[] } {
  const { steps, input } = wantedSteps(given)
  const step = steps.find((one) => one.id === short.stepId)
  if (!step) return { options: [], refused: [] }
  const ample = withStock(given, short.productId)
  const before = compile(ample)
  const context = {
    given,
    input,
    step,
    short,
    wanted: productById(composedShelf(ample.shelf), step.product?.productId),
    beforeS: before.totalS,
  }
  const tried = candidatesFor(context)
    .slice(0, CANDIDATES_MOST)
    .map((candidate) => weighed(candidate, context))
  const options = tried
    .flatMap((one) => ('trade' in one ? [one] : []))
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, SHOWN_MOST)
  return { options, refused: tried.flatMap((one) => ('why' in one ? [one] : [])) }
}
const rank = (one: StandIn): number => (one.named ? 0 : 10) + one.trade.length

interface Seeking {
  readonly given: CompileInput
  readonly input: CompileInput
  readonly step: Step
  readonly short: Shortage
  readonly wanted: Product | undefined
  readonly beforeS: number
}
interface Candidate {
  readonly product: Product
  readonly choice: Choice
  readonly named: boolean
}

function candidatesFor({ input, step, short }: Seeking): Candidate[] {
  const { products } = input.shelf
  const missing = productById(input.shelf, short.productId)
  const named = missing?.substitutes ?? []
  const fits = (product: Product) => product.id !== short.productId && product.stock > 0
  if (short.mixId) {
    const mixId = short.mixId
    const inMix = new Set(
      productById(input.shelf, mixId)?.recipe?.parts.map((part) => part.productId),
    )
    const alike = products.filter(
      (product) =>
        fits(product) &&
        !product.recipe &&
        !inMix.has(product.id) &&
        (named.includes(product.id) ||
          (missing !== undefined &&
            (product.additive === undefined) === (missing.additive === undefined) &&
            product.kind === missing.kind)),
    )
    return nearest(alike, missing).map((product) => ({
      product,
      named: named.includes(product.id),
      choice: { kind: 'part', mixId, partId: short.productId, byId: product.id },
    }))
  }
  const alike = products.filter(
    (product) => fits(product) && (named.includes(product.id) || product.kind === missing?.kind),
  )
  return nearest(alike, missing).flatMap((product) => {
    const use = product.uses.find(
      (one) => one.phase === step.phase && one.zones.some((zone) => step.zones.includes(zone)),
    )
    return use && allowedByMethod(product, input)
      ? [
          {
            product,
            named: named.includes(product.id),
            choice: {
              kind: 'step' as const,
              stepId: step.id,
              pick: { productId: product.id, useId: use.id },
            },
          },
        ]
      : []
  })
}
/** What the missing one names itself, in its order; then those that are for most of what it is for; then the shelf's order. */
function nearest(products: readonly Product[], missing: Product | undefined): Product[] {
  const named = missing?.substitutes ?? []
  const place = ({ id }: Product) => {
    const at = named.indexOf(id)
    return at === -1 ? named.length : at
  }
  const shared = ({ concerns }: Product) =>
    concerns.filter((one) => missing?.concerns.includes(one)).length
  return [...products].sort((a, b) => place(a) - place(b) || shared(b) - shared(a))
}
/** Serums one at a time: a mix of serums is then no stand-in (method switch of the card). */
const allowedByMethod = (product: Product, { protocol }: CompileInput): boolean =>
  !(product.recipe && product.kind === 'serum' && (protocol.methods?.serums ?? 'one') === 'one')

function withStock(input: CompileInput, productId: string): CompileInput {
  return {
    ...input,
    shelf: {
      ...input.shelf,
      products: input.shelf.products.map((product) => {
        if (product.id !== productId) return product
        const { openedOn: _o, bestBefore: _b, ...fresh } = product
        return { ...fresh, stock: 10_000 }
      }),
    },
  }
}

function weighed(candidate: Candidate, seeking: Seeking): StandIn | Refused {
  const { given, short, step } = seeking
  const { product, choice, named } = candidate
  const chosen: CompileInput = { ...given, prep: withChoice(given.prep ?? NO_PREP, choice) }
  const shelf =
    choice.kind === 'step'
      ? seeking.input.shelf
      : composedShelf(withPartReplaced(given.shelf, choice.mixId, choice.partId, choice.byId))
  const put = choice.kind === 'step' ? withPick(step, choice.pick, shelf) : step
  if (!put) return { name: product.name, why: 'It does not reach these zones.' }
  const refusal =
    refusedBy(put, step, shelf, chosen) ??
    refusedByMaker(choice, shelf) ??
    tooLittle(put, product, shelf, short, chosen)
  if (refusal) return { name: product.name, why: refusal }
  const after = compile(chosen)
  const placed = after.steps.find((one) => one.id === step.id)
  if (after.status === 'ready' && placed?.product?.productId !== put.product?.productId)
    return {
      name: product.name,
      why: 'Beside the rest of this visit the rules leave no room for it.',
    }
  const fitted = productById(shelf, put.product?.productId)
  return {
    productId: product.id,
    name: product.name,
    choice,
    named,
    trade: [
      ...tradeOf(seeking.wanted, fitted, product, seeking),
      ...timeTrade(after.totalS - seeking.beforeS),
      ...(placed && placed.zones.length < step.zones.length
        ? [`${step.zones.length - placed.zones.length} zones less`]
        : []),
    ],
  }
}

function refusedBy(
  put: Step,
  written: Step,
  shelf: Shelf,
  input: CompileInput,
): string | undefined {
  const read = subjectReader(shelf, input.date)
  const inForce = constraintsFor(input).inForce
  const fitted = fitStep(put, written, {
    shelf,
    read,
    constraintsFor: (step) => inForceFor(step, inForce, input.overrides),
  })
  return fitted.ok
    ? undefined
    : (fitted.blockedBy.map((one) => `${one.title}: ${one.because}`)[0] ?? 'A rule stops it.')
}

function refusedByMaker(choice: Choice, shelf: Shelf): string | undefined {
  if (choice.kind === 'step') return undefined
  const recipe = productById(shelf, choice.mixId)?.recipe
  return (
    recipe &&
    mixFaults(recipe, shelf.products).find(
      (fault) => fault.kind === 'limit' && fault.productId === choice.byId,
    )?.says
  )
}

function tooLittle(
  put: Step,
  product: Product,
  shelf: Shelf,
  short: Shortage,
  input: CompileInput,
): string | undefined {
  const needed = needsOf(put, shelf, input.prep?.size).filter(
    (need) => short.mixId === undefined || need.productId === product.id,
  )
  const lacking = needed.find(
    (need) => need.amount > (productById(shelf, need.productId)?.stock ?? 0),
  )
  return (
    lacking &&
    `Only ${productById(shelf, lacking.productId)?.stock ?? 0} ${lacking.unit} left, ${tenth(lacking.amount)} needed.`
  )
}

const timeTrade = (moreS: number): string[] =>
  Math.abs(moreS) < 30
    ? []
    : [`${toMinutes(Math.abs(moreS))} min ${moreS > 0 ? 'longer' : 'shorter'}`]

/** Properties whose coming or going a practitioner wants to be told. */
const TOLD: readonly Property[] = [
  'exfoliating',
  'acid',
  'enzyme',
  'heat',
  'warming',
  'stings',
  'drying',
  'tightening',
  'softening',
  'calming',
  'retinoid',
  'oil',
  'leave-on',
]

function tradeOf(
  wanted: Product | undefined,
  fitted: Product | undefined,
  product: Product,
  { input }: Seeking,
): string[] {
  if (!wanted || !fitted) return []
  const [lost, gained] = [
    wanted.concerns.filter(
      (one) => !product.concerns.includes(one) && input.client.concerns.includes(one),
    ),
    TOLD.filter((one) => fitted.properties.includes(one) && !wanted.properties.includes(one)),
  ]
  const missing = TOLD.filter(
    (one) => wanted.properties.includes(one) && !fitted.properties.includes(one),
  )
  const scent = isScented(fitted) && !isScented(wanted)
  return [
    ...(lost.length > 0 && !fitted.recipe ? [`does not ${lost.join(' or ')}`] : []),
    ...gained.map((one) => `is ${propertyWords(one)}`),
    ...missing.map((one) => `is not ${propertyWords(one)}`),
    ...activeTrade(wanted, fitted),
    ...(scent ? ['has scent'] : []),
    ...(fitted.finish?.cast === 'white' && wanted.finish?.cast !== 'white' && isDeep(input)
      ? ['leaves a white cast on this skin']
      : []),
    ...(fitted.finish?.grease === 'greasy' && wanted.finish?.grease !== 'greasy'
      ? ['finishes greasy']
      : []),
  ]
}
/** Where a white cast is seen. */
const isDeep = ({ client }: CompileInput): boolean =>
  client.facts.findLast((fact) => fact.code === 'phototype-iv-vi')?.answer === 'yes'
const isScented = (product: Product): boolean => readInci(product.inci).families.has('fragrance')

function activeTrade(wanted: Product, fitted: Product): string[] {
  const percent = (product: Product, name: string) =>
    product.actives.find((active) => active.name === name)?.percent ?? 0
  return [...new Set([...wanted.actives, ...fitted.actives].map((active) => active.name))].flatMap(
    (name) => {
      const [a, b] = [percent(wanted, name), percent(fitted, name)]
      return Math.abs(a - b) < 0.005
        ? []
        : [
            b === 0
              ? `no ${name}`
              : a === 0
                ? `${tenth(b)} % ${name} besides`
                : `${tenth(b)} % ${name} instead of ${tenth(a)} %`,
          ]
    },
  )
}
