import { setProduct, type Shelf } from '#core/catalog'
import type { LeverId, Step } from '#core/protocol'
import { setField } from './edit'

/** What a field of the builder makes of a step: pure, with the builder's defaults and bounds. */

type Choice = NonNullable<Step['choice']>
type ChoiceOption = Choice['options'][number]
type Pick = ChoiceOption['pick']
type Variant = NonNullable<Step['variants']>[number]

const within = (value: number, least: number, most: number): number =>
  Math.max(least, Math.min(most, value))

const replacedAt = <T>(list: readonly T[], at: number, change: (item: T) => T): T[] =>
  list.map((item, index) => (index === at ? change(item) : item))

/** The rung a lever begins on when it is put on a step. */
const FIRST_RUNG = 2

/** Another product, with its times; with a machine the product is its gel and the step keeps its own. */
export function withProduct(step: Step, pick: Pick | undefined, shelf: Shelf): Step {
  if (!pick) return setField(step, 'product', undefined)
  return step.deviceId ? { ...step, product: pick } : setProduct(step, pick, shelf.products)
}

export function withLever(step: Step, lever: LeverId | ''): Step {
  const rung = step.lever?.rung ?? FIRST_RUNG
  return setField(step, 'lever', lever === '' ? undefined : { lever, rung })
}

export const withFloating = (step: Step, floats: boolean): Step =>
  setField(step, 'floating', floats ? { needs: 'quiet' } : undefined)

/** The card's own pick comes first, with a second one to begin with; undefined where there is nothing to choose from. */
export function withChoice(step: Step, isChoice: boolean, picks: readonly Pick[]): Step {
  const own = step.product ?? picks[0]
  const other = picks.find((pick) => pick.productId !== own?.productId)
  if (!isChoice || !own || !other) return setField(step, 'choice', undefined)
  const options: Choice['options'] = [
    { concern: 'calm', pick: own },
    { concern: 'clarify', pick: other },
  ]
  return { ...step, choice: { several: false, options } }
}

const choosing = (step: Step, more: Partial<Choice>): Step => ({
  ...step,
  choice: { ...step.choice!, ...more },
})

export const withSeveral = (step: Step, several: boolean): Step => choosing(step, { several })

export const withOption = (step: Step, at: number, more: Partial<ChoiceOption>): Step =>
  choosing(step, {
    options: replacedAt(step.choice!.options, at, (option) => ({ ...option, ...more })),
  })

export const withMoreOptions = (step: Step, pick: Pick): Step =>
  choosing(step, { options: [...step.choice!.options, { concern: 'hydrate', pick }] })

/** A choice among fewer than two is none. */
export function withoutOption(step: Step, at: number): Step {
  const options = step.choice!.options.filter((_, index) => index !== at)
  return options.length < 2 ? setField(step, 'choice', undefined) : choosing(step, { options })
}

export function withWhen(step: Step, key: 'time' | 'visit' | 'goal', value: string): Step {
  const { [key]: _, ...rest } = step.when ?? {}
  const when = value === '' ? rest : { ...rest, [key]: value }
  return setField(step, 'when', Object.keys(when).length > 0 ? (when as Step['when']) : undefined)
}

const WITHIN_S = 120

export function withWithin(step: Step, stepId: string): Step {
  const seconds = step.within?.seconds ?? WITHIN_S
  return setField(step, 'within', stepId ? { stepId, seconds } : undefined)
}

export const withWithinMinutes = (step: Step, minutes: number): Step => ({
  ...step,
  within: { ...step.within!, seconds: Math.max(0, Math.round(minutes * 60)) },
})

/** A part of a dose is 5 % or more; the whole is no part. */
export const withShare = (step: Step, percent: number): Step =>
  setField(step, 'share', percent >= 5 && percent < 100 ? percent / 100 : undefined)

const REPEATED = { usual: 2, max: 3, sign: 'it is clean' } as const
const MOST_REPEATS = 6

export const withRepeat = (step: Step, repeats: boolean): Step =>
  setField(step, 'repeat', repeats ? { ...REPEATED } : undefined)

export function withUsualRepeats(step: Step, count: number): Step {
  const usual = within(count || 1, 1, MOST_REPEATS)
  const max = Math.max(step.repeat!.max, count || 1)
  return { ...step, repeat: { ...step.repeat!, usual, max } }
}

export const withRepeatSign = (step: Step, sign: string): Step => ({
  ...step,
  repeat: { ...step.repeat!, sign },
})

export const MOST_VARIANTS = 3
/** What a shorter way keeps of a step's worth when nothing else is said. */
const VARIANT_WORTH = 0.8

/** One shorter way more, every part at its least. */
export function withShorterWay(step: Step): Step {
  const variants = step.variants ?? []
  const segments = step.segments.map((part) => ({ ...part, usualS: part.minS }))
  const id = `v${variants.length + 1}`
  const variant: Variant = { id, title: `${step.title}, short`, worth: VARIANT_WORTH, segments }
  return { ...step, variants: [...variants, variant] }
}

export const withVariant = (step: Step, at: number, more: Partial<Variant>): Step => ({
  ...step,
  variants: replacedAt(step.variants!, at, (variant) => ({ ...variant, ...more })),
})

export const withVariantWorth = (step: Step, at: number, percent: number): Step =>
  withVariant(step, at, { worth: within(percent / 100 || VARIANT_WORTH, 0.1, 1) })

export function withoutVariant(step: Step, at: number): Step {
  const variants = step.variants!.filter((_, index) => index !== at)
  return setField(step, 'variants', variants.length > 0 ? variants : undefined)
}

export function withPattern(step: Step, pattern: string): Step {
  const { zones = [...step.zones], times = 1 } = step.passes ?? {}
  const passes = { zones, pattern: pattern as NonNullable<Step['passes']>['pattern'], times }
  return setField(step, 'passes', pattern ? passes : undefined)
}

export const withPassTimes = (step: Step, times: number): Step => ({
  ...step,
  passes: { ...step.passes!, times: within(times || 1, 1, 9) },
})

export const withPassLevel = (step: Step, level: string): Step => ({
  ...step,
  passes: { ...step.passes!, ...(level ? { level } : {}) },
})

/** Zones of a pass keep their order; new ones come last. */
export function withPassZones(step: Step, zones: Step['zones']): Step {
  const kept = step.passes!.zones.filter((zone) => zones.includes(zone))
  const added = zones.filter((zone) => !kept.includes(zone))
  return { ...step, passes: { ...step.passes!, zones: [...kept, ...added] } }
}

/** Names with commas between; no name, no tray. */
export function withTray(step: Step, typed: string): Step {
  const names = typed
    .split(',')
    .map((name) => name.trim().slice(0, 80))
    .filter(Boolean)
  return setField(step, 'tray', names.length > 0 ? names : undefined)
}
