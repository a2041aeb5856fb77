import { expect, test } from 'vitest'
import { FAMILIES, readInci } from '.'

const families = (inci: string) => [...readInci(inci).families.keys()]

// Facts of the trade and of the INCI nomenclature (values from memory); invented lists.
test.each([
  ['Aqua, Salicylic Acid, Glycerin', ['salicylates']],
  ['AQUA; SALIX ALBA (WILLOW) BARK EXTRACT', ['salicylates']],
  ['aqua,salix nigra bark extract', ['salicylates']],
  ['Aqua • Methyl Salicylate', ['salicylates']],
  ['Aqua, Gaultheria Procumbens (Wintergreen) Leaf Oil', ['salicylates']],
  ['Aqua, Betaine Salicylate', ['salicylates']],
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
test.each(['BHA, BHT', 'Aqua, Butylated Hydroxyanisole (BHA)', 'Aqua, Lactic Acid', 'Sulfur', 'Fagopyrum Esculentum (Buckwheat) Seed Extract', 'Subtilisin', 'Aqua, Fragrance-Free', 'Papaver Somniferum Seed Oil', 'Saline Water', 'Prunus Salicina Fruit Extract', ''])('%s has none of them', (inci) => expect(families(inci)).toEqual([]))

test('the ingredients behind a family are named as printed', () => {
  expect(readInci('Ingredients: Aqua, Bromelain, Ananas Sativus (Pineapple, fresh) Fruit Extract.').families.get('pineapple')).toEqual(['Bromelain', 'Ananas Sativus (Pineapple, fresh) Fruit Extract'])
  expect(readInci('Aqua, 1,2-Hexanediol, Papain').families.get('papaya')).toEqual(['Papain'])
})
test('no list is unread, never clear', () => {
  expect(readInci(undefined).state).toBe('unread')
  expect(readInci('   ').state).toBe('unread')
})
test('ids of families are unique and crossings point to families', () => {
  const ids = FAMILIES.map((family) => family.id)
  expect(new Set(ids).size).toBe(ids.length)
  for (const family of FAMILIES) for (const other of 'crosses' in family ? family.crosses : []) expect(ids).toContain(other)
})
