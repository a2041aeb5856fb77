import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { compile, ENGINE_VERSION, type CompileInput, type FittedPlan } from '#core/adapt'
import { inputUnderway, liveAt, reduceRun, underwayOf, type RunEvent } from '#core/perform'
import type { Reading } from '#core/skin'
import { FORGERIES, withForgedWords } from '../forgeries'
import { book, withDatabase } from './http'
import { owner, tamsin } from './people'
import { CALM } from './signed'
import { planOf, said } from './visits'

interface Run {
  readonly input: CompileInput
  readonly plan: { readonly id: string; readonly revision: number; readonly plan: FittedPlan }
  readonly events: readonly RunEvent[]
}
const runOf = async (id: string) => (await owner.ask<Run>('GET', `/api/visits/${id}`)).body
const send = (id: string, events: readonly RunEvent[], who = owner) =>
  who.ask<{ events: RunEvent[] }>('POST', `/api/visits/${id}/events`, { events })

const READING: Reading = {
  done: true,
  findings: [{ kind: 'patchy-pigment', grade: 2, zones: ['forehead'] }],
  lesions: [],
  meters: [],
}
const MINUTE_MS = 60_000

const eventAt = (wallMs: number, seq: number, body: RunEvent['body']): RunEvent => ({
  ...{ id: randomUUID(), deviceId: 'tablet', seq, wallMs },
  elapsedMs: seq * 1000,
  body,
})

/** What a tablet would fit from now, with what it knows. */
function fittedOn({ input, plan }: Run, events: readonly RunEvent[], nowMs: number): FittedPlan {
  const state = reduceRun(plan.plan, events)
  const underway = underwayOf(state, liveAt(state.plan, state, nowMs), nowMs)
  return compile(inputUnderway(input, state), { plan: state.plan, underway })
}

/** A visit that began ten minutes ago and was read under the lamp just now; and what its tablet fits from that. */
async function readUnderTheLamp() {
  const id = await book(owner, 'Caspian Hurst')
  await planOf(id)
  const run = await runOf(id)
  const nowMs = Date.now()
  const events = [
    eventAt(nowMs - 10 * MINUTE_MS, 0, { type: 'start' }),
    eventAt(nowMs - 1000, 1, { type: 'read', stepId: 'lamp', reading: READING }),
  ]
  const told = fittedOn(run, events, nowMs)
  const saying = (plan: FittedPlan) => [
    ...events,
    eventAt(nowMs + 40, 2, { type: 'replanned', plan, fromMs: nowMs }),
  ]
  return { id, run, told, events, saying, nowMs }
}
const pathOf = ({ body }: { body: unknown }) => (body as { path?: string }).path
const insteadIn = (events: readonly RunEvent[]) =>
  events.flatMap(({ body }) => (body.type === 'replanned' && body.instead ? [body] : []))

test('a ladder that was fitted on the tablet and holds becomes the next plan, in our own words and versions', async () => {
  const { id, told, saying } = await readUnderTheLamp()
  const events = saying(withForgedWords(told))
  for (let times = 0; times < 2; times++) {
    const { status, body } = await send(id, events)
    expect([status, insteadIn(body.events)]).toEqual([200, []])
  }
  const { input, plan } = await runOf(id)
  expect(input.reading.findings).toEqual(READING.findings)
  expect([plan.id, plan.revision]).toEqual([events.at(-1)!.id, 2])
  const { changes: _c, ...words } = plan.plan
  const { changes: _d, ...wanted } = told
  expect(words).toEqual(wanted)
  expect(
    await withDatabase((db) =>
      db.query('SELECT engine FROM fitted_plan WHERE id = $1', [plan.id]),
    ).then(({ rows }) => rows),
  ).toEqual([{ engine: ENGINE_VERSION }])
})

test.each(['a longer dwell', 'more zones', 'a step left out', 'everything at once'])(
  'a forged ladder (%s) is kept as it was said and not followed: the server fits the rest and tells the tablet',
  async (name) => {
    const { id, told, saying } = await readUnderTheLamp()
    const forged = FORGERIES[name]!(told, (items) => items.at(-1), new Set())!
    const events = saying(forged)
    const { status, body } = await send(id, events)
    expect(status).toBe(200)
    expect(body.events.map((one) => one.id)).toEqual(
      expect.arrayContaining(events.map((one) => one.id)),
    )
    const [instead, ...more] = insteadIn(body.events)
    expect(more).toEqual([])
    expect(instead!.instead!.eventId).toBe(events.at(-1)!.id)
    expect(instead!.instead!.faults.length).toBeGreaterThan(0)
    // The run goes on from the server's ladder, on every tablet.
    const run = await runOf(id)
    expect(reduceRun(run.plan.plan, run.events).plan).toEqual(instead!.plan)
    expect(run.plan.plan).toEqual(instead!.plan)
    expect(run.plan.plan.steps.map((step) => step.id)).toEqual(told.steps.map((step) => step.id))
    // Said again it stays as it is.
    expect(insteadIn((await send(id, events)).body.events)).toHaveLength(1)
    const { rows } = await withDatabase((db) =>
      db.query<{ action: string }>(`SELECT action FROM audit WHERE detail ->> 'event' = $1`, [
        events.at(-1)!.id,
      ]),
    )
    expect(rows).toEqual([{ action: 'plan.refused' }])
  },
)

