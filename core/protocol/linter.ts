import type { Property } from './words'
import type { Step } from './model'
import { sharedZones } from '../skin/zones'

/** A wrong or unusual order, and what mends it. */
export interface LintFinding { readonly id: string; readonly level: 'wrong' | 'advice'; readonly stepId: string; readonly says: string; readonly fix: string }

/** A step with all its properties, from product and device too. */
export interface Read { readonly step: Step; readonly properties: ReadonlySet<Property> }

type Check = (steps: readonly Read[], daytime: boolean) => LintFinding[]

const later = (steps: readonly Read[], at: number): Read[] => steps.slice(at + 1).filter((other) => sharedZones(other.step.zones, steps[at]!.step.zones).length > 0)
const earlier = (steps: readonly Read[], at: number): Read[] => steps.slice(0, at).filter((other) => sharedZones(other.step.zones, steps[at]!.step.zones).length > 0)
const wrong = (id: string, step: Step, says: string, fix: string): LintFinding => ({ id, level: 'wrong', stepId: step.id, says, fix })

const each = (judge: (read: Read, at: number, steps: readonly Read[]) => LintFinding | undefined): Check => (steps) => steps.flatMap((read, at) => judge(read, at, steps) ?? [])

const CHECKS: readonly Check[] = [
  each(({ step, properties }) => (step.product && !properties.has('leave-on') && step.segments.some((s) => s.kind === 'dwell') && !step.segments.some((s) => s.kind === 'remove')
    ? wrong('L01', step, `${step.title} goes on and has no way off.`, 'Add how it comes off.') : undefined)),
  each(({ step, properties }, at, steps) => (properties.has('needs-neutraliser') && !later(steps, at)[0]?.properties.has('neutralising')
    ? wrong('L02', step, `${step.title} is not neutralised.`, 'Put the neutraliser directly after it.') : undefined)),
  each(({ step, properties }, at, steps) => (properties.has('alkaline') && !later(steps, at).find((next) => next.step.product)?.properties.has('toning')
    ? wrong('L03', step, `${step.title} is alkaline and nothing tones after it.`, 'Tone before the next product.') : undefined)),
  each(({ step, properties }, at, steps) => {
    if (!properties.has('steam')) return undefined
    const acid = [...earlier(steps, at), ...later(steps, at)].find((other) => other.properties.has('acid') && other.properties.has('exfoliating'))
    return acid && wrong('L04', step, `Steam and ${acid.step.title} in one visit.`, 'Leave the steam out; soften with a concentrate.')
  }),
  each(({ step, properties }) => (['acid', 'stings', 'warming'].some((name) => properties.has(name as Property)) && step.segments.some((s) => s.kind === 'remove' && s.temperature === 'warm')
    ? wrong('L05', step, `${step.title} comes off warm.`, 'Take it off cool.') : undefined)),
  each(({ step, properties }, at, steps) => (properties.has('extraction') && !earlier(steps, at).some((other) => other.properties.has('softening') || other.properties.has('exfoliating') || other.properties.has('steam'))
    ? { id: 'L06', level: 'advice', stepId: step.id, says: `${step.title} before anything has softened the skin.`, fix: 'Exfoliate or soften first.' } : undefined)),
  each(({ step, properties }, at, steps) => (properties.has('extraction') && !later(steps, at).some((other) => other.properties.has('calming'))
    ? { id: 'L07', level: 'advice', stepId: step.id, says: `Nothing calms after ${step.title}.`, fix: 'Add an astringent, cold, or a calming mask.' } : undefined)),
  each(({ step }, at, steps) => (step.phase === 'eye' && steps.slice(0, at).some((other) => other.step.phase === 'moisturise')
    ? { id: 'L08', level: 'advice', stepId: step.id, says: `${step.title} comes after the moisturiser.`, fix: 'Eye care goes first.' } : undefined)),
  each(({ step, properties }) => (properties.has('tightening') && step.zones.includes('eye-contour')
    ? wrong('L09', step, `${step.title} tightens on the bare eye contour.`, 'Leave the eye contour out.') : undefined)),
  each(({ step }) => (step.segments.some((s) => s.active && s.kind === 'dwell' && s.usualS > s.maxS)
    ? wrong('L10', step, `${step.title} is written past its own maximum.`, 'Shorten it.') : undefined)),
  each(({ step, properties }, at, steps) => {
    if (!properties.has('spark')) return undefined
    const burns = earlier(steps, at).find((other) => other.properties.has('flammable') && !other.step.segments.some((s) => s.kind === 'remove'))
    return burns && wrong('L12', step, `${burns.step.title} is flammable and still lies on the skin when ${step.title} sparks.`, 'Use a product without alcohol before it.')
  }),
  (steps, daytime) => {
    const treated = steps.find(({ step, properties }) => step.phase === 'moisturise' || properties.has('exfoliating'))
    if (!daytime || !treated || steps.some(({ properties }) => properties.has('sun-filter'))) return []
    return [wrong('L11', steps.at(-1)!.step, 'A daytime visit ends without sun filter.', 'Add sun filter after the moisturiser.')]
  },
]

/** Reads a ladder for wrong and unusual orders. `daytime`: the visit ends by daylight. */
export function lint(steps: readonly Read[], daytime: boolean): LintFinding[] {
  return CHECKS.flatMap((check) => check(steps, daytime))
}
