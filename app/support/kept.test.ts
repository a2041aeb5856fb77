import { expect, it } from 'vitest'
import { z } from 'zod'
import { keptIn, readAs } from './kept'

const Draft = z.object({ note: z.string() })
const storage = (text: string | null) => ({ getItem: () => text })

it.each([
  ['{"note":"liked it"}', { note: 'liked it' }],
  ['{"note":"liked it","more":1}', { note: 'liked it' }],
  ['{"note":7}', undefined],
  ['{"note":"lik', undefined],
  ['null', undefined],
  [null, undefined],
])('%s is read as %o', (text, draft) => {
  expect(keptIn(storage(text), 'draft', Draft)).toEqual(draft)
})
it('a fault that is none of the text goes on', () => {
  const broken = z.string().transform(() => {
    throw new RangeError('ours')
  })
  expect(() => readAs('"text"', broken)).toThrow(RangeError)
})
