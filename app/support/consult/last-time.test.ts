import { expect, test } from 'vitest'
import { lastLines } from './last-time'

test('every kind of what a visit left to know is a line of its own, in the order of a visit', () =>
  expect(
    lastLines({
      felt: [{ title: 'Mask', thingId: 'kelp', sensation: 'burning', atS: 90, beyond: true }],
      leftOut: [{ title: 'Scalp massage', why: 'Event this evening' }],
      passes: [{ title: 'First cleanse', passes: 3 }],
      levels: [
        {
          ...{ title: 'Lift', deviceId: 'lift', setting: 'current', value: 120 },
          ...{ zones: ['temple-left', 'temple-right'], why: 'too strong' },
        },
        { title: 'Lift', deviceId: 'lift', setting: 'wave', value: 1, why: 'asked for' },
      ],
    }).map(({ kind, title, words }) => `${kind} | ${title} | ${words}`),
  ).toEqual([
    'felt | Mask | burning at 1½ min, more than expected',
    'left out | Scalp massage | Event this evening',
    'passes | First cleanse | 3 passes until it was clean',
    'set | Lift | current 120 at temple left, temple right, too strong',
    'set | Lift | wave 1, asked for',
  ]))
