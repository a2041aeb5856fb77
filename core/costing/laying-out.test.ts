import { RATES, SHELF, SUPPLIES, cardOf } from '../../tests/fixtures'
import { describe, expect, test } from 'vitest'
import { visitOf } from '../../tests/person-visit'
import { compile } from '../adapt'
import { costOfCard, layOut } from '.'

const rates = { ...RATES, turnoverMinutes: 10 }

describe('what laying out needs', () => {
  const money = { rates, supplies: SUPPLIES }
  const scope = {
    practitioner: { scope: ['minors' as const, 'measured-infusion' as const], hazards: [] },
  }
  test('a measured dose goes over its zones in the order of the device’s way and lasts to the last', () => {
    const input = visitOf('Wren Castellane', cardOf('deep-well'), scope)
    const plan = compile(input)
    const [infusion] = layOut(input, plan, money).infusions
    expect(infusion!.mL).toBe(4)
    expect(infusion!.zones.map((other) => other.zone)).toEqual(
      plan.steps
        .find((step) => step.id === 'infuse')!
        .passes!.zones.filter((zone) =>
          plan.steps.find((step) => step.id === 'infuse')!.zones.includes(zone),
        ),
    )
    expect(infusion!.zones.reduce((sum, zone) => sum + Math.round(zone.mL * 100), 0)).toBe(400)
  })
  test('bowls begin where the schedule has them, and a towel leaves the cabinet early enough', () => {
    const input = visitOf('Wren Castellane', cardOf('set-mask'), {
      practitioner: { scope: ['minors'], hazards: [] },
    })
    const plan = compile(input)
    const laid = layOut(input, plan, money)
    for (const [stepId, atS] of Object.entries(laid.mixAtS))
      expect(atS).toBe(
        plan.segments.find((part) => part.stepId === stepId && part.kind === 'prepare')!.startS,
      )
    const towels = plan.tray.filter((item) => item.readyInS !== undefined)
    expect(towels.length).toBeGreaterThan(0)
    for (const item of towels)
      expect(
        plan.segments.some(
          (part) =>
            part.stepId === item.stepId &&
            part.kind === 'remove' &&
            part.startS - item.readyInS! === laid.towelOutS[item.id],
        ),
      ).toBe(true)
  })
  test('what is taken is what the costs and the shelf count, once per product, with its lot', () => {
    const input = visitOf('Wren Castellane', cardOf('brightening'), {
      shelf: {
        ...SHELF,
        products: SHELF.products.map((product) =>
          product.id === 'oat-cleanser' ? { ...product, lot: 'OM-12' } : product,
        ),
      },
    })
    const laid = layOut(input, compile(input), money)
    expect(laid.taken.find((use) => use.productId === 'oat-cleanser')).toEqual({
      productId: 'oat-cleanser',
      name: 'Oat Milk Cleanser',
      amount: 8,
      unit: 'mL',
      lot: 'OM-12',
    })
    expect(new Set(laid.taken.map((use) => use.productId)).size).toBe(laid.taken.length)
    expect(laid.addOns.map((addOn) => addOn.ref)).toContain('berry-lip-mask')
    expect(laid.cards.map((card) => card.stepId)).toEqual(['enzyme', 'kelp'])
  })
  test('a card before any client: what it costs, and its enhancements apart', () => {
    const { cost, totalS, addOns } = costOfCard(cardOf('brightening').steps, SHELF, SUPPLIES, rates)
    expect(cost.lines.reduce((sum, line) => sum + line.minor, 0)).toBe(cost.totalMinor)
    expect(totalS).toBeGreaterThan(3000)
    expect(addOns.map((addOn) => [addOn.ref, addOn.extraS])).toEqual(
      expect.arrayContaining([
        ['berry-lip-mask', 0],
        ['scalp', 0],
      ]),
    )
  })
})
