import { describe, expect, test } from 'vitest'
import { cardsWith, emptyForm, missingOf, movedTo, summaryOf, toSend } from './form'
import { guessFor } from './zones'

const form = emptyForm('Europe/Lisbon')
const full = {
  ...form,
  code: 'abcd-1234',
  you: { name: 'Ada', email: 'ada@own.example', password: 'x', performs: true },
}

describe('what is guessed of a place', () => {
  test('Europe calls 112, somewhere unknown calls nothing that was guessed', () => {
    expect(guessFor('Europe/Vienna').emergencyNumber).toBe('112')
    expect(guessFor('Asia/Tokyo').emergencyNumber).toBe('')
  })
  test('moving takes guesses along, and leaves what was typed', () => {
    const typed = { ...form, salon: { ...form.salon, emergencyNumber: '113' } }
    expect(movedTo(typed, 'America/Chicago').salon).toMatchObject({
      ...{ timeZone: 'America/Chicago', currency: 'USD', measures: 'us' },
      emergencyNumber: '113',
    })
  })
})

describe('what is missing', () => {
  test.each([
    [{ ...full, code: ' - ' }, 'code'],
    [{ ...full, you: { ...full.you, name: ' ' } }, 'name'],
    [{ ...full, you: { ...full.you, email: 'ada' } }, 'e-mail'],
    [{ ...full, you: { ...full.you, password: '' } }, 'password'],
  ])('is told one after the other', (given, word) =>
    expect(missingOf(given, undefined)).toContain(word),
  )
  test('is the weakness of the password last, then nothing', () => {
    expect(missingOf(full, 'Too short.')).toBe('Too short.')
    expect(missingOf(full, undefined)).toBeUndefined()
  })
})

describe('what is sent', () => {
  test('has no empty rooms, a name, and no scope of somebody who does not perform', () => {
    const scope = [{ technique: 'minors' as const, licence: '' }]
    const sent = toSend({
      ...full,
      ...{ rooms: [' Dune ', ''], scope },
      you: { ...full.you, performs: false },
    })
    expect([sent.rooms, sent.salon.name, sent.scope]).toEqual([['Dune'], 'Salon of Ada', []])
    expect(toSend({ ...full, rooms: ['  '] }).rooms).toEqual(['Room 1'])
  })
})

test('a folded part says what is in it', () => {
  expect(summaryOf('rooms', form)).toBe('1 room · 10 min between visits · no devices')
  expect(summaryOf('salon', form)).toBe('Named after you · Europe/Lisbon · EUR')
})

test('cards that name a device which is not there are not promised', () => {
  const cards = [
    { name: 'Plain', deviceIds: [] },
    { name: 'Steam', deviceIds: ['steamer'] },
    { name: 'Both', deviceIds: ['steamer', 'led'] },
  ]
  expect(cardsWith(cards, ['steamer'])).toEqual(['Plain', 'Steam'])
})
