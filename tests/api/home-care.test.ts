import { randomUUID } from 'node:crypto'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, test } from 'vitest'
import type { HomePlan } from '#core/homecare'
import { BASE, book, withDatabase } from './http'
import { newClient } from './new-client'
import { owner } from './people'

const PLAN: HomePlan = {
  on: '2026-11-30',
  lines: [
    {
      ...{ id: 'home:oat-cleanser', role: 'cleanser', productId: 'oat-cleanser' },
      ...{ name: 'Oat Milk Cleanser', times: ['morning', 'evening'], state: 'new' },
      ...{ from: '2026-11-30', zones: ['chin'], how: 'With lukewarm water.', why: [] },
    },
    {
      ...{ id: 'home:night-cream', role: 'retinoid', name: 'Night Retinal Cream' },
      ...{ times: ['evening'], state: 'new', from: '2026-12-02', zones: ['chin'], why: [] },
      ...{ how: 'A thin film.', pace: [{ from: '2026-12-02', perWeek: 2 }] },
    },
  ],
  left: [],
  days: [{ date: '2026-12-03', evening: 'home:night-cream' }],
  pauses: [{ what: 'sun', again: '2026-12-07', because: 'an acid', basis: 'house' }],
  firstDays: { until: '2026-12-02', notes: [{ words: 'Hands off.' }] },
  ...{ before: [], movements: [], usual: [] },
}
const USES = [{ role: 'retinoid', name: 'Mine', times: ['evening'], perWeek: 2, prescribed: false }]
interface Home {
  home: {
    told: { on: string; told: { kept: string | null } } | null
    before: { plan: HomePlan } | null
    given: HomePlan | null
  }
}
const homeAt = async (id: string) => (await owner.ask<Home>('GET', `/api/visits/${id}`)).body.home

async function textOf(bytes: ArrayBuffer): Promise<string> {
  const pdf = await getDocument({ data: new Uint8Array(bytes) }).promise
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, at) => {
      const { items } = await (await pdf.getPage(at + 1)).getTextContent()
      return items.map((item) => ('str' in item ? item.str : '')).join('')
    }),
  )
  return pages.join('\n')
}

describe('home care', () => {
  test('what is told and given at a visit is there at it and at the next, and an earlier visit does not see it', async () => {
    const client = await newClient()
    const [earlier, later] = [
      await book(owner, client, 'acid'),
      await book(owner, client, 'acid', 30),
    ]
    const told = { id: randomUUID(), uses: USES, kept: null, why: '' }
    for (const _twice of [1, 2])
      expect((await owner.ask('POST', `/api/visits/${earlier}/home-told`, told)).status).toBe(201)
    const given = { id: randomUUID(), plan: PLAN }
    expect((await owner.ask('POST', `/api/visits/${earlier}/home-plan`, given)).status).toBe(201)
    expect((await homeAt(earlier)).given).toEqual(PLAN)
    expect(await homeAt(later)).toMatchObject({ before: { plan: PLAN }, given: null })
    const kept = { id: randomUUID(), uses: [], kept: 'less', why: 'It stung' }
    expect((await owner.ask('POST', `/api/visits/${later}/home-told`, kept)).status).toBe(201)
    expect((await homeAt(later)).told?.told.kept).toBe('less')
    expect((await homeAt(earlier)).told?.told.kept).toBeNull()
    const { rows } = await withDatabase((db) =>
      db.query<{ n: number }>('SELECT count(*)::int AS n FROM home_told WHERE visit_id = $1', [
        earlier,
      ]),
    )
    expect(rows[0]!.n).toBe(1)
  })
  test('a plan that is none is refused with where it is wrong', async () => {
    const id = await book(owner, await newClient(), 'acid')
    const plan = { ...PLAN, days: [{ date: 'tomorrow' }] }
    const refused = await owner.ask<{ path: string }>('POST', `/api/visits/${id}/home-plan`, {
      ...{ id: randomUUID(), plan },
    })
    expect(refused.status).toBe(400)
    expect(refused.body.path).toBe('plan.days.0.date')
  })
  test('the leaflet is a PDF that reads back; before a plan is given there is none', async () => {
    const client = await newClient()
    const id = await book(owner, client, 'acid')
    const none = await owner.ask<{ code: string }>('GET', `/api/visits/${id}/leaflet`)
    expect([none.status, none.body.code]).toEqual([409, 'no_home_plan'])
    await owner.ask('POST', `/api/visits/${id}/home-plan`, { id: randomUUID(), plan: PLAN })
    const reply = await fetch(`${BASE}/api/visits/${id}/leaflet`, { headers: owner.headers() })
    expect(reply.headers.get('content-type')).toBe('application/pdf')
    const text = await textOf(await reply.arrayBuffer())
    for (const words of [client, 'For you, at home', 'Oat Milk Cleanser', 'two evenings a week'])
      expect(text).toContain(words)
    expect(text).toContain('No strong sun or sunbeds before 7 Dec 2026.')
  })
})
