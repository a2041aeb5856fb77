import { TEXTURES, type Phase, type Property, type Texture } from './words'
import type { Segment, Step } from './model'
import { zonesMeet } from '../skin/zones'

/** A wrong or unusual order, and what mends it. */
export interface LintFinding {
  readonly id: string
  readonly level: 'wrong' | 'advice'
  readonly stepId: string
  readonly says: string
  readonly fix: string
}

/** A step with all its properties, from product and device too, and what it spends of the exfoliation allowance. */
export interface Read {
  readonly step: Step
  readonly properties: ReadonlySet<Property>
  readonly points: number
  readonly product?: { readonly leaves: string; readonly texture?: Texture | undefined } | undefined
}

export type Steps = readonly Read[]
export type Judge = (
  read: Read,
  at: number,
  steps: Steps,
) => { says: string; fix: string } | undefined
export interface Check {
  readonly id: string
  readonly level: LintFinding['level']
  readonly judge: Judge
}

export const wrong = (id: string, judge: Judge): Check => ({ id, level: 'wrong', judge })
export const advice = (id: string, judge: Judge): Check => ({ id, level: 'advice', judge })
export const findingIf = (when: unknown, says: string, fix: string) =>
  when ? { says, fix } : undefined

const here = (read: Read, other: Read): boolean => zonesMeet(read.step.zones, other.step.zones)
export const later = (steps: Steps, at: number): Read[] =>
  steps.slice(at + 1).filter((other) => here(other, steps[at]!))
export const earlier = (steps: Steps, at: number): Read[] =>
  steps.slice(0, at).filter((other) => here(other, steps[at]!))
export const has = (read: Read, ...any: Property[]): boolean =>
  any.some((property) => read.properties.has(property))
/** Comes off cool or lukewarm, as the trade or its maker says. */
export const mindsWarmth = (read: Read): boolean =>
  has(read, 'off-lukewarm') || (has(read, 'acid', 'stings', 'warming') && !has(read, 'off-warm'))
export const isAcid = (read: Read): boolean => has(read, 'acid') && has(read, 'exfoliating')
export const softens = (read: Read): boolean =>
  has(read, 'softening', 'exfoliating', 'steam', 'warm-towel')
export const comesOff = (step: Step): boolean =>
  step.segments.some((segment) => segment.kind === 'remove')
/** Work that takes the surface away or goes through it. */
export const opens = (read: Read): boolean => has(read, 'needling', 'blade')

/** Too much for skin whose surface a blade has just taken. */
const TOO_MUCH_FOR_FRESH: readonly Property[] = [
  'exfoliating',
  'acid',
  'retinoid',
  'scrub',
  'flammable',
  'scented',
  'warming',
  'self-heating',
]

/**
 * A product that may not follow needling or a blade on the same zones (rule D18). Needled skin is open: only what its maker states for
 * it, nothing tinted. Bladed skin is fresh: what is bland hydrates and calms it, and sun protection is mineral.
 */
export function isUnfitAfter(first: Read, other: Read): boolean {
  const isFit = has(other, 'open-skin-use') && !has(other, 'tinted')
  if (!other.product || isFit || !opens(first)) return false
  if (has(first, 'needling')) return true
  return has(other, ...TOO_MUCH_FOR_FRESH) || (has(other, 'sun-filter') && !has(other, 'mineral'))
}

const WORK: ReadonlySet<Phase> = new Set([
  'exfoliate',
  'neutralise',
  'soften',
  'extract',
  'concentrate',
  'device',
  'mask',
])
/** Work on the skin that comes between the cleanse and the finish. */
export const isWork = ({ step }: Read): boolean => WORK.has(step.phase)
/** A sheet that lies and leaves the hands free. */
export const isSheet = ({ step, product }: Read): boolean =>
  product?.texture === 'sheet' &&
  step.segments.some((part) => part.kind === 'dwell' && part.admits?.includes('quiet'))
/** What finishes the skin and stays on it. */
export const finishes = (read: Read): boolean =>
  (read.step.phase === 'moisturise' || has(read, 'sun-filter')) &&
  read.step.product !== undefined &&
  !comesOff(read.step)
const WET: readonly Segment['tool'][] = ['sponge', 'towel', 'compress', 'mitt', 'water']

/** How the last step left these zones. */
export function stateBefore(steps: Steps, at: number): 'damp' | 'dry' | 'untouched' {
  const last = earlier(steps, at).at(-1)
  if (!last) return 'untouched'
  if (has(last, 'blotting')) return 'dry'
  return has(last, 'cleansing') ||
    last.step.segments.some((part) => part.kind === 'remove' && WET.includes(part.tool))
    ? 'damp'
    : 'dry'
}

export function oilBefore(steps: Steps, at: number): Read | undefined {
  const before = earlier(steps, at)
  const oil = before.findLastIndex(
    (other) => other.product?.leaves === 'oil' && !comesOff(other.step),
  )
  return oil !== -1 && !before.slice(oil + 1).some((other) => has(other, 'cleansing'))
    ? before[oil]
    : undefined
}

/** What layers have an order: powders and sheets lie apart, sun protection goes last whatever its texture. */
const thickness = ({ step, product }: Read): number | undefined =>
  product?.texture === undefined ||
  product.texture === 'powder' ||
  product.texture === 'sheet' ||
  step.phase === 'sun' ||
  comesOff(step)
    ? undefined
    : TEXTURES.indexOf(product.texture)
/** Something thicker that still lies where this goes on. */
export function thickerBelow(steps: Steps, at: number): Read | undefined {
  const own = thickness(steps[at]!)
  const before = earlier(steps, at)
  const since = before.findLastIndex((other) => has(other, 'cleansing') || comesOff(other.step))
  return own === undefined
    ? undefined
    : before.slice(since + 1).find((other) => (thickness(other) ?? -1) > own)
}

const COOLED_S = 600
/** Warm skin takes more acid: ten minutes and something cold lie between steam and the acid after it (rule D06, the method's switch). */
export function isCooledBetween(steam: Read, acid: Read, steps: Steps): boolean {
  const between = steps.slice(steps.indexOf(steam) + 1, steps.indexOf(acid))
  const own = between.filter(({ step }) => !step.floating)
  const seconds = own
    .flatMap(({ step }) => step.segments)
    .reduce((sum, { usualS }) => sum + usualS, 0)
  return has(steam, 'steam-cooled') && own.some((read) => has(read, 'cold')) && seconds >= COOLED_S
}
