import type { Product, Shelf } from '../catalog/model'
import { productById } from '../catalog/shelf'
import { composedShelf, withPartReplaced } from '../mixing/house-mix'
import { mixFaults } from '../mixing/mix-faults'
import type { Step } from '../protocol/model'
import { subjectReader } from '../strength'
import { NO_PREP } from './no-prep'
import { withChoice, type Choice } from './choice'
import { compile } from './compile'
import { constraintsFor, type CompileInput } from './input'
import { wantedSteps } from './rules-stage'
import { fitStep } from './fit-step'
import { withPick } from './picks'
import { addedBy } from './replacing'
import type { FittedPlan } from './plan'
import { inForceFor } from './resolve'
import { needsOf, tenth, type Shortage } from './shortages'
import { hasLadder } from './status'
import { timeTrade, tradeOf } from './trade'

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
  const step = steps.find((step) => step.id === short.stepId)
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
    .filter((result) => 'trade' in result)
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, SHOWN_MOST)
  return { options, refused: tried.filter((result) => 'why' in result) }
}

const rank = ({ named, trade }: StandIn): number => (named ? 0 : 10) + trade.length

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

const candidatesFor = (seeking: Seeking): Candidate[] =>
  seeking.short.mixId ? partCandidates(seeking, seeking.short.mixId) : stepCandidates(seeking)

const isInStockFor =
  ({ short }: Seeking) =>
  (product: Product): boolean =>
    product.id !== short.productId && product.stock > 0

/** Other parts for a house mix: what the missing one names, and what is of its kind and no mix itself. */
function partCandidates(seeking: Seeking, mixId: string): Candidate[] {
  const { input, short } = seeking
  const missing = productById(input.shelf, short.productId)
  const named = missing?.substitutes ?? []
  const parts = productById(input.shelf, mixId)?.recipe?.parts ?? []
  const isInMix = (product: Product) => parts.some((part) => part.productId === product.id)
  const isAlike = (product: Product) =>
    missing !== undefined &&
    product.kind === missing.kind &&
    (product.additive === undefined) === (missing.additive === undefined)
  const alike = input.shelf.products
    .filter(isInStockFor(seeking))
    .filter((product) => !product.recipe && !isInMix(product))
    .filter((product) => named.includes(product.id) || isAlike(product))
  return nearest(alike, missing).map((product) => ({
    product,
    named: named.includes(product.id),
    choice: { kind: 'part', mixId, partId: short.productId, byId: product.id },
  }))
}

/** Other products for the step itself: what the missing one names, and what is of its kind. */
function stepCandidates(seeking: Seeking): Candidate[] {
  const { input, step, short } = seeking
  const missing = productById(input.shelf, short.productId)
  const named = missing?.substitutes ?? []
  const alike = input.shelf.products
    .filter(isInStockFor(seeking))
    .filter((product) => named.includes(product.id) || product.kind === missing?.kind)
    .filter((product) => allowedByMethod(product, input))
  return nearest(alike, missing).flatMap((product): Candidate[] => {
    const use = product.uses.find(
      ({ phase, zones }) => phase === step.phase && zones.some((zone) => step.zones.includes(zone)),
    )
    if (!use) return []
    const pick = { productId: product.id, useId: use.id }
    const choice: Choice = { kind: 'step', stepId: step.id, pick }
    return [{ product, named: named.includes(product.id), choice }]
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
    concerns.filter((concern) => missing?.concerns.includes(concern)).length
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

/** One candidate put into the whole visit: what it costs to take it, or why it is refused. */
function weighed(candidate: Candidate, seeking: Seeking): StandIn | Refused {
  const { given, step } = seeking
  const { product, choice, named } = candidate
  const { name } = product
  const chosen: CompileInput = { ...given, prep: withChoice(given.prep ?? NO_PREP, choice) }
  const shelf = shelfWith(choice, seeking)
  const withChosen = choice.kind === 'step' ? withPick(step, choice.pick, shelf) : step
  if (!withChosen) return { name, why: 'It does not reach these zones.' }
  const refusal =
    refusedBy(withChosen, step, shelf, chosen) ??
    refusedByMaker(choice, shelf) ??
    tooLittle(withChosen, product, shelf, seeking.short, chosen)
  if (refusal) return { name, why: refusal }
  const after = compile(chosen)
  if (!isInPlan(after, withChosen))
    return { name, why: 'Beside the rest of this visit the rules leave no room for it.' }
  const fitted = productById(shelf, withChosen.product?.productId)
  const trade = [
    ...tradeOf({ wanted: seeking.wanted, fitted, product }, seeking.input),
    ...timeTrade(after.totalS - seeking.beforeS),
    ...zoneTrade(after, step),
  ]
  return { productId: product.id, name, choice, named, trade }
}

const shelfWith = (choice: Choice, { given, input }: Seeking): Shelf =>
  choice.kind === 'step'
    ? input.shelf
    : composedShelf(withPartReplaced(given.shelf, choice.mixId, choice.partId, choice.byId))

/** A plan that is not ready says why itself; a ready one must use what was put in. */
function isInPlan(plan: FittedPlan, put: Step): boolean {
  const placed = plan.steps.find((step) => step.id === put.id)
  return !hasLadder(plan) || placed?.product?.productId === put.product?.productId
}

function zoneTrade({ steps }: FittedPlan, written: Step): string[] {
  const placed = steps.find((step) => step.id === written.id)
  const fewer = placed ? written.zones.length - placed.zones.length : 0
  return fewer > 0 ? [`${fewer} zones less`] : []
}

function refusedBy(
  put: Step,
  written: Step,
  shelf: Shelf,
  input: CompileInput,
): string | undefined {
  const read = subjectReader(shelf, input.date)
  const { inForce, allergiesAsked } = constraintsFor(input)
  const added = addedBy(read(put), read(written), { allergiesAsked })
  if (put.product?.productId !== written.product?.productId && added.length > 0)
    return `It would add: ${added.join(', ')}.`
  const fitted = fitStep(put, written, {
    shelf,
    read,
    constraintsFor: (step) => inForceFor(step, inForce, input.overrides),
    allergiesAsked,
  })
  return fitted.ok
    ? undefined
    : (fitted.blockedBy.map((constraint) => `${constraint.title}: ${constraint.because}`)[0] ??
        'A rule stops it.')
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
