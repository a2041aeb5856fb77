import type { FittedPlan, PlacedSegment } from '#core/adapt'
import type { Step } from '#core/protocol'

/** A plan made worse in one way; undefined where it has nothing of the kind. `begun`: steps that lie on the skin already. */
type Forgery = (
  plan: FittedPlan,
  pick: <T>(items: readonly T[]) => T | undefined,
  begun: ReadonlySet<string>,
) => FittedPlan | undefined

type Picking = Parameters<Forgery>[1]

/** One of the plan's steps done otherwise. */
function withStep(
  plan: FittedPlan,
  pick: Picking,
  change: (step: Step) => Step | undefined,
): FittedPlan | undefined {
  const changed = plan.steps.flatMap((step) => change(step) ?? [])
  const one = pick(changed)
  return one && { ...plan, steps: plan.steps.map((step) => (step.id === one.id ? one : step)) }
}

/** A plan without a step and without its times. */
const without = (plan: FittedPlan, gone: Step | undefined): FittedPlan | undefined =>
  gone && {
    ...plan,
    steps: plan.steps.filter((step) => step.id !== gone.id),
    segments: plan.segments.filter((part) => part.stepId !== gone.id),
  }

const moved = (
  plan: FittedPlan,
  one: PlacedSegment | undefined,
  by: { readonly startS: number; readonly endS: number },
): FittedPlan | undefined =>
  one && {
    ...plan,
    segments: plan.segments.map((part) =>
      part.id === one.id
        ? { ...part, startS: part.startS + by.startS, endS: part.endS + by.endS }
        : part,
    ),
  }

const dwells = (step: Step) => step.segments.some((part) => part.kind === 'dwell')

/** Everything that a forged or a spoilt plan could do to a client, by what it is. */
export const FORGERIES: Readonly<Record<string, Forgery>> = {
  'a longer dwell': (plan, pick) =>
    withStep(plan, pick, (step) =>
      dwells(step)
        ? {
            ...step,
            segments: step.segments.map((part) =>
              part.kind === 'dwell'
                ? { ...part, usualS: part.usualS + 300, maxS: part.maxS + 600 }
                : part,
            ),
          }
        : undefined,
    ),
  'a dwell that calls itself inactive': (plan, pick) =>
    withStep(plan, pick, (step) =>
      step.segments.some((part) => part.active)
        ? { ...step, segments: step.segments.map((part) => ({ ...part, active: false })) }
        : undefined,
    ),
  'more zones': (plan, pick) =>
    withStep(plan, pick, (step) =>
      step.zones.includes('under-eye-left')
        ? undefined
        : { ...step, zones: [...step.zones, 'under-eye-left'] },
    ),
  'nothing takes it off': (plan, pick) =>
    withStep(plan, pick, (step) => {
      const kept = step.segments.filter((part) => part.kind !== 'remove')
      return kept.length < step.segments.length && kept.length > 0
        ? { ...step, segments: kept }
        : undefined
    }),
  'warm instead of cool': (plan, pick) =>
    withStep(plan, pick, (step) =>
      step.segments.some((part) => part.temperature === 'cool')
        ? {
            ...step,
            segments: step.segments.map((part) =>
              part.temperature === 'cool' ? { ...part, temperature: 'warm' } : part,
            ),
          }
        : undefined,
    ),
  'another product': (plan, pick) =>
    withStep(plan, pick, (step) =>
      step.product && step.product.productId !== 'glow-peel'
        ? { ...step, product: { productId: 'glow-peel', useId: 'face' } }
        : undefined,
    ),
  'properties taken off': (plan, pick) =>
    withStep(plan, pick, (step) =>
      step.properties.length > 0 ? { ...step, properties: [] } : undefined,
    ),
  'says that rules have seen it': (plan, pick) =>
    withStep(plan, pick, (step) => ({
      ...step,
      adjustedBy: [...(step.adjustedBy ?? []), 'C01', 'A01'],
    })),
  'a step left out': (plan, pick, begun) =>
    without(
      plan,
      pick(plan.steps.filter((step) => step.floating === undefined || begun.has(step.id))),
    ),
  'a step of its own': (plan, pick) => {
    const one = pick(plan.steps)
    return one && { ...plan, steps: [...plan.steps, { ...one, id: 'forged' }] }
  },
  'a step twice': (plan, pick) => {
    const one = pick(plan.steps)
    return one && { ...plan, steps: [...plan.steps, one] }
  },
  'two steps change places': (plan) =>
    plan.steps.length < 2 ? undefined : { ...plan, steps: [...plan.steps].reverse() },
  'a part longer than it may be': (plan, pick) =>
    moved(plan, pick(plan.segments), { startS: 0, endS: 3600 }),
  'a part shorter than it is': (plan, pick) =>
    moved(plan, pick(plan.segments.filter((part) => part.endS > part.startS)), {
      startS: 0,
      endS: -1,
    }),
  'a part before the visit': (plan, pick) =>
    moved(plan, pick(plan.segments), { startS: -36_000, endS: -36_000 }),
  'everything at once': (plan) =>
    plan.segments.filter((part) => part.hands).length < 2
      ? undefined
      : {
          ...plan,
          segments: plan.segments.map((part) => ({
            ...part,
            startS: 0,
            endS: part.endS - part.startS,
          })),
        },
  'a part without a time': (plan, pick) => {
    const one = pick(plan.segments)
    return one && { ...plan, segments: plan.segments.filter((part) => part !== one) }
  },
}

/** Words a plan carries beside its ladder, all of them emptied or made up. */
export const withForgedWords = (plan: FittedPlan): FittedPlan => ({
  ...plan,
  engine: '99.0.0',
  ruleBook: 'none',
  totalS: 1,
  writtenTotalS: 1,
  stops: [],
  handStops: [],
  askFirst: [],
  cautions: [],
  checked: [],
  notChecked: [],
  refer: [],
  advice: [],
  open: [],
  levers: [],
  suggestions: [],
  tray: [],
  changes: [],
  heart: { stepIds: [], lost: [], treats: true },
  segments: plan.segments.map((part) => ({
    ...part,
    maxS: 99_999,
    active: false,
    hands: false,
    zones: [],
  })),
})
