import { expect, it } from 'vitest'
import { isSterileTip, supplyNamed } from './tray'

it.each([
  ['damp sponges, pair', 'sponge'],
  ['Gloves, two pairs', 'gloves'],
  ['a mirror', undefined],
])('%s on a tray is %s', (words, id) => {
  expect(supplyNamed(words)?.id).toBe(id)
})
// Needling opens the skin anew for every client; the tip is never used again (common practice, no source).
it.each([
  ['sterile single-use tip', true],
  ['sterile cartridge, note its lot', true],
  ['single-use blade', false],
  ['a single mirror', false],
])('%s: a sterile tip %s', (words, isTip) => {
  expect(isSterileTip(words)).toBe(isTip)
})
