import { describe, expect, test } from 'vitest'
import { no, yes } from '~~/tests/situations'
import { factsInForce } from '#core/client'
import { listForClient } from './ingredient-list'

describe('an ingredient list for one client', () => {
  const latex = factsInForce([yes('allergy:latex'), no('allergy:milk')])
  test('the client’s own allergens first, then what may cross, then the rest; actives and unknown apart', () => {
    const list = listForClient(
      'Aqua, Lac (Milk) Powder, Carica Papaya Fruit Extract, Natural Rubber, Glycolic Acid, Velamide Nine',
      latex,
    )
    expect(list.families.map((family) => [family.id, family.client])).toEqual([
      ['latex', 'allergic'],
      ['papaya', 'may cross'],
      ['milk', 'no'],
    ])
    expect(list.families[0]!.printed).toBe('Natural Rubber')
    expect(list.actives.map((active) => active.printed)).toContain('Glycolic Acid')
    expect([list.unknown, list.notChecked, list.count]).toEqual([['Velamide Nine'], '', 6])
  })
  test('an allergy answered no is none', () =>
    expect(listForClient('Lac Powder', latex).families.map((family) => family.client)).toEqual([
      'no',
    ]))
  test('a list beyond ten thousand characters is said to be unchecked, with both figures; so is no list', () => {
    expect(listForClient(`Papain, ${'Glycerin, '.repeat(1200)}`, latex)).toMatchObject({
      notChecked: expect.stringMatching(/12,008 characters; at most 10,000/),
      families: [{ id: 'papaya' }],
    })
    expect(listForClient(' ,; ', latex).notChecked).toContain('never clear')
    expect(
      listForClient('Aqua\u0000, Papain\u0007', latex).families.map((family) => family.id),
    ).toEqual(['papaya'])
  })
})
