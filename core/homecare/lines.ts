import type { Product } from '../catalog/model'
import { HOME_ROLES, type HomeRole, type HomeTime } from '../catalog/words'
import { dateAfter, type Concern } from '../client'
import type { HomePart } from '../costing'
import type { Judge, Judged, Thing } from './allowed'
import { homeDose } from './amount'
import type { HomeInput } from './input'
import type { HomeLeft, HomeLine, HomeUse, HomeWhy } from './model'
import { isStrongThing, kindOf, onNeck, reachesNeck, roleOf, thingOf, thingUsed } from './things'
import { isStrong, ROLE_WORDS } from './words'

/** What each wish asks for at home, the most of use first (common practice, no source). */
const ROLES_FOR: Readonly<Record<Concern, readonly HomeRole[]>> = {
  calm: ['soothing', 'serum'],
  clarify: ['acid', 'retinoid', 'soothing', 'serum'],
  hydrate: ['serum'],
  firm: ['retinoid', 'serum'],
  brighten: ['serum', 'acid', 'retinoid'],
  smooth: ['retinoid', 'acid', 'serum'],
  eyes: ['eye'],
  lips: ['lip'],
}
/** Everybody needs these; they are bland, and begin at once. */
const BASICS: readonly HomeRole[] = ['cleanser', 'moisturiser', 'sun']
/** New things of the shelf at the start, and days between two of them (across-visits.md 6). */
export const NEW_AT_START = 5
export const DAYS_BETWEEN_NEW = 7
/** A rule with an end (waxing, sunburn …) may end while the plan runs: days after which it is asked again. */
const ASKED_AGAIN_AFTER = [3, 7, 14, 21] as const
/** The rest of an opened kit, where it is strong. */
const KIT_EVENINGS = 2

export interface Lines {
  /** In order of use. */
  readonly lines: HomeLine[]
  /** What each line is, by its id. */
  readonly things: ReadonlyMap<string, Thing>
  readonly left: HomeLeft[]
}

const ENOUGH: HomeWhy = { words: 'Five new things are enough to begin with.' }

interface Making {
  readonly input: HomeInput
  readonly judge: Judge['judge']
  /** The first day for anything strong. */
  readonly again: string
  readonly lines: HomeLine[]
  readonly things: Map<string, Thing>
  readonly left: HomeLeft[]
}

/**
 * What stands in the plan: theirs first, then what kits left, then what is lacking of the basics, then what their wishes ask for, one new
 * thing a week. `again` (ISO): the first day for anything strong.
 */
export function linesFor(input: HomeInput, { judge }: Judge, again: string): Lines {
  const making: Making = { input, judge, again, lines: [], things: new Map(), left: [] }
  for (const use of input.uses ?? []) putTheirs(making, use)
  for (const rest of input.rests) putRest(making, rest)
  for (const role of BASICS) putBasic(making, role)
  putNeck(making)
  for (const concern of input.client.concerns)
    ROLES_FOR[concern].some((role) => putWish(making, concern, role))
  const { lines, things, left } = making
  return { lines: inOrder(lines), things, left }
}
const inOrder = (lines: readonly HomeLine[]): HomeLine[] =>
  [...lines].sort((a, b) => HOME_ROLES.indexOf(a.role) - HOME_ROLES.indexOf(b.role))

const holds = ({ lines }: Making, role: HomeRole): boolean =>
  lines.some((line) => line.role === role)
/** Nobody took it out. */
const isIn =
  ({ input }: Making) =>
  ({ id }: Thing): boolean =>
    !input.out?.includes(id)
const isStrongLine = ({ role }: HomeLine): boolean => isStrong(role)
/** The neck has what the face has: nothing new. */
const newOf = ({ lines }: Making): HomeLine[] =>
  lines.filter(({ state, role }) => state === 'new' && role !== 'neck')

/** What the rules say of a thing on a day: at the time of day at which it goes on, and at the stricter where it goes on twice. */
function judgedOn({ judge, input }: Making, thing: Thing, on: string): Judged {
  const said = timesAtHome(thing.role, input).map((time) => judge(thing, on, time === 'morning'))
  return said.find(({ ok }) => !ok) ?? said[0]!
}

/** The first of some days on which nothing is against a thing; on none of them: what is against it on the first. */
function firstDay(making: Making, thing: Thing, from: string): { on: string; judged: Judged } {
  const first = judgedOn(making, thing, from)
  if (first.ok) return { on: from, judged: first }
  for (const days of ASKED_AGAIN_AFTER) {
    const on = dateAfter(from, days)
    const judged = judgedOn(making, thing, on)
    if (judged.ok) return { on, judged }
  }
  return { on: from, judged: first }
}

type Told = Pick<HomeLine, 'times' | 'state' | 'from'> &
  Partial<Pick<HomeLine, 'productId' | 'concern' | 'pace' | 'prescribed' | 'name' | 'how'>>

function put(
  { lines, things }: Making,
  thing: Thing,
  judged: Extract<Judged, { ok: true }>,
  why: readonly HomeWhy[],
  told: Told,
) {
  const { id, role, product } = thing
  const placed = { ...thing, zones: judged.zones }
  const amount = homeDose(placed)?.words
  things.set(id, placed)
  lines.push({
    ...{ id, role, name: product.name, how: ROLE_WORDS[role].how, zones: judged.zones },
    ...(amount ? { amount } : {}),
    ...told,
    why: [...why, ...judged.why],
  })
}
function leave({ left }: Making, name: string, why: HomeWhy, theirs?: HomeUse) {
  if (left.some((one) => one.name === name)) return
  const { prescribed = false } = theirs ?? {}
  left.push({ name, why, isTheirs: theirs !== undefined, prescribed })
}

