import { describe, expect, test } from 'vitest'
import { visitOf } from '../../tests/person-visit'
import { cardOf, SHELF } from '../../tests/fixtures'
import type { Fact } from '../client'
import { subjectReader } from '../strength'
import { touches } from '../safety'
import type { Shelf } from '../catalog'
import {
  compile,
  chosenFor,
  constraintsFor,
  NO_PREP,
  prepared,
  shortages,
  standIns,
  withChoice,
  withoutChoice,
  type CompileInput,
} from '.'

const stocked = (stock: Record<string, number>, more: Record<string, object> = {}): Shelf => ({
  ...SHELF,
  products: SHELF.products.map((product) => ({
    ...product,
    ...(product.id in stock ? { stock: stock[product.id]! } : {}),
    ...more[product.id],
  })),
})
const visit = (card: string, more: Partial<CompileInput> = {}, client = 'Wren Castellane') =>
  visitOf(client, cardOf(card), more)
const yes = (input: CompileInput, fact: Partial<Fact> & { code: string }): CompileInput => ({
  ...input,
  client: {
    ...input.client,
    facts: [...input.client.facts, { answer: 'yes', askedOn: input.date, ...fact }],
  },
})

describe('what is short', () => {
  test('the part of a house mix that is out, at the step that wants it', () => {
    expect(shortages(visit('mixed-bowl'))).toEqual([
      {
        stepId: 'bowl',
        stepTitle: 'Meadow cocktail',
        productId: 'clover-drops',
        name: 'Clover Drops',
        mixId: 'meadow-cocktail',
        why: 'out',
        needed: 1.3,
        left: 0,
        unit: 'mL',
      },
    ])
  })
  test('less than the whole visit takes, past its time, not on the shelf; each once', () => {
    // Cleansed twice: 4.8 and 3.2 mL; five are enough for the first alone.
    expect(
      shortages(visit('brightening', { shelf: stocked({ 'oat-cleanser': 5 }) })).map((shortage) => [
        shortage.stepId,
        shortage.name,
        shortage.why,
        shortage.needed,
        shortage.left,
      ]),
    ).toEqual([['cleanse-2', 'Oat Milk Cleanser', 'too little', 8, 5]])
    expect(
      shortages(
        visit('brightening', {
          shelf: stocked({}, { 'dune-cream': { bestBefore: '2020-01-01' } }),
        }),
      ).map((shortage) => shortage.why),
    ).toEqual(['past its time'])
    expect(
      shortages(
        visit('brightening', {
          shelf: {
            ...SHELF,
            products: SHELF.products.filter((product) => product.id !== 'dune-cream'),
          },
        }),
      ).map((shortage) => shortage.why),
    ).toEqual(['not on the shelf'])
    expect(shortages(visit('brightening'))).toEqual([])
  })
})

