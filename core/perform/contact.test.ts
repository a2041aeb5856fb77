import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { input, planFor } from '../../tests/situations'
import { event, performed, START } from '../../tests/under-way'
import { compile, type FittedPlan } from '../adapt'
import { liveAt, reduceRun } from '.'

const at = (plan: FittedPlan, second: number, off: string) => {
  const state = reduceRun(plan, [
    ...performed(plan, second - 1),
    event(800, second, { type: 'started', segmentId: off }),
  ])
  return liveAt(plan, state, START + (second + 5) * 1000)
}
const statusOf = (live: ReturnType<typeof at>, id: string) =>
  live.segments.find(({ segment }) => segment.id === id)

describe('taken off while it still goes on', () => {
  test('it comes off at once, and nothing lies there any more', () => {
    const plan = planFor()
    const on = plan.segments.find(({ id }) => id === 'enzyme/on')!
    const live = at(plan, on.startS + 20, 'enzyme/off')
    expect(live.hands?.segment.id).toBe('enzyme/off')
    expect(live.layers).toEqual([])
    expect(statusOf(live, 'enzyme/on')).toMatchObject({
      status: 'done',
      toMs: START + (on.startS + 20) * 1000,
    })
  })
  test('a further coat is not put on any more', () => {
    const protocol = CARDS.find(({ protocolId }) => protocolId === 'undertow')!
    const plan = compile(input({ protocol, slotMinutes: 240 }))
    const [first, second] = plan.segments.filter(
      ({ stepId, kind }) => stepId === 'coats' && kind === 'apply',
    )
    const live = at(plan, first!.startS + 20, 'coats/off')
    expect(live.hands?.segment.id).toBe('coats/off')
    expect(statusOf(live, first!.id)?.status).toBe('done')
    expect(statusOf(live, second!.id)?.status).toBe('skipped')
  })
})
