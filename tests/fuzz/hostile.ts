import fc from 'fast-check'

/** What has no business in a field: too long, too large, of another kind, or a character that some layer chokes on. */
export const HOSTILE: readonly unknown[] = [
  null,
  true,
  -1,
  0.5,
  2 ** 31,
  2 ** 53,
  -(2 ** 63),
  1e308,
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\uD83D',
  'x\uDE00',
  '\u202Eabc',
  '0000-01-01',
  '-0001-01-01',
  '9999-12-31',
  '275760-09-13',
  '2026-02-30',
  '24:00',
  '00000000-0000-0000-0000-000000000000',
  'zzzzzzzz-zzzz-zzzz-zzzz-zzzzzzzzzzzz',
  '------------------------------------',
  "'; DROP TABLE client; --",
  '${7*7}{{7*7}}',
  '../../../etc/passwd',
  '__proto__',
  'constructor',
  'a'.repeat(5000),
  '💆'.repeat(500),
  [],
  {},
  [[[[[[[[]]]]]]]],
  { __proto__: null, toString: 1 },
]

type Path = readonly (string | number)[]

/** Every place in a value, the whole of it first. */
function placesIn(value: unknown, path: Path = []): Path[] {
  if (value === null || typeof value !== 'object') return [path]
  return [path, ...Object.entries(value).flatMap(([key, inner]) => placesIn(inner, [...path, key]))]
}

function put(value: unknown, [head, ...rest]: Path, hostile: unknown): unknown {
  if (head === undefined) return hostile
  if (Array.isArray(value))
    return value.map((inner, at) => (String(at) === head ? put(inner, rest, hostile) : inner))
  return {
    ...(value as object),
    [head]: put((value as Record<string, unknown>)[head], rest, hostile),
  }
}

function without(value: unknown, path: Path): unknown {
  const [head, ...rest] = path
  if (value === null || typeof value !== 'object' || head === undefined) return undefined
  if (rest.length > 0)
    return put(value, [head], without((value as Record<string, unknown>)[head], rest))
  if (Array.isArray(value)) return value.filter((_, at) => String(at) !== head)
  return Object.fromEntries(Object.entries(value).filter(([key]) => key !== head))
}

/** A value with up to three places spoilt: something hostile in it, or nothing, or more than was asked for. */
export const spoilt = (value: fc.Arbitrary<unknown>): fc.Arbitrary<unknown> =>
  fc.tuple(value, fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 3 })).map(([good, where]) =>
    where.reduce<unknown>((sofar, [place, what]) => {
      const places = placesIn(sofar)
      const path = places[place % places.length]!
      const hostile = HOSTILE[what % (HOSTILE.length + 1)]
      return what % (HOSTILE.length + 1) === HOSTILE.length
        ? without(sofar, path)
        : put(sofar, path, hostile)
    }, good),
  )

/** What stands in a path where an id should. */
export const PATH_PARTS: readonly string[] = [
  'a',
  '------------------------------------',
  'zzzzzzzz-zzzz-zzzz-zzzz-zzzzzzzzzzzz',
  '00000000-0000-0000-0000-000000000000',
  '%00',
  'a%00b',
  '%ED%A0%80',
  '%E0%A4%A',
  '..%2f..%2fetc',
  '%2e%2e',
  "'%20OR%201=1",
  'a'.repeat(2000),
  '💆',
  '-1',
  'null',
  '__proto__',
]

/** Bodies that are no JSON, or JSON of the wrong kind. */
export const BROKEN: readonly string[] = [
  '',
  '{',
  '{"a":}',
  '[1,]',
  'null',
  '"text"',
  '1e999',
  '\u0000',
  '{"a":"\u0001"}',
  '{"a":"\\ud83d"}',
  '{"a":1}{"b":2}',
  `${'['.repeat(40)}${']'.repeat(40)}`,
  '{"__proto__":{"x":1}}',
]
