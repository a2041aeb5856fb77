import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterAll, describe, expect, test } from 'vitest'
import { PROBLEM_CODES } from '#core/fault'
import { takenBy } from '../fuzz/from-schema'
import { BROKEN, PATH_PARTS, spoilt } from '../fuzz/hostile'
import { BASE, forgetTries, withDatabase } from './http'
import { furnishedSalon } from './other-salon'
import { allRoutes, type Route } from './routes'

// Every route, asked what its schema takes with up to three places spoilt, as the role that may most. Nothing may end in a fault of the server, and a
// refusal changes no row. Fixed seeds: what was found is found again.

const SEED = Number(process.env.ZEN_FUZZ_SEED ?? 20_261_128)
const TIMES = Number(process.env.ZEN_FUZZ ?? 1)
const BODIES = 12 * TIMES
const PATHS = Math.min(PATH_PARTS.length * TIMES, 64)

const asked = { requests: 0, refused: 0, taken: 0 }
// A salon of its own: what is taken of all this disturbs no other test.
const { owner, visit } = await furnishedSalon()
afterAll(() => {
  console.log(`fuzz: ${asked.requests} requests, ${asked.refused} refused, ${asked.taken} taken`)
  return forgetTries()
})

interface Sent {
  readonly path: string
  readonly body?: string
  readonly form?: FormData
}

/** Asks, and holds the reply against what every reply must be. Gives whether it was taken. */
async function ask({ method }: Route, { path, body, form }: Sent): Promise<boolean> {
  const reply = await fetch(`${BASE}${path}`, {
    method,
    headers: {
      ...owner.headers(),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    ...(form || body !== undefined ? { body: form ?? body } : {}),
  })
  const text = await reply.text()
  const said = `${method} ${path.slice(0, 120)} ${body?.slice(0, 2000) ?? ''} → ${reply.status} ${text.slice(0, 300)}`
  asked.requests++
  expect(reply.status, said).toBeLessThan(500)
  if (reply.status < 400) {
    asked.taken++
    return true
  }
  asked.refused++
  const { code, detail } = JSON.parse(text) as { code: string; detail: string }
  expect(PROBLEM_CODES, said).toContain(code)
  expect(detail.length, said).toBeGreaterThan(10)
  return false
}

/** What no visit is without, or what is of nobody: ids that may be written over a hundred times. */
const OWN: Readonly<Record<string, string>> = { visits: '', protocols: 'undertow', rules: 'A13' }
const addressOf = ({ path }: Route): string => {
  const kind = path.split('/')[2]!
  const id = kind === 'visits' ? visit : (OWN[kind] ?? `fuzz-${randomUUID().slice(0, 8)}`)
  return path.replace(/:\w+/, id).replaceAll(/:\w+/g, () => randomUUID())
}

/** Rows that were made or changed since a transaction, and how many there are: in every table but the log and the sessions. */
const rowsSince = (since: string) =>
  withDatabase(async (db) => {
    const tables = await db.query<{ name: string }>(
      `SELECT relname AS name
        FROM pg_class
        WHERE relnamespace = 'public'::regnamespace
          AND relkind = 'r'
          AND relname NOT IN ('audit', 'audit_seal', 'session', 'sign_in_attempt')
        ORDER BY relname`,
    )
    const counts: Record<string, string> = {}
    for (const { name } of tables.rows) {
      const { rows } = await db.query<{ n: string }>(
        `SELECT count(*) || ' · ' || count(*) FILTER (WHERE xmin::text::bigint > $1) AS n FROM ${name}`,
        [since],
      )
      counts[name] = rows[0]!.n
    }
    return counts
  })
const now = () =>
  withDatabase(
    async (db) =>
      (await db.query<{ id: string }>('SELECT pg_current_xact_id()::text AS id')).rows[0]!.id,
  )

/** Asks many things; where all of them were refused, no row is other than before. */
async function askAll(route: Route, sent: readonly Sent[]) {
  const since = await now()
  const before = await rowsSince(since)
  let taken = 0
  for (const one of sent) if (await ask(route, one)) taken++
  if (taken === 0) expect(await rowsSince(since)).toEqual(before)
}

const sample = <T>(arbitrary: fc.Arbitrary<T>, count: number): T[] =>
  fc.sample(arbitrary, { numRuns: count, seed: SEED })

// Signing out, and handing the tablet over, would end what asks.
const ENDING = ['/api/session', '/api/visits/:id/handed']
const routes = (await allRoutes()).filter(({ path }) => !ENDING.includes(path))
const named = (some: readonly Route[]) =>
  some.map((route) => [`${route.method} ${route.path}`, route] as const)

describe('bodies', () => {
  const withBody = routes.filter(({ body, isForm }) => body && !isForm)
  test.each(named(withBody))('%s', async (_name, route) => {
    const bodies = sample(spoilt(takenBy(route.body!)), BODIES)
    await askAll(
      route,
      bodies.map((body) => ({ path: addressOf(route), body: JSON.stringify(body) ?? '' })),
    )
  })
  test.each(named(withBody))('%s, no JSON', async (_name, route) =>
    askAll(
      route,
      BROKEN.map((body) => ({ path: addressOf(route), body })),
    ),
  )
})

test.each(named(routes.filter(({ path }) => path.includes(':'))))(
  'ids that are none: %s',
  async (_name, route) =>
    askAll(
      route,
      sample(fc.constantFrom(...PATH_PARTS), PATHS).map((part) => ({
        path: route.path.replaceAll(/:\w+/g, part),
        ...(route.body && !route.isForm ? { body: '{}' } : {}),
      })),
    ),
)

const STREAMS = ['/api/probe', '/api/scale']
test.each(named(routes.filter(({ query, path }) => query && !STREAMS.includes(path))))(
  'what is asked after the question mark: %s',
  async (_name, route) => {
    const queries = sample(spoilt(takenBy(route.query!)), BODIES)
    const texts = queries.map((query) =>
      query !== null && typeof query === 'object'
        ? Object.entries(query)
        : [['date', String(query)]],
    )
    await askAll(
      route,
      texts.map((pairs) => ({
        path: `${addressOf(route)}?${pairs.map(([key, value]) => `${encodeURIComponent(wellFormed(key))}=${encodeURIComponent(wellFormed(value))}`).join('&')}`,
      })),
    )
  },
)
/** A thing has no words of its own where it was made without a prototype. */
const wellFormed = (value: unknown): string =>
  (typeof value === 'object' ? JSON.stringify(value) : String(value)).replaceAll(
    /[\uD800-\uDFFF]/g,
    '?',
  )

test.each(named(routes.filter(({ isForm }) => isForm)))('forms: %s', async (_name, route) => {
  const files = [new Blob([]), new Blob(['no picture']), new Blob([new Uint8Array(2000).fill(255)])]
  const fields = sample(
    fc.record({
      id: fc.constantFrom(randomUUID(), 'x', ''),
      view: fc.string(),
      moment: fc.string(),
    }),
    BODIES,
  )
  await askAll(
    route,
    fields.map((some, at) => {
      const form = new FormData()
      for (const [name, value] of Object.entries(some)) form.set(name, value)
      if (at % 4 !== 3) form.set('photo', files[at % 3]!, 'p.jpg')
      return { path: addressOf(route), form }
    }),
  )
})