describe('what stands in', () => {
  test('a booster of the same kind, the named one first, with what it changes', () => {
    const input = visit('mixed-bowl')
    const { options, refused } = standIns(input, shortages(input)[0]!)
    expect(options[0]).toMatchObject({
      productId: 'panthenol-drops',
      named: true,
      choice: {
        kind: 'part',
        mixId: 'meadow-cocktail',
        partId: 'clover-drops',
        byId: 'panthenol-drops',
      },
    })
    expect(options[0]!.trade).toEqual(['no bisabolol', '1.7 % panthenol besides'])
    expect(refused.map((productId) => [productId.name, productId.why])).toContainEqual([
      'Yarrow Drops',
      'Yarrow Drops: 8.3 % of the mix, at most 5 %.',
    ])
  })
  test('one tap puts the mix back on the ladder', () => {
    const input = visit('mixed-bowl')
    expect(compile(input).steps.find((step) => step.id === 'bowl')!.product!.productId).toBe(
      'oat-cocktail',
    )
    const chosen = {
      ...input,
      prep: {
        ...NO_PREP,
        partStandIns: { 'meadow-cocktail': { 'clover-drops': 'panthenol-drops' } },
      },
    }
    expect(compile(chosen).steps.find((step) => step.id === 'bowl')!.product!.productId).toBe(
      'meadow-cocktail',
    )
    expect(
      prepared(chosen).shelf.products.find((product) => product.id === 'meadow-cocktail')!.inci,
    ).toContain('Panthenol')
  })
  test('a choice is written down once, told by name, and taken back without a trace', () => {
    const short = shortages(visit('mixed-bowl'))[0]!
    const chosen = withChoice(NO_PREP, {
      kind: 'part',
      mixId: 'meadow-cocktail',
      partId: 'clover-drops',
      byId: 'panthenol-drops',
    })
    expect([chosenFor(NO_PREP, short), chosenFor(chosen, short)]).toEqual([
      undefined,
      'panthenol-drops',
    ])
    expect(withoutChoice(chosen, short)).toEqual({
      ...NO_PREP,
      partStandIns: { 'meadow-cocktail': {} },
    })
    const { mixId: _, ...plain } = short
    const step = withChoice(chosen, {
      kind: 'step',
      stepId: 'bowl',
      pick: { productId: 'clay-mask', useId: 'mask' },
    })
    expect([chosenFor(step, plain), chosenFor(step, short)]).toEqual([
      'clay-mask',
      'panthenol-drops',
    ])
    expect(withoutChoice(step, plain)).toEqual(chosen)
  })
  test('another product for a step, its zones and minutes true', () => {
    const input = visit('brightening', { shelf: stocked({ 'dune-cream': 0 }) })
    const { options } = standIns(input, shortages(input)[0]!)
    expect(options.map((option) => option.name)).toContain('Lavender Rest Cream')
    expect(options.find((option) => option.name === 'Lavender Rest Cream')!.trade).toContain(
      'has scent',
    )
    const choice = options[0]!.choice
    if (choice.kind !== 'step') throw new Error('a step was short')
    const plan = compile({
      ...input,
      prep: { ...NO_PREP, standIns: { [choice.stepId]: choice.pick } },
    })
    expect(plan.steps.find((step) => step.id === choice.stepId)!.product).toEqual(choice.pick)
    expect(plan.changes.find((change) => change.stepId === choice.stepId)!.why[0]!.ruleId).toBe(
      'S06',
    )
  })
  test('never one that a rule stops: an allergy takes it away and says so', () => {
    const input = yes(visit('brightening', { shelf: stocked({ 'dune-cream': 0 }) }), {
      code: 'allergy:fragrance',
      reaction: 'breathing',
    })
    const { options, refused } = standIns(input, shortages(input)[0]!)
    expect(options.map((option) => option.name)).not.toContain('Lavender Rest Cream')
    expect(refused.find((productId) => productId.name === 'Lavender Rest Cream')!.why).toMatch(
      /fragrance/i,
    )
  })
  test('on every demo card with anything out, whatever stands in breaks no rule in force', () => {
    for (const id of ['brightening', 'set-mask', 'acid', 'clarifying', 'neck', 'still-water']) {
      const card = cardOf(id)
      for (const step of card.steps.filter((step) => step.product).slice(0, 12)) {
        const input = yes(
          yes(visit(id, { shelf: stocked({ [step.product!.productId]: 0 }) }), {
            code: 'allergy:salicylates',
            reaction: 'breathing',
          }),
          { code: 'pregnancy' },
        )
        for (const short of shortages(input).slice(0, 1))
          for (const option of standIns(input, short).options) {
            if (option.choice.kind !== 'step') continue
            const plan = compile({
              ...input,
              prep: { ...NO_PREP, standIns: { [option.choice.stepId]: option.choice.pick } },
            })
            const placed = plan.steps.find((step) => step.id === short.stepId)!
            const subject = subjectReader(prepared(input).shelf, input.date)(placed)
            expect(
              constraintsFor(input).inForce.filter(
                (constraint) => constraint.effect === 'stop' && touches(constraint, subject),
              ),
              `${id} ${option.name}`,
            ).toEqual([])
          }
      }
    }
  })
  test('one at a time: a mix of serums is no stand-in for a serum', () => {
    const blend = {
      ...SHELF.products.find((product) => product.id === 'moss-serum')!,
      id: 'blend',
      name: 'Blend',
      recipe: {
        by: 'mass' as const,
        parts: [
          { productId: 'moss-serum', parts: 1 },
          { productId: 'cinder-serum', parts: 1 },
        ],
      },
    }
    const shelf = {
      ...stocked({ 'niacin-serum': 0 }),
      products: [...stocked({ 'niacin-serum': 0 }).products, blend],
    }
    const named = (methods: Record<string, string>) => {
      const input = {
        ...visit('brightening', { shelf }),
        protocol: { ...cardOf('brightening'), methods },
      }
      return standIns(input, shortages(input)[0]!).options.map((option) => option.name)
    }
    expect(named({ serums: 'one' })).not.toContain('Blend')
    expect(named({ serums: 'cocktail' })).toContain('Blend')
  })
})
