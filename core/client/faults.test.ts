import { describe, expect, test } from 'vitest'
import { no, yes } from '../../tests/situations'
import { contradictions, factFaults } from './faults'
import { KNOWN } from './medicines'
import type { Fact } from './model'

const bounds = {
  latest: '2026-11-25',
  bornOn: '1990-05-01',
  known: (code: string) => code !== 'nonsense',
}
const faultOf = (...facts: Fact[]) =>
  factFaults(facts, bounds).map(({ at, field, code }) => [at, field, code])

describe('answers that cannot be true are named with their place', () => {
  test.each([
    ['a question that does not exist', [yes('nonsense')], [[0, 'code', 'unknown_question']]],
    [
      'a day to come',
      [no('diabetes'), yes('sunburn', { on: '2026-11-26' })],
      [[1, 'on', 'future']],
    ],
    ['a day before birth', [yes('isotretinoin', { on: '1989-12-31' })], [[0, 'on', 'long_ago']]],
    [
      'asked on a day to come',
      [yes('sunburn', { askedOn: '2027-01-01' })],
      [[0, 'askedOn', 'future']],
    ],
    [
      'asked before birth',
      [yes('sunburn', { askedOn: '1980-01-01' })],
      [[0, 'askedOn', 'long_ago']],
    ],
    [
      'yes and no on one day',
      [yes('pregnancy'), { ...no('pregnancy'), askedOn: '2026-11-20' }],
      [[1, 'answer', 'contradiction']],
    ],
  ] as const)('%s', (_name, facts, faults) => expect(faultOf(...facts)).toEqual(faults))
  test('what can be true is let through: an event ahead, a changed mind on another day, the day itself', () => {
    expect(
      faultOf(
        yes('event', { on: '2027-01-01' }),
        no('pregnancy'),
        yes('pregnancy'),
        yes('sunburn', { on: '2026-11-25', askedOn: '2026-11-25' }),
      ),
    ).toEqual([])
  })
  test('every fault is a sentence that tells what to do', () => {
    for (const { says } of factFaults(
      [yes('sunburn', { on: '2099-01-01' }), yes('isotretinoin', { on: '1900-01-01' })],
      bounds,
    ))
      expect(says).toMatch(/\d.*\. Check the (date|year)\.$/)
  })
})

describe('answers that do not fit together', () => {
  const medicine = KNOWN.find(
    (entry) => entry.kind === 'medicine' && entry.code === 'anticoagulant',
  )!
  const taken = yes(`medicine:${medicine.id}`)
  test('a medicine taken and its question answered no afterwards', () => {
    expect(
      contradictions([taken, { ...no('anticoagulant'), askedOn: '2026-11-24' }], KNOWN),
    ).toEqual([expect.stringContaining(medicine.name)])
  })
  test.each([
    ['the question was asked before the medicine came', [no('anticoagulant'), taken]],
    [
      'the medicine was stopped',
      [
        yes(`medicine:${medicine.id}`, { on: '2026-10-01' }),
        { ...no('anticoagulant'), askedOn: '2026-11-24' },
      ],
    ],
    ['both say yes', [taken, { ...yes('anticoagulant'), askedOn: '2026-11-24' }]],
  ] as const)('not when %s', (_name, facts) => expect(contradictions(facts, KNOWN)).toEqual([]))
})
