import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { drawn } from '../../tests/second-reading/draw'
import { Facts, type Visit } from '../../tests/second-reading/facts'
import { forbiddenIn } from '../../tests/second-reading/forbidden'
import { touchesOf } from '../../tests/second-reading/touch'
import { no, TODAY } from '../../tests/situations'
import { HOME_SHELF } from '../../tests/home-shelf'
import { CONCERNS, dateAfter, daysBetween, QUESTIONS } from '../client'
import { HOME_ROLES } from '../catalog'
import { PROPERTIES, type Step } from '../protocol'
import { homePlan, isStrong, type HomeInput, type HomeLine, type HomePlan, type HomeUse } from '.'

const use = (more: Partial<HomeUse> & Pick<HomeUse, 'role'>): HomeUse => ({
  ...{ name: '', times: ['evening'], perWeek: 7, prescribed: false },
  ...more,
})

// Random clients, and a reading of the rules that shares no code with the engine.
const drawnUses: fc.Arbitrary<HomeUse[]> = fc.array(
  fc
    .record({
      role: fc.constantFrom(...HOME_ROLES),
      productId: fc.constantFrom(
        undefined,
        undefined,
        'night-cream',
        'salicylic-fluid',
        'bead-scrub',
      ),
      perWeek: fc.integer({ min: 1, max: 7 }),
      name: fc.constantFrom('Mine', 'Other'),
    })
    .map(({ productId, ...one }) => use({ ...one, ...(productId ? { productId } : {}) })),
  { maxLength: 5 },
)
const drawnInput: fc.Arbitrary<HomeInput> = fc
  .record({
    visit: drawn,
    concerns: fc.shuffledSubarray([...CONCERNS], { minLength: 1, maxLength: 4 }),
    uses: fc.option(drawnUses, { nil: undefined }),
    work: fc.subarray([...PROPERTIES], { maxLength: 6 }),
    rung: fc.integer({ min: 0, max: 4 }),
    splits: fc.boolean(),
    next: fc.option(fc.integer({ min: 5, max: 60 }), { nil: undefined }),
    kit: fc.constantFrom(undefined, 'zinc-fluid', 'salicylic-fluid', 'night-cream'),
  })
  .map(({ visit, concerns, uses, work, rung, splits, next, kit }) => ({
    ...{ client: { ...visit.client, concerns }, reading: visit.reading, history: [] },
    ...{ shelf: HOME_SHELF, date: TODAY, uses, splits },
    done: { levers: rung > 0 ? [{ lever: 'acid' as const, rung }] : [], work, points: rung },
    rests: kit ? [{ productId: kit, amount: 10, home: 'A little, evenings' }] : [],
    ...(next ? { next: { on: dateAfter(TODAY, next), isBooked: false } } : {}),
  }))

const OF_A_VISIT = new Set(['retinol at home', 'first visit, acid', 'first visit, enzyme'])
const OF_THE_DAY = new Set(QUESTIONS.filter(({ ofTheDay }) => ofTheDay).map(({ code }) => code))
/** What may not be on a line, on a day on which it is used. */
function forbidden(line: HomeLine, date: string, { client, reading }: HomeInput): string[] {
  const facts = [
    ...client.facts.filter(({ code }) => !OF_THE_DAY.has(code)),
    ...[...OF_THE_DAY].map((code) => ({ ...no(code), askedOn: date })),
  ]
  const product = HOME_SHELF.products.find(({ id }) => id === line.productId)!
  const [used] = product.uses
  const step: Step = {
    ...{ id: line.id, phase: used!.phase, title: line.name, zones: line.zones },
    ...{ product: { productId: product.id, useId: used!.id }, properties: [] },
    ...{ segments: used!.segments, essential: false, priority: 1 },
  }
  const visit = {
    ...{ client: { ...client, facts }, reading, history: [], shelf: HOME_SHELF, date },
    daytime: line.times.includes('morning'),
    protocol: { steps: [step] },
  } as unknown as Visit
  return touchesOf(step, HOME_SHELF)
    .flatMap((touch) => forbiddenIn(touch, new Facts(visit), visit))
    .filter((why) => !OF_A_VISIT.has(why))
}

describe('over random clients', () => {
  test('nothing that a second reading of the rules forbids is on a line on the day it begins', () => {
    fc.assert(
      fc.property(drawnInput, (given) => {
        for (const line of homePlan(given).lines.filter(({ productId }) => productId))
          expect(forbidden(line, line.from, given), line.name).toEqual([])
      }),
      { numRuns: 600 },
    )
  })
  test('one strong thing to an evening, none while the skin rests, none before it begins', () => {
    overPlans((plan, { next, date: on }) => {
      const again = plan.pauses.find(({ what }) => what === 'own-actives')?.again ?? on
      const byId = new Map(plan.lines.map((line) => [line.id, line]))
      expect(byId.size).toBe(plan.lines.length)
      for (const { date, evening, morning } of plan.days.filter(
        (day) => day.evening ?? day.morning,
      )) {
        expect(date >= again).toBe(true)
        if (next) expect(daysBetween(date, next.on)).toBeGreaterThan(3)
        if (morning) expect(byId.get(morning)!.role).toBe('acid')
        for (const id of [evening, morning].filter((one) => one !== undefined)) {
          expect(isStrong(byId.get(id)!.role)).toBe(true)
          expect(date >= byId.get(id)!.from).toBe(true)
        }
      }
    })
  })
  test('no oftener than its rhythm; where a week holds the end of one rhythm and the start of the next, once more', () => {
    overPlans(({ lines, days }) => {
      for (const { id, pace } of lines.filter((line) => line.pace)) {
        const most = Math.max(...pace!.map(({ perWeek }) => perWeek))
        const used = days.map(({ evening, morning }) => Number([evening, morning].includes(id)))
        for (const [at] of used.entries()) {
          const inWeek = used.slice(at, at + 7).reduce((sum, one) => sum + one, 0)
          expect(inWeek).toBeLessThanOrEqual(most + 1)
        }
      }
    })
  })
  test('five new things at the most, one of them strong, a week between those that a wish asked for', () => {
    overPlans(({ lines }) => {
      const news = lines.filter(({ state, role }) => state === 'new' && role !== 'neck')
      expect(news.length).toBeLessThanOrEqual(5)
      expect(news.filter(({ role }) => isStrong(role)).length).toBeLessThanOrEqual(1)
      const starts = news.filter(({ concern }) => concern).map(({ from }) => from)
      for (const [at, from] of starts.sort().entries())
        if (at > 0) expect(daysBetween(starts[at - 1]!, from)).toBeGreaterThanOrEqual(7)
    })
  })
  test('more work never shortens a pause, and a longer pause never brings the plan forward', () => {
    overPlans((plan, given) => {
      const more = homePlan({
        ...given,
        done: { ...given.done, work: [...given.done.work, 'needling'] },
      })
      for (const { what, again } of plan.pauses)
        expect(more.pauses.find((pause) => pause.what === what)!.again >= again).toBe(true)
      expect(more.firstDays.until >= plan.firstDays.until).toBe(true)
    })
  })
})

function overPlans(check: (plan: HomePlan, given: HomeInput) => void) {
  fc.assert(
    fc.property(drawnInput, (given) => check(homePlan(given), given)),
    { numRuns: 400 },
  )
}
