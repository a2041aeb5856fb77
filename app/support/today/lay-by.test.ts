import { expect, test } from 'vitest'
import type { DayVisit } from './board'
import { ownVisits } from './lay-by'

const visit = (id: string, more: Partial<DayVisit>) =>
  ({ id, stage: 'booked', practitionerId: 'a', roomId: 'r', ...more }) as DayVisit
const visits = [
  visit('mine', {}),
  visit('theirs', { practitionerId: 'b', roomId: 's' }),
  visit('in my room', { practitionerId: 'b' }),
  visit('done', { stage: 'closed' }),
]
const idsFor = (practitionerId: string | null, roomId: string | null) =>
  ownVisits({ visits }, { practitionerId, roomId }).map(({ id }) => id)

test('a tablet lays by what its own person and its own room have to do, and nothing of others', () => {
  expect(idsFor('a', null)).toEqual(['mine'])
  expect(idsFor('a', 'r')).toEqual(['mine', 'in my room'])
  expect(idsFor(null, 's')).toEqual(['theirs'])
  // Whoever treats nobody, on a browser that is no tablet, takes nothing along.
  expect(idsFor(null, null)).toEqual([])
})
