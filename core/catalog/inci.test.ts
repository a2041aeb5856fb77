import { LISTS } from './tables/inci-lists.fixture'
import { describe, expect, test } from 'vitest'
import { FAMILIES, readInci, type Family } from '.'

const families = (inci: string) => [...readInci(inci).families.keys()]

// Facts of the trade and of the INCI nomenclature (values from memory); invented lists.
test.each([
  ['Aqua, Salicylic Acid, Glycerin', ['salicylates']],
  ['AQUA; SALIX ALBA (WILLOW) BARK EXTRACT', ['salicylates']],
  ['aqua,salix nigra bark extract', ['salicylates']],
  ['Aqua • Methyl Salicylate', ['salicylates']],
  ['Aqua, Gaultheria Procumbens (Wintergreen) Leaf Oil', ['salicylates']],
  ['Aqua, Betaine Salicylate', ['salicylates']],
  ['Aqua, Ethylhexyl Salicylate (and) Salicylic Acid', ['salicylates', 'sun-salicylates']],
  ['Aqua, Ethylhexyl Salicylate', ['sun-salicylates']],
  ['Aqua, Homosalate, Ethylhexyl  Salicylate.', ['sun-salicylates']],
  ['Ananas Sativus (Pineapple) Fruit Extract', ['pineapple']],
  ['Bromelain', ['pineapple']],
  ['Aqua, Papain', ['papaya']],
  ['Carica Papaya (Papaya) Fruit Extract, Aqua', ['papaya']],
  ['Actinidia Chinensis (Kiwi) Fruit Water', ['kiwi']],
  ['Ficus Carica (Fig) Fruit Extract', ['fig']],
  ['Aqua, PARFUM (Fragrance)', ['fragrance']],
  ['Aqua, Linalool, Citral', ['fragrance']],
  ['Aqua\nGeraniol\nGlycerin', ['fragrance']],
])('%s', (inci, expected) => expect(families(inci)).toEqual(expected))

// Near misses: none of these names the family it looks like.
test.each([
  'BHA, BHT',
  'Aqua, Butylated Hydroxyanisole (BHA)',
  'Aqua, Lactic Acid',
  'Sulfur',
  'Fagopyrum Esculentum (Buckwheat) Seed Extract',
  'Subtilisin',
  'Aqua, Fragrance-Free',
  'Papaver Somniferum Seed Oil',
  'Saline Water',
  'Sodium Alginate',
  'CI 15510 (Orange 4)',
  'Aesculus Hippocastanum (Horse Chestnut) Seed Extract',
  'Silybum Marianum (Milk Thistle) Extract',
  'Lonicera Japonica (Honeysuckle) Flower Extract',
  'Cymbopogon Flexuosus (Lemon Grass) Oil',
  'Niacinamide',
  'Dipropylene Glycol',
  'Polypropylene Glycol',
  'Propylene Glycol Dicaprylate',
  't-Butyl Hydroquinone',
  'Acrylates Latex',
  'Camellia Sinensis (Tea) Leaf Extract',
  'Lactobacillus Ferment',
  'Centaurea Cyanus (Corn Flower) Water',
  'Solanum Melongena (Egg Plant) Fruit Extract',
  'Caramel',
  'Cocos Nucifera (Coconut) Oil',
  'Epilobium Angustifolium (Willow Herb) Extract',
  'Tocopherol',
  'Prunus Salicina Fruit Extract',
  '',
])('%s has none of them', (inci) => expect(families(inci)).toEqual([]))

test('the ingredients behind a family are named as printed', () => {
  expect(
    readInci(
      'Ingredients: Aqua, Bromelain, Ananas Sativus (Pineapple, fresh) Fruit Extract.',
    ).families.get('pineapple'),
  ).toEqual(['Bromelain', 'Ananas Sativus (Pineapple, fresh) Fruit Extract'])
  expect(readInci('Aqua, 1,2-Hexanediol, Papain').families.get('papaya')).toEqual(['Papain'])
})
test('no list is unread, never clear', () => {
  expect(readInci(undefined).state).toBe('unread')
  expect(readInci('   ').state).toBe('unread')
})
test('ids of families are unique and crossings point to families', () => {
  const ids = FAMILIES.map((family) => family.id)
  expect(new Set(ids).size).toBe(ids.length)
  for (const family of FAMILIES)
    for (const other of 'crosses' in family ? family.crosses : []) expect(ids).toContain(other)
})

describe('whole lists', () => {
  test.each(LISTS)('%s', (_what, inci, expected, unknown) => {
    const reading = readInci(inci)
    expect([...reading.families.keys()].sort()).toEqual([...expected].sort())
    expect(reading.unknown).toEqual(unknown)
  })
  test('case, spaces, punctuation and line ends change nothing', () => {
    for (const [, inci, expected] of LISTS) {
      const noisy = `INGREDIENTS: ${inci.toUpperCase().replaceAll(', ', ' ,\n  ')} .`
      expect([...readInci(noisy).families.keys()].sort()).toEqual([...expected].sort())
    }
  })
})

test('actives are recognised, and a retinoid or a warming agent follows from the list alone', () => {
  const actives = (inci: string) => readInci(inci).actives.map((other) => other.active.id)
  expect(actives('Aqua, Glycolic Acid, Lactic Acid, Niacinamide')).toEqual([
    'glycolic',
    'lactic',
    'niacinamide',
  ])
  expect(readInci('Aqua, Retinyl Palmitate').actives[0]).toMatchObject({
    active: { property: 'retinoid' },
    printed: ['Retinyl Palmitate'],
  })
  expect(actives('Aqua, Benzyl Nicotinate')).toEqual(['warming'])
  expect(actives('t-Butyl Hydroquinone')).toEqual([])
})
test('ten thousand characters, control characters and half a list are read without harm', () => {
  const long = `Aqua, ${'Glycerin, '.repeat(2000)}Papain`
  expect(readInci(long).families.has('papaya')).toBe(false)
  expect(readInci(long).count).toBeGreaterThan(900)
  // What is not read to its end is not checked: never clear.
  expect([readInci(long).state, readInci(long.slice(0, 10_000)).state]).toEqual(['unread', 'read'])
  expect(readInci(`Papain, ${long}`).families.has('papaya')).toBe(true)
  expect(families('Aqua,\u0000 Papain\u0007, Glycerin')).toEqual(['papaya'])
  expect(readInci('(((, ;;; ,,,').state).toBe('unread')
})
test('cautions and crossings lead to families, and every family has a name that is said', () => {
  for (const family of FAMILIES as readonly Family[]) {
    for (const other of [...(family.crosses ?? []), ...(family.cautions ?? [])])
      expect(FAMILIES.map((family) => family.id)).toContain(other)
    expect(family.saidAs.length).toBeGreaterThan(0)
  }
})