test('an allergy written down at the desk meanwhile: the tablet’s ladder without it does not hold', async () => {
  const { id, told, saying } = await readUnderTheLamp()
  expect(productsOf(told)).toContain('pineapple-enzyme')
  await owner.ask('POST', `/api/visits/${id}/facts`, {
    facts: [said('allergy:pineapple', 'yes', { reaction: 'rash' })],
  })
  const [instead] = insteadIn((await send(id, saying(told))).body.events)
  const { plan } = await runOf(id)
  expect(plan.plan).toEqual(instead!.plan)
  expect(productsOf(plan.plan)).not.toContain('pineapple-enzyme')
})
const productsOf = ({ steps }: FittedPlan) => steps.flatMap((step) => step.product?.productId ?? [])

test('a refusal taken back in the very batch that fits the rest without it: the tablet’s ladder holds', async () => {
  const id = await book(owner, 'Caspian Hurst')
  const plan = await planOf(id)
  const step = plan.steps.find(({ product, essential }) => product && !essential)!
  const { productId } = step.product!
  const run = await runOf(id)
  const nowMs = Date.now()
  const refused = eventAt(nowMs - 5000, 1, {
    ...{ type: 'refused', stepId: step.id },
    ...{ productId, why: 'Smell' },
  })
  const said = [eventAt(nowMs - MINUTE_MS, 0, { type: 'start' }), refused]
  const without = fittedOn(run, said, nowMs - 5000)
  expect(productsOf(without)).not.toContain(productId)
  const fitted = eventAt(nowMs - 4000, 2, {
    ...{ type: 'replanned', plan: without, fromMs: nowMs - 5000 },
  })
  expect(insteadIn((await send(id, [...said, fitted])).body.events)).toEqual([])

  const back = [
    eventAt(nowMs - 3000, 3, { type: 'retract', eventId: refused.id }),
    eventAt(nowMs - 3000, 4, { type: 'retract', eventId: fitted.id }),
  ]
  const again = fittedOn(run, [...said, fitted, ...back], nowMs - 3000)
  expect(productsOf(again)).toContain(productId)
  const last = eventAt(nowMs - 2000, 5, { type: 'replanned', plan: again, fromMs: nowMs - 3000 })
  expect(insteadIn((await send(id, [...back, last])).body.events)).toEqual([])
  expect(productsOf((await runOf(id)).plan.plan)).toContain(productId)
})

test('a ladder for a visit that has not begun is not taken', async () => {
  const id = await book(owner, 'Caspian Hurst')
  const plan = await planOf(id)
  const forged = FORGERIES['more zones']!(plan, ([first]) => first, new Set())!
  const { body } = await send(id, [eventAt(Date.now(), 0, { type: 'replanned', plan: forged })])
  const [instead] = insteadIn(body.events)
  expect(instead!.instead!.faults).toEqual(['The visit had not begun'])
  expect((await runOf(id)).plan.plan).toEqual(plan)
})

test('who may not fit cannot through an event: it is named, nothing of the batch is kept, and the rest goes without it', async () => {
  const { id, told, saying } = await readUnderTheLamp()
  const events = saying(told)
  const refused = await send(id, events, tamsin)
  expect([refused.status, pathOf(refused)]).toEqual([403, 'events.1'])
  expect((await runOf(id)).events).toEqual([])
  const { status } = await send(id, [events[0]!], tamsin)
  expect([status, (await runOf(id)).events.length]).toEqual([200, 1])
})

test('what only the server says is not taken from a tablet', async () => {
  const { id, told, events, nowMs } = await readUnderTheLamp()
  const instead = { eventId: randomUUID(), faults: [] }
  const made = eventAt(nowMs, 2, { type: 'replanned', plan: told, instead })
  const refused = await send(id, [...events, made])
  expect([refused.status, pathOf(refused)]).toEqual([400, 'events.2.body.instead'])
  const clocked = await send(id, [{ ...events[0]!, clockSaidMs: 5 }])
  expect([clocked.status, pathOf(clocked)]).toEqual([400, 'events.0.clockSaidMs'])
})

