import { describe, expect, test } from 'vitest'
import { ALL_NO, client, readingOf, TODAY, yes } from '../../tests/situations'
import { HOME_SHELF } from '../../tests/home-shelf'
import { homePlan, leafletOf, leafletText, printedName, type HomeInput } from '.'
import { HOME_MOVEMENTS } from './movements'
import { ROLE_WORDS } from './words'

const SENDER = { salon: 'Saltgrass Studio', address: '', emergencyNumber: '112' }
const input: HomeInput = {
  client: {
    ...client([...ALL_NO.filter(({ code }) => code !== 'pregnancy'), yes('pregnancy')]),
    concerns: ['brighten', 'calm'],
  },
  ...{ reading: readingOf(), history: [], shelf: HOME_SHELF, date: TODAY, rests: [] },
  done: { levers: [{ lever: 'acid', rung: 2 }], work: ['acid', 'extraction'], points: 1 },
  uses: [
    { role: 'retinoid', name: 'My retinol', times: ['evening'], perWeek: 3, prescribed: false },
  ],
  ...{ splits: false, next: { on: '2026-12-22', isBooked: true } },
}

describe('the leaflet', () => {
  const leaflet = leafletOf(homePlan(input), SENDER)
  const linesOf = (title: string) => leaflet.parts.find((part) => part.title === title)!.lines
  test('has what a client needs, in its order, with whom to call', () => {
    expect(leaflet.parts.map(({ title }) => title)).toEqual([
      ...['The first days', 'In the morning', 'In the evening', 'Leave alone for now'],
      ...['Stop or ask', 'To practise', 'Before your next visit', 'When to call'],
    ])
    expect(linesOf('Stop or ask')).toEqual(['My retinol: stop for now. Bring it along next time.'])
    expect(linesOf('Leave alone for now')).toContain('No strong sun or sunbeds before 1 Dec 2026.')
    expect(linesOf('Leave alone for now')).toContain(
      'None of your own acid, scrub or retinoid before 27 Nov 2026.',
    )
    expect(linesOf('Before your next visit').slice(-2)).toEqual([
      'On 21 Dec 2026: Shave the evening before, if you shave.',
      'On 22 Dec 2026: Come with bare skin. Leave contact lenses and jewellery at home.',
    ])
    expect(linesOf('When to call').at(-1)).toContain('call 112 at once')
    expect(linesOf('In the morning').at(-1)).toMatch(/^Light Sun Fluid, .*fingertips/)
    const text = leafletText(leaflet)
    expect(text.split('\n\n')).toHaveLength(leaflet.parts.length + 1)
    expect(text).toContain('1. ')
  })
  test('reads as twelve-year-olds read: a Flesch–Kincaid grade of 7 or less, all in all and part by part', () => {
    const fixed = [
      ...Object.values(ROLE_WORDS).map(({ how }) => how),
      ...HOME_MOVEMENTS.map(({ how }) => how),
    ]
    expect(grade(fixed.join(' '))).toBeLessThanOrEqual(7)
    for (const { title, lines } of leaflet.parts) {
      const plain = lines.map((line) => line.replace(/\d+ \w{3} \d{4}/g, 'May')).join(' ')
      expect(grade(plain), title).toBeLessThanOrEqual(7)
    }
  })
  test('a name with letters that the font lacks is a number, with the initials that can be printed', () => {
    const id = '3f2a91bc-0000-4000-8000-000000000000'
    expect(printedName('Ελένη Żółć', id)).toBe('Ελένη Żółć')
    expect(printedName('Анна', id)).toBe('Анна')
    expect(printedName('山田 Hana', id)).toBe('Client 3f2a91bc, H.')
    expect(printedName('山田', id)).toBe('Client 3f2a91bc')
  })
})

/** Kincaid, Fishburne, Rogers & Chissom, Research Branch Report 8-75, 1975 (value from memory): 0.39 words a sentence + 11.8 syllables a word − 15.59. */
function grade(text: string): number {
  const sentences = text.split(/[.!?:]+(?:\s|$)/).filter((one) => /\w/.test(one)).length
  const words = text.match(/[A-Za-z’'-]+/g) ?? []
  const syllables = words.reduce((sum, word) => sum + syllablesIn(word.toLowerCase()), 0)
  return 0.39 * (words.length / sentences) + 11.8 * (syllables / words.length) - 15.59
}
/** Groups of vowels, without a silent e at the end. */
const syllablesIn = (word: string): number =>
  Math.max(
    1,
    (word.replace(/(?<=[^aeiouyl])e$|es$|(?<=[^td])ed$/, '').match(/[aeiouy]+/g) ?? []).length,
  )
