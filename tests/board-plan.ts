import type { FittedPlan } from '#core/adapt'

interface Asked {
  readonly stops: readonly string[]
  readonly changes: readonly (readonly [
    kind: FittedPlan['changes'][number]['kind'],
    what: string,
  ])[]
  readonly askFirst?: readonly string[]
  /** The changes stand because a question has not been asked. */
  readonly unasked?: boolean
}

/** As much of a plan as a board reads: a mask that is mixed at ten minutes and comes off with towels at thirty. */
export function situationPlan({ stops, changes, askFirst = [], unasked }: Asked) {
  const why = {
    ...{ ruleId: 'A01', reason: 'r', instead: 'i', because: 'b', basis: 'house' as const },
    overridable: 'no' as const,
    ...(unasked ? { unasked: true as const } : {}),
  }
  const segment = (kind: 'prepare' | 'dwell' | 'remove', startS: number, endS: number) => ({
    ...{ id: kind, stepId: 'mask', kind, startS, endS, maxS: endS, active: false, hands: true },
    presence: 'room' as const,
    zones: [],
  })
  return {
    status: 'ready' as FittedPlan['status'],
    problems: [] as string[],
    stops: [] as string[],
    handStops: stops.map((words) => ({ words, stepIds: ['mask'] })),
    changes: changes.map(([kind, what]) => ({ kind, what, stepId: 'mask', why: [why] })),
    askFirst: [...askFirst],
    steps: [{ id: 'mask', title: 'Algae mask' }] as FittedPlan['steps'],
    segments: [
      segment('prepare', 600, 700),
      segment('dwell', 700, 1800),
      segment('remove', 1800, 1900),
    ],
    tray: [
      { id: 't', name: 'warm towel', count: 2, for: 'Algae mask', stepId: 'mask', readyInS: 300 },
      { id: 'bowl', name: 'bowl', count: 1, for: 'Algae mask', stepId: 'mask' },
    ],
  }
}
