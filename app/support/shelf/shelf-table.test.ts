import { expect, it } from 'vitest'
import type { Listed } from '#core/catalog'
import { NO_SHELF_WISH } from './shelf'
import { activesInShort, emptyInWords, leftClass, leftInWords, SHELF_COLUMNS } from './shelf-table'

const LISTED = {
  name: 'A peel',
  kind: 'acid',
  actives: [
    { name: 'glycolic', percent: 25 },
    { name: 'lactic', percent: 5 },
    { name: 'citric', percent: 1 },
  ],
  pH: 3.4,
  stock: 120,
  unit: 'mL',
  state: 'good',
} as unknown as Listed

it('two actives and the pH stand in one line', () => {
  expect(activesInShort(LISTED)).toBe('glycolic 25 % · lactic 5 % · pH 3.4')
})
it.each([
  [LISTED, '120 mL', ''],
  [{ ...LISTED, doses: 3, state: 'low' as const }, '3 doses', 'text-now font-semibold'],
  [{ ...LISTED, doses: 0, state: 'out' as const }, 'out', 'text-mind font-semibold'],
  [{ ...LISTED, state: 'past its time' as const }, 'past its time', 'text-mind font-semibold'],
])('what is left is said in doses, or in its unit, or why there is none', (listed, words, look) => {
  expect(leftInWords(listed, (amount, unit) => `${amount} ${unit}`)).toBe(words)
  expect(leftClass(listed)).toBe(look)
})
it('the stronger of two with one active sorts first', () => {
  const by = SHELF_COLUMNS.find(({ id }) => id === 'actives')!.accessorFn
  const weaker = { ...LISTED, actives: [{ name: 'glycolic', percent: 8 }] }
  expect([by(weaker), by(LISTED)].sort()).toEqual([by(LISTED), by(weaker)])
})
it.each([
  [[], false, false, true, /No house mix yet/],
  [[], false, false, false, /shelf is empty/],
  [[LISTED], true, false, false, /Nothing is put away/],
  [[LISTED], false, true, false, /Take one wish back/],
] as const)('an empty table says why', (list, away, isWished, mixes, words) => {
  expect(emptyInWords(list, { ...NO_SHELF_WISH, away }, isWished, mixes)).toMatch(words)
})
