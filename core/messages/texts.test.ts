import { describe, expect, test } from 'vitest'
import { calledOffText, confirmationText, linkText } from '.'

const visit = {
  ...{ salon: 'Saltgrass Studio', address: '3 Quay Lane', name: 'Wren Castellane' },
  when: 'Tuesday 24 November 2026, 09:30 to 11:00',
}

describe('messages', () => {
  test('say when and where, by first name, and nothing of what is done', () => {
    const { subject, body } = confirmationText(visit)
    expect(subject).toBe('Your visit at Saltgrass Studio, Tuesday 24 November 2026, 09:30 to 11:00')
    expect(body).toContain('Dear Wren,')
    expect(body).toContain('You find us at 3 Quay Lane.')
    expect(body).not.toContain('Castellane')
    expect(confirmationText({ ...visit, address: '' }).body).not.toContain('find us')
    expect(calledOffText(visit).subject).toMatch(/^Called off/)
  })
  test('in the salon’s own words, with a line that has nothing to say left out', () => {
    const words = 'Hello {first name}\n\nSee you: {when}.\nPlace: {address}\n{salon}'
    expect(confirmationText(visit, words).body).toBe(
      'Hello Wren\n\nSee you: Tuesday 24 November 2026, 09:30 to 11:00.\nPlace: 3 Quay Lane\nSaltgrass Studio',
    )
    expect(calledOffText({ ...visit, address: '' }, words).body).not.toContain('Place')
    // What a client is called is never read as a place again.
    expect(confirmationText({ ...visit, name: '{when} Ash' }, words).body).toContain('Hello {when}')
  })
  test('with a link say how long it works', () => {
    const link = { ...visit, url: 'https://salon.example/join/abc', hours: 48 }
    const { body } = linkText({ ...link, purpose: 'invite' })
    expect(body).toContain('https://salon.example/join/abc\n')
    expect(body).toContain('within 48 hours')
    expect(linkText({ ...link, purpose: 'reset' }).subject).toBe(
      'A new password at Saltgrass Studio',
    )
  })
})