function putTheirs(making: Making, use: HomeUse) {
  const { input, again, things } = making
  const thing = thingUsed(use, input.shelf.products)
  if (things.has(thing.id) || !isIn(making)(thing)) return
  const { on, judged } = firstDay(making, thing, isStrongThing(thing) ? again : input.date)
  const name = use.name || thing.product.name
  if (!judged.ok) {
    leave(making, name, judged.why, use)
    return
  }
  const why = { words: use.prescribed ? 'As your physician says.' : 'You use it already.' }
  put(making, thing, judged, [why], {
    ...(thing.isByKind ? {} : { productId: thing.product.id }),
    ...{ name, times: timesOf(thing, use.times, input), state: 'goes on', from: on },
    ...(isStrongThing(thing) ? { pace: [{ from: on, perWeek: use.perWeek }] } : {}),
    ...(use.prescribed ? { prescribed: true } : {}),
  })
}
/** When a role may go on: an acid in the morning where the card’s school has it there. */
const timesAtHome = (role: HomeRole, { splits }: HomeInput): readonly HomeTime[] =>
  role === 'acid' && splits ? ['morning'] : ROLE_WORDS[role].times

/** The times that were wished for, as far as its role has them. */
function timesOf(
  { role }: Thing,
  wished: readonly HomeTime[],
  input: HomeInput,
): HomeLine['times'] {
  const own = timesAtHome(role, input)
  const kept = wished.filter((time) => own.includes(time))
  return kept.length > 0 ? kept : [...own]
}

function putRest(making: Making, { productId, home }: HomePart) {
  const { input, again, things } = making
  const product = input.shelf.products.find(({ id }) => id === productId)
  const thing = product && thingOf(product)
  if (!thing || things.has(thing.id) || !isIn(making)(thing)) return
  const { on, judged } = firstDay(making, thing, again)
  if (!judged.ok) {
    leave(making, product.name, judged.why)
    return
  }
  put(making, thing, judged, [{ words: 'The rest of the kit that was opened for you.' }], {
    ...{ productId, state: 'kit', from: on, how: home },
    times: timesOf(thing, product.takeHome?.times ?? ROLE_WORDS[thing.role].times, input),
    ...(isStrongThing(thing) ? { pace: [{ from: on, perWeek: KIT_EVENINGS }] } : {}),
  })
}

/** Products of the shelf that go home as a role, packs in stock first named. */
const sold = ({ input }: Making, role: HomeRole): Product[] =>
  input.shelf.products.filter(
    (product) => product.takeHome && product.takeHome.count > 0 && roleOf(product) === role,
  )

function putBasic(making: Making, role: HomeRole) {
  if (holds(making, role)) return
  const { date } = making.input
  const known = sold(making, role).map((product) => thingOf(product))
  const kind = kindOf(role, ROLE_WORDS[role].name)
  for (const thing of [...known, kind].filter(isIn(making))) {
    const judged = judgedOn(making, thing, date)
    if (!judged.ok) {
      leave(making, thing.product.name, judged.why)
      continue
    }
    const why = thing.isByKind ? 'Any bland one, without scent.' : 'Everybody needs one.'
    put(making, thing, judged, [{ words: why }], {
      ...(thing.isByKind ? {} : { productId: thing.product.id }),
      ...{
        times: timesOf(
          thing,
          thing.product.takeHome?.times ?? ROLE_WORDS[role].times,
          making.input,
        ),
      },
      ...{ state: thing.isByKind ? 'kind' : 'new', from: date },
    })
    return
  }
}

/** The neck has a line of its own, of what is gentle; nothing strong goes there. */
function putNeck(making: Making) {
  if (holds(making, 'neck')) return
  const cream = making.lines.find(({ role }) => role === 'moisturiser')
  const thing = cream && making.things.get(cream.id)
  if (!thing || !reachesNeck(thing) || !isIn(making)(onNeck(thing))) return
  const judged = judgedOn(making, onNeck(thing), cream.from)
  if (!judged.ok) return
  put(making, onNeck(thing), judged, [], {
    ...(cream.productId ? { productId: cream.productId } : {}),
    ...{ name: cream.name, times: cream.times, from: cream.from, state: cream.state },
  })
}

/** One thing for a wish. True: the wish is seen to, or there is no room; false: its next role is tried. */
function putWish(making: Making, concern: Concern, role: HomeRole): boolean {
  const { input, again, lines } = making
  if (holds(making, role)) return true
  // Nobody has asked what they use: it might be one more of the same. And one strong thing is enough to begin with.
  if (isStrong(role) && (!input.uses || lines.some(isStrongLine))) return false
  if (newOf(making).length >= NEW_AT_START) {
    leave(making, ROLE_WORDS[role].name, ENOUGH)
    return true
  }
  const begun = newOf(making).filter((line) => line.concern !== undefined).length
  const from = dateAfter(again, DAYS_BETWEEN_NEW * begun)
  for (const product of sold(making, role).filter(isFor(concern, role))) {
    const thing = thingOf(product)
    if (!isIn(making)(thing)) continue
    const { on, judged } = firstDay(making, thing, from)
    if (!judged.ok) {
      leave(making, product.name, judged.why)
      continue
    }
    put(making, thing, judged, [], {
      ...{ productId: product.id, concern, state: 'new', from: on },
      times: timesOf(thing, product.takeHome!.times, input),
      ...(isStrong(role) ? { pace: [] } : {}),
    })
    return true
  }
  return false
}
/** Eye and lip care are for their place; anything else is for what it says. */
const isFor =
  (concern: Concern, role: HomeRole) =>
  ({ concerns }: Product): boolean =>
    role === 'eye' || role === 'lip' || concerns.includes(concern)
