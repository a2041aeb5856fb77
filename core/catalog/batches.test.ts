import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { make } from '../../tests/fixtures'
import {
  afterTaking,
  currentBatch,
  inUse,
  takeFrom,
  unitOf,
  usableOn,
  usableUntil,
} from './batches'
import type { Batch } from './model'
import { slugOf } from './slug'

const batch = (id: string, left: number, more: Partial<Batch> = {}): Batch => ({
  id,
  lot: id.toUpperCase(),
  receivedOn: '2026-01-01',
  left,
  ...more,
})
const serum = make({ id: 's', name: 'S', kind: 'serum', uses: [], afterOpeningMonths: 6 })
const TODAY = '2026-11-25'

describe('how long a batch may be used (rule D22)', () => {
  test.each([
    [{ bestBefore: '2026-11-25' }, '2026-11-25', true],
    [{ bestBefore: '2026-11-24' }, '2026-11-25', false],
    [{ openedOn: '2026-05-25' }, '2026-11-25', true],
    [{ openedOn: '2026-05-24' }, '2026-11-25', false],
    // A month has fewer days: opened on 31 August, six months later is 28 February.
    [{ openedOn: '2025-08-31' }, '2026-02-28', true],
    [{ openedOn: '2025-08-31' }, '2026-03-01', false],
    [{}, '2099-01-01', true],
  ])('%o on %s: %s', (dates, on, usable) => expect(usableOn(dates, 6, on)).toBe(usable))
  test('the earlier of both ends it', () =>
    expect(usableUntil({ bestBefore: '2026-12-31', openedOn: '2026-01-10' }, 6)).toBe('2026-07-10'))
})

describe('the batch to take from', () => {
  test('an open one first, then the one that ends first; what is empty or past its time never', () => {
    const batches = [
      batch('late', 50, { bestBefore: '2027-12-01' }),
      batch('soon', 50, { bestBefore: '2027-01-01' }),
      batch('open', 5, { openedOn: '2026-09-01', bestBefore: '2028-01-01' }),
      batch('gone', 9, { openedOn: '2025-01-01' }),
      batch('empty', 0, { bestBefore: '2026-12-01' }),
    ]
    expect(currentBatch(batches, 6, TODAY)!.id).toBe('open')
    expect(
      currentBatch(
        batches.filter((batch) => batch.id !== 'open'),
        6,
        TODAY,
      )!.id,
    ).toBe('soon')
    expect(takeFrom(batches, 6, TODAY, 60)).toEqual({
      taken: [
        { batchId: 'open', lot: 'OPEN', amount: 5 },
        { batchId: 'soon', lot: 'SOON', amount: 50 },
        { batchId: 'late', lot: 'LATE', amount: 5 },
      ],
      short: 0,
    })
    expect(takeFrom(batches, 6, TODAY, 200).short).toBe(95)
  })
  test('nothing is taken twice and nothing is made: taken and short are what was wanted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 50 }), { maxLength: 6 }),
        fc.integer({ min: 0, max: 300 }),
        (lefts, wanted) => {
          const batches = lefts.map((left, at) =>
            batch(`b${at}`, left, at % 2 ? { openedOn: '2026-10-01' } : {}),
          )
          const { taken, short } = takeFrom(batches, 6, TODAY, wanted)
          expect(taken.reduce((sum, use) => sum + use.amount, 0) + short).toBe(wanted)
          for (const one of taken)
            expect(one.amount).toBeLessThanOrEqual(
              batches.find((other) => other.id === one.batchId)!.left,
            )
          expect(new Set(taken.map((use) => use.batchId)).size).toBe(taken.length)
        },
      ),
    )
  })
  test('what is taken is gone, what is begun is opened, the rest stays as it was', () => {
    const batches = [batch('a', 5, { openedOn: '2026-10-01' }), batch('b', 2), batch('c', 9)]
    expect(afterTaking(batches, takeFrom(batches, 6, TODAY, 6).taken, TODAY)).toEqual([
      { ...batches[0], left: 0 },
      { ...batches[1], left: 1, openedOn: TODAY },
      batches[2],
    ])
  })
  test('a product shows the stock that may be used, and the lot in use', () => {
    expect(
      inUse(
        serum,
        [
          batch('a', 10, { openedOn: '2026-10-01' }),
          batch('b', 20),
          batch('old', 99, { openedOn: '2025-01-01' }),
        ],
        TODAY,
      ),
    ).toMatchObject({ stock: 30, lot: 'A', openedOn: '2026-10-01' })
    expect(inUse(serum, [batch('old', 99, { openedOn: '2025-01-01' })], TODAY)).toMatchObject({
      stock: 99,
      openedOn: '2025-01-01',
    })
    expect(inUse({ ...serum, lot: 'X', openedOn: '2020-01-01' }, [], TODAY)).toEqual({
      ...serum,
      stock: 0,
    })
  })
})

test.each([
  ['Crème à l’Avoine, 50 mL', 'creme-a-l-avoine-50-ml'],
  ['  --Gel--  ', 'gel'],
  ['日本', ''],
])('“%s” has the id “%s”', (name, id) => expect(slugOf(name)).toBe(id))
test('an id is never longer than it may be, and ends in no hyphen', () =>
  expect(slugOf('abc '.repeat(30), 20)).toBe('abc-abc-abc-abc-abc'))

test('a product is counted as it says, else as its dose, else as its measure', () => {
  expect([
    unitOf({ uses: [], unit: 'mL' }),
    unitOf({
      uses: [
        { id: 'u', phase: 'serum', zones: ['chin'], segments: [], dose: { amount: 1, unit: 'mL' } },
      ],
    }),
    unitOf({ uses: [], measure: { name: 'pump', unit: 'mL', per: 1 } }),
    unitOf({ uses: [] }),
  ]).toEqual(['mL', 'mL', 'mL', 'g'])
})
