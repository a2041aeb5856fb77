import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { planFor, yes, client, input } from '~~/tests/situations'
import { compile } from '#core/adapt'
import { clockMarks, layoutLadder, leaveOnSteps, matchRungs, spread } from './layout'
import { productsFor, setProduct } from '#core/catalog'
import { moveStep, setMinutes } from './edit'
import { BRIGHTENING, SHELF } from '~~/tests/fixtures'
import { FACE } from '#core/skin'

const plan = planFor()

describe('rows beside a ladder', () => {
  test('keep their order and distance, inside the height, and stay at their time where there is room', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 600, noNaN: true }), { minLength: 1, maxLength: 20 }),
        (raw) => {
          const anchors = raw.sort((a, b) => a - b)
          const rows = spread(anchors, 25, 600)
          for (const [at, row] of rows.entries()) {
            expect(row).toBeGreaterThanOrEqual(-1e-9)
            expect(row + 25).toBeLessThanOrEqual(600 + 1e-6)
            if (at > 0) expect(row - rows[at - 1]!).toBeGreaterThanOrEqual(25 - 1e-6)
          }
        },
      ),
    )
    expect(spread([10, 100, 300], 25, 600)).toEqual([10, 100, 300])
    expect(spread([100, 100], 20, 600)).toEqual([90, 110])
  })
  test('time is to scale and nothing is lost', () => {
    const layout = layoutLadder(
      plan.steps,
      plan.segments,
      leaveOnSteps(plan.steps, SHELF.products),
      { height: 600, rowHeight: 25 },
    )
    expect(layout.hands.length + layout.skin.length).toBeGreaterThan(plan.segments.length)
    for (const block of layout.hands) {
      const segment = plan.segments.find((part) => part.id === block.id)!
      expect([block.y, block.height]).toEqual([
        segment.startS * layout.pixelsPerSecond,
        (segment.endS - segment.startS) * layout.pixelsPerSecond,
      ])
    }
    expect(layout.rows.map((row) => row.stepId).sort()).toEqual(
      plan.steps.map((step) => step.id).sort(),
    )
    expect(layout.rows.filter((row) => row.hung).map((row) => row.stepId)).toEqual([
      'lips',
      'scalp',
    ])
    expect(layout.threads.map((thread) => thread.stepId)).toContain('sun')
  })
  test('rungs are matched, left-out ones lead nowhere', () => {
    const without = compile(input({ client: client([yes('isotretinoin')]) }))
    const matches = matchRungs(without, 0.1)
    expect(matches.find((match) => match.stepId === 'enzyme')).toMatchObject({
      to: undefined,
      changed: true,
    })
    expect(matches.find((match) => match.stepId === 'cream')!.to).toBeDefined()
  })
  test('clock marks fall on the clock', () => {
    const marks = clockMarks(Date.UTC(2026, 10, 24, 8, 7), 1200, 1, 5)
    expect(marks.map((mark) => [new Date(mark.atMs).getUTCMinutes(), mark.y])).toEqual([
      [10, 180],
      [15, 480],
      [20, 780],
      [25, 1080],
    ])
    expect(marks.map((mark) => mark.major)).toEqual([false, true, false, false])
  })
})

describe('simple edits', () => {
  const [first, second] = BRIGHTENING.steps
  test('moving stays within the ladder', () => {
    expect(moveStep(BRIGHTENING.steps, 0, 1).slice(0, 2)).toEqual([second, first])
    expect(moveStep(BRIGHTENING.steps, 0, -1)).toEqual(BRIGHTENING.steps)
  })
  test('a dwell keeps its limits, hands may take any time', () => {
    const kelp = BRIGHTENING.steps.find((step) => step.id === 'kelp')!
    expect(
      setMinutes(kelp, 'dwell', 90).segments.find((segment) => segment.id === 'dwell')!.usualS,
    ).toBe(25 * 60)
    expect(
      setMinutes(kelp, 'dwell', 1).segments.find((segment) => segment.id === 'dwell')!.usualS,
    ).toBe(15 * 60)
    expect(setMinutes(kelp, 'on', 6).segments.find((segment) => segment.id === 'on')).toMatchObject(
      { usualS: 360, maxS: 360 },
    )
    expect(setMinutes(kelp, 'on', Number.NaN)).toEqual(kelp)
  })
  test('another product brings its own times', () => {
    const enzyme = BRIGHTENING.steps.find((step) => step.id === 'enzyme')!
    const choices = productsFor(enzyme, SHELF.products)
    expect(choices.map((choice) => choice.pick.productId)).toEqual(
      expect.arrayContaining(['rice-enzyme', 'lactic-peel']),
    )
    expect(
      setProduct(enzyme, { productId: 'lactic-peel', useId: 'peel' }, SHELF.products),
    ).toMatchObject({
      title: 'Lactic Soft Peel',
      zones: enzyme.zones.filter((zone) => FACE.includes(zone)),
    })
    expect(setProduct(enzyme, { productId: 'gone', useId: 'x' }, SHELF.products)).toBe(enzyme)
  })
})