test('impossible times are kept, put in order and marked; the visit can be signed', async () => {
  const id = await book(owner, 'Marguerite Abiola')
  await planOf(id)
  const events = [
    { ...eventAt(0, 0, { type: 'start' }), elapsedMs: 1000 },
    { ...eventAt(MINUTE_MS, 1, { type: 'note', text: 'a note' }), elapsedMs: 61_000 },
    { ...eventAt(8_640_000_000_000_000, 2, { type: 'finish' }), elapsedMs: 121_000 },
  ]
  const { status, body } = await send(id, events)
  expect(status).toBe(200)
  expect(body.events.map((one) => [one.id, one.clockSaidMs])).toEqual(
    events.map((one) => [one.id, one.wallMs]),
  )
  const [start, , finish] = body.events
  expect(finish!.wallMs - start!.wallMs).toBe(2 * MINUTE_MS)
  expect(Math.abs(finish!.wallMs - Date.now())).toBeLessThan(10 * MINUTE_MS)
  const { rows } = await withDatabase((db) =>
    db.query('SELECT clock_doubtful FROM run_event WHERE visit_id = $1', [id]),
  )
  expect(rows).toEqual(events.map(() => ({ clock_doubtful: true })))
  const signed = await owner.ask('POST', `/api/visits/${id}/close`, { answer: CALM, note: '' })
  expect(signed.status).toBe(204)
})

/** A visit that began ten minutes ago and has to end a quarter of an hour sooner than it would. */
async function hasToEnd() {
  const id = await book(owner, 'Caspian Hurst')
  await planOf(id)
  const run = await runOf(id)
  const nowMs = Date.now()
  const startMs = nowMs - 10 * MINUTE_MS
  const atMs = startMs + run.plan.plan.totalS * 1000 - 15 * MINUTE_MS
  const start = eventAt(startMs, 0, { type: 'start' })
  const ends = eventAt(nowMs - 1000, 1, { type: 'ends', atMs })
  const told = fittedOn(run, [start, ends], nowMs)
  const fit = eventAt(nowMs + 40, 2, { type: 'replanned', plan: told, fromMs: nowMs })
  return { id, run, start, ends, fit, told, endS: (atMs - startMs) / 1000 }
}

test('a visit that has to end: what the tablet cut becomes the next plan, with the reason', async () => {
  const { id, run, start, ends, fit, told, endS } = await hasToEnd()
  expect(told.totalS).toBeLessThanOrEqual(endS)
  const { status, body } = await send(id, [start, ends, fit])
  expect([status, insteadIn(body.events)]).toEqual([200, []])
  const { plan } = await runOf(id)
  expect(plan.id).toBe(fit.id)
  expect(plan.plan.steps).toEqual(told.steps)
  const cut = plan.plan.changes.filter(({ why }) =>
    why.some(({ ruleId }) => /^T0[13]$/.test(ruleId)),
  )
  expect(cut.length).toBeGreaterThan(0)
  expect(cut[0]!.why[0]!.reason).toContain('has to end after')
  expect(run.plan.plan.totalS).toBeGreaterThan(endS)
})

test('the same cut without anybody’s word is not followed', async () => {
  const { id, start, fit } = await hasToEnd()
  const { body } = await send(id, [start, fit])
  const [instead] = insteadIn(body.events)
  expect(instead!.instead!.faults.join()).toMatch(/missing|other minutes/)
})

test('what came of an extraction stands in the reading that the next visit sees; an assistant does not say it', async () => {
  const id = await book(owner, 'Caspian Hurst')
  const lesion = {
    ...{ id: 'a', view: 'front', x: 0.5, y: 0.8, zone: 'chin', type: 'open-comedone' },
    ...{ painful: false, deep: false, head: true, decision: 'ready' },
  } as const
  const read = { done: true, findings: [], lesions: [lesion], meters: [] }
  await owner.ask('PUT', `/api/visits/${id}/reading`, { id: randomUUID(), reading: read })
  await planOf(id)
  const nowMs = Date.now()
  const outcomes = { a: 'partly' } as const
  const told = eventAt(nowMs, 1, { type: 'extracted', stepId: 'extract', outcomes })
  const { status } = await send(id, [told], tamsin)
  expect(status).toBe(403)
  await send(id, [eventAt(nowMs - 1000, 0, { type: 'start' }), told])
  const { input } = await runOf(id)
  expect(input.reading.lesions).toEqual([{ ...lesion, outcome: 'partly' }])
})
