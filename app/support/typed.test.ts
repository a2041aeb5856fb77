import { expect, test } from 'vitest'
import { takeNumber, typedNumber } from './typed'

test.each([
  ['5,5', 5.5],
  ['5.5', 5.5],
  [' 7 ', 7],
  ['0', 0],
  ['14', 14],
])('“%s” is %s', (text, value) =>
  expect(typedNumber(text, 'pH', 0, 14)).toEqual({ ok: true, value }),
)
test('an empty field is none', () =>
  expect(typedNumber('  ', 'pH')).toEqual({ ok: true, value: undefined }))
test.each([
  ['sour', 'pH: “sour” is not a number. The old figure stays.'],
  ['15', 'pH: 15 is not between 0 and 14. The old figure stays.'],
  ['-1', 'pH: -1 is not between 0 and 14. The old figure stays.'],
  ['1e999', 'pH: “1e999” is not a number. The old figure stays.'],
])('“%s” is refused in words', (text, says) =>
  expect(typedNumber(text, 'pH', 0, 14)).toEqual({ ok: false, says }),
)
test('a bad one is said and nothing is taken; a good one clears what was said', () => {
  const said: string[] = []
  const taken: (number | undefined)[] = []
  const type = (value: string) =>
    takeNumber(
      { target: { value } } as unknown as Event,
      'Dose',
      (says) => said.push(says),
      (number) => taken.push(number),
    )
  for (const text of ['much', '3', '']) type(text)
  expect([said, taken]).toEqual([
    ['Dose: “much” is not a number. The old figure stays.', '', ''],
    [3, undefined],
  ])
})
