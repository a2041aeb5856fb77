import { make } from '../../tests/fixtures'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Batch } from '../catalog/model'
import { forecast, isUrgent, orderList } from '.'

describe('what the booked weeks take', () => {
  const serum = {
    ...make({ id: 's', name: 'Serum', kind: 'serum', uses: [], unit: 'mL', afterOpeningMonths: 6 }),
    pack: { amount: 30, priceMinor: 2000 },
  }
  const batches: Batch[] = [
    { id: 'a', lot: 'A', receivedOn: '2026-06-01', openedOn: '2026-06-01', left: 5 },
    { id: 'b', lot: 'B', receivedOn: '2026-10-01', left: 3, bestBefore: '2027-06-01' },
  ]
  const booked = (...dates: string[]) => dates.map((date) => ({ date, productId: 's', amount: 3 }))
  test('an open jar ends at its own day, and what is in it then is lost', () => {
    // The open jar may be used until 1 December: 3 mL on 28 November leave 2, which are past their time on 5 December; the sealed 3 mL go then; on 12 December nothing is left.
    const [one] = forecast(
      [{ product: serum, batches }],
      booked('2026-12-05', '2026-11-28', '2026-12-12'),
      '2026-11-25',
      '2026-12-31',
    )
    expect(one).toMatchObject({
      usableNow: 8,
      booked: 9,
      visits: 3,
      runsOutOn: '2026-12-12',
      short: 3,
      wasted: 2,
      openUntil: '2026-12-01',
    })
  })
  test('the order list: whole packs with a reserve, the soonest first', () => {
    const other = { ...serum, id: 't', name: 'Toner' }
    const made = forecast(
      [
        { product: serum, batches },
        { product: other, batches: [] },
        { product: { ...serum, id: 'u', name: 'Unused' }, batches: [] },
      ],
      [
        ...booked('2026-12-05', '2026-12-12', '2026-12-20'),
        { date: '2026-11-27', productId: 't', amount: 25 },
      ],
      '2026-11-25',
      '2026-12-31',
    )
    const list = orderList(made, [serum, other])
    expect(list.map((line) => [line.name, line.packs, line.by, line.priceMinor])).toEqual([
      ['Toner', 2, '2026-11-27', 4000],
      ['Serum', 1, '2026-12-12', 2000],
    ])
    expect(list.map((line) => isUrgent(line, '2026-11-25'))).toEqual([true, false])
  })
  test('more visits never leave more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 27 }), { maxLength: 12 }), (days) => {
        const demands = days.map((day) => ({
          date: `2026-12-${String(day).padStart(2, '0')}`,
          productId: 's',
          amount: 1,
        }))
        const [fewer, more] = [
          forecast([{ product: serum, batches }], demands, '2026-11-25', '2026-12-31')[0]!,
          forecast(
            [{ product: serum, batches }],
            [...demands, { date: '2026-12-28', productId: 's', amount: 2 }],
            '2026-11-25',
            '2026-12-31',
          )[0]!,
        ]
        expect(more.short).toBeGreaterThanOrEqual(fewer.short)
        expect(fewer.short).toBeLessThanOrEqual(fewer.booked)
      }),
    )
  })
})
