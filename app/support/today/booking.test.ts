import { expect, it } from 'vitest'
import { missingChoice } from './booking'

const LISTS = [
  { key: 'clientId', label: 'Client', items: [] },
  { key: 'roomId', label: 'Room', items: [] },
] as const

it.each([
  [{ clientId: '', roomId: '' }, 'Still to choose: client, room.'],
  [{ clientId: 'c', roomId: '' }, 'Still to choose: room.'],
  [{ clientId: 'c', roomId: 'r' }, undefined],
])('%o: %s', (form, words) => {
  expect(missingChoice(LISTS, form)).toBe(words)
})
