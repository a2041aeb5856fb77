import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_PROTOCOLS } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { runs } from '../../tests/runs'
import { input, readingOf, TOLERATED } from '../../tests/situations'
import { event, performed, START } from '../../tests/under-way'
import { audit } from '../adapt/audit'
import { compile, hasLadder, type CompileInput, type FittedPlan } from '../adapt'
import { callable, inputUnderway, liveAt, reduceRun, underwayOf, whyNotThere, type Called } from '.'
import { PHASES } from '../protocol/words'
import { inCalledOrder } from './order'
import { STRETCHES } from './tables/stages'

const practitioner = { scope: ['needling' as const], hazards: [] }
const visits = new Map<string, { given: CompileInput; plan: FittedPlan }>()
function visitOn(cardId: string) {
  const protocol = DEMO_PROTOCOLS.find(({ protocolId }) => protocolId === cardId)!
  const given = input({
    ...{ protocol, practitioner, slotMinutes: 240, history: TOLERATED },
    ...{ shelf: DEMO_SHELF, reading: readingOf() },
  })
  const known = visits.get(cardId) ?? { given, plan: compile(given) }
  visits.set(cardId, known)
  return known
}
const nowOf = (second: number) => START + second * 1000
function coming({ given, plan }: ReturnType<typeof visitOn>, second: number) {
  const state = reduceRun(plan, performed(plan, second))
  const live = liveAt(plan, state, nowOf(second))
  return callable(plan, live, state, given.protocol.steps).ids
}
/** A call at a second, and the rest fitted at once. */
function call({ given, plan }: ReturnType<typeof visitOn>, called: Called, second: number) {
  const said = event(900, second, { type: 'called' as const, ...called })
  const state = reduceRun(plan, [...performed(plan, second), said])
  const underway = underwayOf(state, liveAt(state.plan, state, nowOf(second)), nowOf(second))
  const running = { plan: state.plan, underway }
  const asked = inputUnderway(given, state)
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
    const cards = DEMO_PROTOCOLS.map(({ protocolId }) => protocolId)
    let taken = 0
    fc.assert(
      fc.property(fc.constantFrom(...cards), fc.nat(), fc.nat(), fc.nat(), (card, when, a, b) => {
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
      }),
      { numRuns: runs(40) },
    )
    expect(taken).toBeGreaterThan(0)
  })
})

test('every phase of a visit has its place in the order', () => {
  const placed = STRETCHES.flatMap(({ phases }) => phases)
  expect([...placed].sort()).toEqual([...PHASES].sort())
})
