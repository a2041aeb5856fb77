import { describe, expect, test } from 'vitest'
import { cardOf, CARDS, SHELF } from '../../tests/fixtures'
import { trayFor } from '../mixing'
import { visitOf } from '../../tests/person-visit'
import { client, input, planFor } from '../../tests/situations'
import { compile, hasLadder, type FittedPlan } from '../adapt'
import { productById } from '../catalog/shelf'
import type { Step } from '../protocol/model'
import { NOSE } from '../skin'
import { guideOf, type Guide } from './guide'

const EVERYTHING = {
  scope: [
    ...(['minors', 'needling', 'blade', 'lancet', 'rf'] as const),
    ...(['measured-infusion', 'strong-acid', 'high-suction'] as const),
  ],
  hazards: [],
}
const guidesOf = (plan: FittedPlan, written: FittedPlan['steps']) =>
  plan.segments.map((placed) => ({
    placed,
    guide: guideOf({ plan, written, shelf: SHELF }, placed) as Guide,
  }))

describe('beside the clock', () => {
  test.each(CARDS.map((card) => [card.name, card] as const))(
    '%s: what with, where, how at every segment, and no tip is ever mixed',
    (_, card) => {
      const given = input({ protocol: card, practitioner: EVERYTHING, slotMinutes: 240 })
      const plan = compile(given)
      expect(hasLadder(plan), plan.problems.join(' ')).toBe(true)
      const seen = guidesOf(plan, card.steps)
      expect(seen.length).toBeGreaterThan(10)
      for (const { placed, guide } of seen) {
        const at = `${card.name}, ${placed.id}`
        expect(guide, at).toBeDefined()
        expect(guide.verb, at).not.toBe('')
        expect(guide.where.length, `${at}: where`).toBeGreaterThan(0)
        expect(guide.how.length, `${at}: how`).toBeGreaterThan(0)
        for (const line of [...guide.how, ...guide.with]) expect(line.trim(), at).not.toBe('')
        const step = plan.steps.find(({ id }) => id === placed.stepId)!
        if (['prepare', 'apply', 'remove'].includes(placed.kind))
          expect(guide.with.length, `${at}: with`).toBeGreaterThan(0)
        if (placed.kind === 'prepare') {
          expect(guide.verb, at).toBe(step.deviceId ? 'Set up' : 'Mix')
          // A bowl is mixed from what lies there: every part with its amount.
          if (!step.deviceId)
            expect(
              guide.mix!.parts.every((part) => (part.grams ?? part.mL ?? 0) > 0),
              at,
            ).toBe(true)
        }
      }
    },
  )
  test('a set mask at its bowl: powder, water, its temperature, and what it leaves the hands', () => {
    const plan = planFor()
    const bowl = guidesOf(plan, plan.steps).find(
      ({ placed, guide }) => placed.kind === 'prepare' && guide.mix?.times !== undefined,
    )!
    expect(bowl.guide.mix!.waterMl).toBeGreaterThan(0)
    expect(bowl.guide.how.join()).toMatch(/leaves you \d+(\.\d)? min/)
  })
  test('the way a set mask comes off stands where it comes off', () => {
    const plan = planFor()
    const off = guidesOf(plan, plan.steps).filter(({ placed }) => placed.kind === 'remove')
    const peeled = off.find(({ guide }) => guide.how.join().includes('in one piece'))
    expect(peeled).toBeDefined()
    expect(new Set(off.flatMap(({ guide }) => guide.with)).size).toBeGreaterThan(1)
  })
  test('what stands in brings its own words, and takes none of what it replaced', () => {
    const worded = ({ product, technique }: Step) =>
      product !== undefined && technique !== undefined
    const card = CARDS.find(({ steps }) => steps.some((step) => worded(step) && step.say))!
    const plan = compile(
      input({ protocol: card, practitioner: EVERYTHING, slotMinutes: 240, overrides: [] }),
    )
    const said = plan.steps.find((step) => worded(step) && step.say)!
    const others = SHELF.products.filter(
      ({ kind, id }) =>
        kind === productById(SHELF, said.product!.productId)!.kind &&
        id !== said.product!.productId,
    )
    expect(others.length).toBeGreaterThan(0)
    const other = others[0]!
    const swapped = {
      ...plan,
      steps: plan.steps.map((step) =>
        step.id === said.id
          ? { ...step, product: { productId: other.id, useId: other.uses[0]!.id } }
          : step,
      ),
    }
    const guides = guidesOf(swapped, plan.steps).filter(({ placed }) => placed.stepId === said.id)
    const on = guides.find(({ placed }) => placed.kind === 'apply')!
    expect(on.guide.with.join()).toContain(other.name)
    expect(on.guide.how.join()).not.toContain(said.technique!)
    expect(on.guide.say).not.toBe(said.say)
    const before = guidesOf(plan, plan.steps).filter(({ placed }) => placed.stepId === said.id)
    const first = before.find(({ placed }) => placed.kind === 'apply')!
    expect([first.guide.how.join().includes(said.technique!), first.guide.say]).toEqual([
      true,
      said.say,
    ])
  })
  test('poles and coats are said; a removal says its tool as it lies on the tray, and how warm', () => {
    const verbs = (person: string, card: string, ...ids: string[]) => {
      const given = visitOf(person, cardOf(card))
      const plan = compile(given)
      return ids.map((id) => {
        const placed = plan.segments.find((segment) => segment.id === id)!
        const guide = guideOf({ plan, written: given.protocol.steps, shelf: given.shelf }, placed)!
        return [guide.verb, ...(placed.kind === 'remove' ? guide.with : [])]
      })
    }
    expect(
      verbs('Yuna Delacroix', 'two-currents', 'galvanic/negative', 'galvanic/positive'),
    ).toEqual([['On, negative pole'], ['On, positive pole']])
    expect(verbs('Wren Castellane', 'undertow', 'coats/coat2')).toEqual([['Coat 2']])
    const plan = planFor()
    const off = (id: string) => {
      const placed = plan.segments.find((segment) => segment.id === id)!
      return guideOf({ plan, written: plan.steps, shelf: SHELF }, placed)!
    }
    expect(off('enzyme/off')).toMatchObject({
      verb: 'Take off',
      with: ['damp sponges, pair, lukewarm'],
    })
    expect(off('kelp/off').how.join()).toContain('in one piece')
  })
  test('what it comes off with is what the tray has laid out for it, on every card', () => {
    let compared = 0
    for (const card of CARDS) {
      const plan = compile(input({ protocol: card, practitioner: EVERYTHING, slotMinutes: 240 }))
      const tray = trayFor(plan.steps, SHELF)
      for (const { placed, guide } of guidesOf(plan, card.steps)) {
        const laid = tray.find(({ id }) => id === placed.id.replace('/', ':'))
        if (placed.kind !== 'remove' || !laid) continue
        expect(guide.with.join(), `${card.name}, ${placed.id}`).toContain(laid.name.split(',')[0])
        compared++
      }
    }
    expect(compared).toBeGreaterThan(80)
  })
  test('oil comes off dry: the tray lays dry sponges out, and nothing says damp', () => {
    const plan = planFor()
    const oil = SHELF.products.find(({ vehicle }) => vehicle === 'anhydrous')!
    const steps = plan.steps.map((step) =>
      step.id === 'cleanse-1'
        ? {
            ...step,
            product: { productId: oil.id, useId: oil.uses[0]!.id },
            segments: step.segments.map(({ temperature: _, ...segment }) => segment),
          }
        : step,
    )
    const off = guidesOf({ ...plan, steps }, plan.steps).find(
      ({ placed }) => placed.stepId === 'cleanse-1' && placed.kind === 'remove',
    )!
    expect([...off.guide.with, ...off.guide.how].join()).toContain('dry sponges')
    expect([...off.guide.with, ...off.guide.how].join()).not.toContain('damp')
  })
  test('a part with words of its own says them and not the usual ones; the others keep theirs', () => {
    const plan = planFor()
    const own = 'Rolled off from the chin with both hands.'
    const steps = plan.steps.map((step) =>
      step.id === 'enzyme'
        ? {
            ...step,
            segments: step.segments.map((part) =>
              part.id === 'off' ? { ...part, technique: own } : part,
            ),
          }
        : step,
    )
    const how = (of: Step[], id: string) => {
      const placed = plan.segments.find((segment) => segment.id === id)!
      return guideOf({ plan: { steps: of }, written: of, shelf: SHELF }, placed)!.how
    }
    expect(how(steps, 'enzyme/off')).toContain(own)
    expect(how(steps, 'enzyme/off').join()).not.toContain('two damp sponges')
    expect(how(steps, 'enzyme/on')).toEqual(how(plan.steps, 'enzyme/on'))
  })
  test('warm, lukewarm, room-warm and cool towel, dry and damp sponge are six things', () => {
    const plan = planFor()
    const placed = plan.segments.find(({ id }) => id === 'enzyme/off')!
    const withOf = (more: Partial<Step['segments'][number]>) => {
      const steps = plan.steps.map((step) => ({
        ...step,
        segments: step.segments.map((part) =>
          `${step.id}/${part.id}` === placed.id ? { ...part, ...more } : part,
        ),
      }))
      const guide = guideOf({ plan: { steps }, written: steps, shelf: SHELF }, placed)!
      return guide.with.join()
    }
    const towels = (['warm', 'lukewarm', 'room', 'cool'] as const).map((temperature) =>
      withOf({ tool: 'towel', temperature }),
    )
    const sponges = (['sponge', 'dry-sponge'] as const).map((tool) =>
      withOf({ tool, temperature: 'lukewarm' }),
    )
    expect(towels).toEqual(['warm towel', 'lukewarm towel', 'room-warm towel', 'cool towel'])
    expect(new Set([...towels, ...sponges]).size).toBe(6)
    expect(withOf({ tool: 'sponge', temperature: 'room' })).toContain('room-warm')
  })
  test('what follows the muscles shows those of today’s zones, while it is put on and never else', () => {
    const plan = planFor()
    const steps = plan.steps.map((step) =>
      step.id === 'kelp' ? { ...step, follows: 'muscles' as const, zones: [...NOSE] } : step,
    )
    const muscles = (id: string) => {
      const placed = plan.segments.find((part) => part.id === id)!
      return guideOf({ plan: { steps }, written: plan.steps, shelf: SHELF }, placed)!.muscles
    }
    expect(muscles('kelp/on')).toEqual(['nasalis'])
    expect(muscles('kelp/off')).toBeUndefined()
    expect(muscles('enzyme/on')).toBeUndefined()
  })
  test('a segment that is none of the ladder has no guide', () => {
    const plan = planFor({ client: client() })
    const placed = { ...plan.segments[0]!, id: 'nothing/here' }
    expect(guideOf({ plan, written: [], shelf: SHELF }, placed)).toBeUndefined()
  })
})
