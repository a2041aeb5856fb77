import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { compile, type CompileInput, type FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'
import { book, withDatabase } from './http'
import { newClient } from './new-client'
import { anneke, owner } from './people'
import { A_DROP, CALM, event, signed } from './signed'
import { planOf, said } from './visits'

// What a tablet did without a network comes later: in order, once, and over nobody else's word.

interface Shown {
  readonly input: CompileInput
  readonly plan: {
    readonly id: string
    readonly plan: FittedPlan
    readonly faults: string[]
  } | null
  readonly disputes: { code: string; sides: { answer: string; by: string }[] }[]
  readonly openings: unknown[]
}
const shown = async (id: string) => (await owner.ask<Shown>('GET', `/api/visits/${id}`)).body
const countOf = (sql: string, id: string) =>
  withDatabase(async (db) => (await db.query<{ n: number }>(sql, [id])).rows[0]!.n)
const plansOf = (id: string) =>
  countOf('SELECT count(*)::int AS n FROM fitted_plan WHERE visit_id = $1', id)

describe('a ladder that a tablet fitted', () => {
  const fittedHere = async (id: string) => compile((await shown(id)).input)
  const tell = (id: string, planId: string, plan: FittedPlan) =>
    owner.ask<{ code: string }>('PUT', `/api/visits/${id}/plan`, { id: planId, plan })

  test('is kept under the tablet’s id, once, without a fault where nothing else is known', async () => {
    const id = await book(owner, await newClient())
    const [planId, plan] = [randomUUID(), await fittedHere(id)]
    for (let times = 0; times < 2; times++) expect((await tell(id, planId, plan)).status).toBe(204)
    const { plan: stored } = await shown(id)
    expect(stored).toMatchObject({ id: planId, faults: [] })
    expect(stored!.plan.segments).toEqual(JSON.parse(JSON.stringify(plan.segments)))
    expect(await plansOf(id)).toBe(1)
  })
  test('says what differs where something else is known by then, and stays what was performed', async () => {
    const id = await book(owner, await newClient(), 'clarifying')
    const plan = await fittedHere(id)
    const facts = [said('pregnancy'), said('isotretinoin')]
    expect((await owner.ask('POST', `/api/visits/${id}/facts`, { facts })).status).toBe(204)
    expect((await tell(id, randomUUID(), plan)).status).toBe(204)
    const { plan: stored } = await shown(id)
    expect(stored!.faults.length).toBeGreaterThan(0)
    expect(stored!.plan.steps.map((step) => step.id)).toEqual(plan.steps.map((step) => step.id))
  })
  test('is refused where the visit was begun with another, and where it is none', async () => {
    const id = await book(owner, await newClient())
    const plan = await fittedHere(id)
    const none = await tell(id, randomUUID(), { ...plan, status: 'postponed' })
    expect([none.status, none.body.code]).toEqual([409, 'not_fitted'])
    await planOf(id)
    await owner.ask('POST', `/api/visits/${id}/events`, { events: [event({ type: 'start' })] })
    const late = await tell(id, randomUUID(), plan)
    expect([late.status, late.body.code]).toEqual([409, 'underway'])
    expect(await plansOf(id)).toBe(1)
  })
})

describe('answers to one question on two tablets', () => {
  const CODE = 'pregnancy'
  const told = (answer: Fact['answer'], seen: Fact['answer'] | null, own: string[] = []) => ({
    ...{ id: randomUUID(), seen, own },
    fact: { code: CODE, answer, askedOn: '2026-11-24' },
  })
  const tell = (id: string, one: ReturnType<typeof told>, who = owner) =>
    who.ask('POST', `/api/visits/${id}/facts`, { facts: [one] })
  const standing = async (id: string) => {
    const { input, disputes } = await shown(id)
    const answer = input.client.facts.findLast(({ code }) => code === CODE)?.answer
    return { answer, disputes: disputes.filter(({ code }) => code === CODE) }
  }
  const fresh = async () => {
    const id = await book(owner, await newClient())
    await tell(id, told('no', null))
    return id
  }

  test('that differ leave the question not known, with both words, until it is asked again', async () => {
    const id = await fresh()
    await tell(id, told('yes', 'no'), anneke)
    await tell(id, told('unknown', 'no'))
    const { answer, disputes } = await standing(id)
    expect(answer).toBe('unknown')
    expect(disputes[0]!.sides.map((side) => side.answer)).toEqual(['unknown', 'yes'])
    expect(disputes[0]!.sides[1]!.by).toMatch(/Anneke/)
    await tell(id, told('no', 'unknown'))
    expect(await standing(id)).toEqual({ answer: 'no', disputes: [] })
  })
  test('a tablet’s own corrections are no other word, whoever said what in between', async () => {
    const id = await fresh()
    const first = told('yes', 'no')
    await tell(id, first)
    await tell(id, told('no', 'no', [first.id]))
    expect(await standing(id)).toEqual({ answer: 'no', disputes: [] })
    // The same, where somebody else has said yes meanwhile.
    const mine = told('yes', 'no')
    await tell(id, told('yes', 'no'), anneke)
    await tell(id, mine)
    await tell(id, told('no', 'no', [mine.id]))
    expect((await standing(id)).answer).toBe('unknown')
  })
  test('sent twice it is one word, and whoever does not say what they saw is taken as ever', async () => {
    const id = await fresh()
    const one = told('yes', 'no')
    await tell(id, one)
    await tell(id, told('no', 'yes'), anneke)
    await tell(id, one)
    expect(await standing(id)).toEqual({ answer: 'no', disputes: [] })
    await owner.ask('POST', `/api/visits/${id}/facts`, { facts: [said(CODE)] })
    expect((await standing(id)).answer).toBe('yes')
  })
})

describe('what is written as a whole', () => {
  const READING = (grade: number) => ({
    done: true,
    findings: [{ kind: 'patchy-pigment', grade, zones: ['forehead'] }],
    lesions: [],
    meters: [],
  })
  const NOTHING_READ = { done: false, findings: [], lesions: [], meters: [] }
  const PREP = (size: string) => ({ size, waterC: {}, standIns: {}, partStandIns: {} })
  const FIT = (grow: boolean) => ({ mustStay: [], grow })
  const GOALS = (goal: string) => ({ concerns: [goal], details: {} })
  test.each([
    [
      'reading',
      NOTHING_READ,
      READING(1),
      READING(2),
      (reading: unknown) => ({ id: randomUUID(), reading }),
    ],
    ['prep', PREP('M'), PREP('S'), PREP('L'), (prep: unknown) => prep],
    ['fit', null, FIT(true), { mustStay: ['x'], grow: false }, (fit: unknown) => fit],
    ['goals', GOALS('calm'), GOALS('firm'), GOALS('eyes'), (goals: unknown) => goals],
  ] as const)(
    '%s goes over nothing that its tablet has not seen',
    async (part, before, theirs, mine, bodyOf) => {
      const id = await book(owner, await newClient())
      const put = (value: unknown, seen?: unknown) =>
        owner.ask<{ code: string }>('PUT', `/api/visits/${id}/${part}`, {
          ...(bodyOf(value) as object),
          ...(seen === undefined ? {} : { seen }),
        })
      if (part === 'goals') await put(before)
      const ok = async (value: unknown, seen?: unknown) =>
        expect((await put(value, seen)).status).toBeLessThan(300)
      await ok(theirs, before)
      const late = await put(mine, before)
      expect([late.status, late.body.code]).toEqual([409, 'changed_meanwhile'])
      // The same again is no other; what was seen may be changed; whoever has seen both does not say what they saw.
      await ok(theirs, before)
      await ok(mine, theirs)
      await ok(theirs)
    },
  )
})

describe('sent twice because the answer was lost', () => {
  test('a kit is opened once, a step kept once, a check-in told once', async () => {
    const id = await book(owner, await newClient(), 'set-mask')
    const kit = { id: randomUUID(), kitId: 'clear-start-kit' }
    const before = (await shown(id)).openings.length
    const statuses = []
    for (let times = 0; times < 2; times++)
      statuses.push((await owner.ask('POST', `/api/visits/${id}/kits`, kit)).status)
    expect(statuses).toEqual([201, 201])
    expect((await shown(id)).openings.length).toBe(before + 1)

    const done = await signed(await newClient())
    const told = { id: randomUUID(), askedOn: '2027-01-10', answer: CALM }
    for (let times = 0; times < 2; times++)
      expect((await owner.ask('POST', `/api/visits/${done}/check-in`, told)).status).toBe(201)
    const count = 'SELECT count(*)::int AS n FROM check_in WHERE visit_id = $1'
    expect(await countOf(count, done)).toBe(1)
  })
  test('a signature is there once; another one on a signed visit is refused', async () => {
    const id = await book(owner, await newClient())
    await planOf(id)
    await owner.ask('POST', `/api/visits/${id}/events`, { events: [event({ type: 'start' })] })
    const signing = { id: randomUUID(), answer: CALM, note: 'Done', used: A_DROP }
    const close = (body: object) =>
      owner.ask<{ code: string }>('POST', `/api/visits/${id}/close`, body)
    expect((await close(signing)).status).toBe(204)
    expect((await close(signing)).status).toBe(204)
    const other = await close({ ...signing, id: randomUUID() })
    expect([other.status, other.body.code]).toEqual([409, 'locked'])
  })
})

test('laid by for a network that goes, a visit stands in the log as that, not as looked into', async () => {
  const id = await book(owner, await newClient())
  const logged = (action: string) =>
    withDatabase(
      async (db) =>
        (
          await db.query(`SELECT FROM audit WHERE action = $1 AND detail ->> 'visit' = $2`, [
            action,
            id,
          ])
        ).rowCount,
    )
  const held = await owner.ask<Shown>('GET', `/api/visits/${id}/held`)
  expect([await logged('visit.hold'), await logged('visit.read')]).toEqual([1, 0])
  expect(held.body.input.protocol.steps.length).toBeGreaterThan(0)
})
