import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_CARDS, visitOn, type DemoVisit } from '../../tests/demo-visit'
import { runs } from '../../tests/runs'
import { event, performed, runningAt, START } from '../../tests/under-way'
import { audit } from '../adapt/audit'
import { compile, hasLadder, type FittedPlan } from '../adapt'
import { callable, inputUnderway, liveAt, reduceRun, whyNotThere, type Called } from '.'
import { PHASES } from '../protocol/words'
import { inCalledOrder } from './order'
import { STRETCHES } from './tables/stages'

function coming({ given, plan }: DemoVisit, second: number) {
  const state = reduceRun(plan, performed(plan, second))
  const live = liveAt(plan, state, START + second * 1000)
  return callable(plan, live, state, given.protocol.steps).ids
}
/** A call at a second, and the rest fitted at once. */
function call({ given, plan }: DemoVisit, called: Called, second: number) {
  const said = event(900, second, { type: 'called' as const, ...called })
  const events = [...performed(plan, second), said]
  const running = runningAt(plan, events, second)
  const asked = inputUnderway(given, reduceRun(plan, events))
  const next = compile(asked, running)
  return { asked, running, next, why: whyNotThere(called, plan, next) }
}

const ids = (steps: readonly { id: string }[]) => steps.map(({ id }) => id).join(' ')
const row = [{ id: 'a' }, { id: 'b' }, { id: 'b2', closes: 'b' }, { id: 'c' }]

describe('another order', () => {
  test.each([
    [[], 'a b b2 c'],
    [[{ stepId: 'c', after: 'a' }], 'a c b b2'],
    [[{ stepId: 'b', after: 'c' }], 'a c b b2'],
    [[{ stepId: 'b', after: 'b2' }], 'a b b2 c'],
    // Nothing comes between a step and what closes it.
    [[{ stepId: 'c', after: 'b' }], 'a b b2 c'],
    [[{ stepId: 'a', after: 'b' }], 'b b2 a c'],
    [[{ stepId: 'b', after: 'none' }], 'a b b2 c'],
    [[{ stepId: 'none', after: 'a' }], 'a b b2 c'],
    [
      [
        { stepId: 'c', after: 'a' },
        { stepId: 'a', after: 'c' },
      ],
      'c a b b2',
    ],
  ] as const)('%j', (called, order) => expect(ids(inCalledOrder(row, called))).toBe(order))

  test('a massage before the globes: hands come to it sooner, and nothing is given up for it', () => {
    const visit = visitOn('brightening')
    const order = coming(visit, 30)
    const massage = order.find((id) => /massage/.test(id))!
    const at = order.indexOf(massage)
    const called = { stepId: massage, after: order[at - 2]! }
    const { next, why } = call(visit, called, 30)
    expect(why).toBeUndefined()
    const onS = (plan: FittedPlan, id: string) =>
      plan.segments.find((part) => part.stepId === id)!.startS
    expect(onS(next, massage)).toBeLessThan(onS(next, order[at - 1]!))
    expect(onS(visit.plan, massage)).toBeGreaterThan(onS(visit.plan, order[at - 1]!))
  })

  test('what closes a step goes along and has no place of its own; nothing comes between the two', () => {
    const visit = visitOn('undertow')
    const closers = visit.plan.steps.filter(({ closes }) => closes !== undefined)
    expect(closers.length).toBeGreaterThan(0)
    const order = coming(visit, 30)
    for (const { id, closes } of closers)
      if (order.includes(closes!)) expect(order).not.toContain(id)
    const after = closers.find(({ closes }) => order.includes(closes!))!.closes!
    const { next, why } = call(visit, { stepId: 'tone-1', after }, 30)
    expect(why).toBeUndefined()
    const ids = next.steps.filter(({ floating }) => !floating).map(({ id }) => id)
    const closing = next.steps.filter(({ closes }) => closes === after)
    const block = ids.slice(ids.indexOf(after) + 1, ids.indexOf('tone-1'))
    expect([...block].sort()).toEqual(closing.map(({ id }) => id).sort())
  })

  test('what the order of the skin forbids says why', () => {
    const visit = visitOn('brightening')
    const order = coming(visit, 30)
    const why = (stepId: string, after: string) => call(visit, { stepId, after }, 30).why
    expect(order).toEqual(expect.arrayContaining(['cleanse-1', 'lamp', 'kelp', 'sun']))
    expect(why('sun', 'cleanse-1')).toContain('goes on last')
    expect(why('cleanse-1', 'sun')).toContain('clean skin')
    expect(why('cream', 'sun')).toContain('thin before thick')
    expect(why('lamp', 'massage')).toContain('clean skin')
    expect(why('bye', 'kelp')).toContain('ends with it')
    // Free of its stretch, and yet against the order of the skin: what begun stays, in the words of that rule.
    expect(why('eyes', 'kelp')).toBeDefined()
  })

  test('on any card, at any moment, any call: it stands as called and no limit is broken, or it says why not', () => {
    let taken = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_CARDS),
        fc.nat(),
        fc.nat(),
        fc.nat(),
        (card, when, a, b) => {
          const visit = visitOn(card)
          if (!hasLadder(visit.plan)) return
          const second = when % visit.plan.totalS
          const order = coming(visit, second)
          const [stepId, after] = [order[a % order.length], order[b % order.length]]
          if (stepId === undefined || after === undefined || stepId === after) return
          const { next, why, asked, running } = call(visit, { stepId, after }, second)
          if (!hasLadder(next)) {
            expect(next.problems.join(' ')).toMatch(/\w/)
            return
          }
          expect(audit(next, asked, running).faults).toEqual([])
          if (why === undefined) taken++
          else expect(why).toMatch(/\w/)
        },
      ),
      { numRuns: runs(40) },
    )
    expect(taken).toBeGreaterThan(0)
  })
})

test('every phase of a visit has its place in the order', () => {
  const placed = STRETCHES.flatMap(({ phases }) => phases)
  expect([...placed].sort()).toEqual([...PHASES].sort())
})
