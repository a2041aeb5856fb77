import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_CARDS } from '../../tests/demo-visit'
import { cardOf } from '../../tests/fixtures'
import { client, input, yes } from '../../tests/situations'
import { FORGERIES } from '../../tests/forgeries'
import { QUESTIONS } from '../client'
import { plain } from './audit'
import { compile } from './compile'
import { hasLadder } from './status'
import { judgeFit } from './told-fit'

const visit = (protocolId: string, codes: readonly string[] = []) =>
  input({
    protocol: cardOf(protocolId),
    client: client(codes.map((code) => yes(code))),
    slotMinutes: 150,
  })

describe('a ladder that a tablet fitted without a network', () => {
  test.each(DEMO_CARDS)(
    '%s: of what the server knows too it has no fault, and our own words',
    (card) => {
      const own = compile(visit(card))
      const { plan, faults } = judgeFit(plain({ ...own, stops: [], tray: [] }), visit(card))
      expect(faults).toEqual([])
      expect([plan.stops, plan.tray]).toEqual([own.stops, own.tray])
    },
  )
  test('another answer known here is told as what it changes; what was told is kept', () => {
    const told = plain(compile(visit('clarifying')))
    const { plan, faults } = judgeFit(told, visit('clarifying', ['pregnancy', 'isotretinoin']))
    expect(plan).toEqual(told)
    expect(faults.length).toBeGreaterThan(0)
    for (const fault of faults) expect(fault).toMatch(/missing|belong|:|order|times|\.$/)
  })
  test('where nothing may be done today, that is said', () => {
    const told = plain(compile(visit('brightening')))
    const infected = visit('brightening', ['infection'])
    expect(hasLadder(compile(infected))).toBe(false)
    expect(judgeFit(told, infected).faults).toEqual(compile(infected).problems)
  })
  test.each(Object.entries(FORGERIES))('%s is never taken for our own', (_name, forge) => {
    const own = compile(visit('brightening'))
    const forged = forge(own, (items) => items[0], new Set())
    if (forged === undefined) return
    expect(judgeFit(plain(forged), visit('brightening')).faults).not.toEqual([])
  })
  test('property: no fault exactly where both come to the same ladder', () => {
    const codes = QUESTIONS.map(({ code }) => code)
    const answers = fc.subarray(codes, { maxLength: 3 })
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_CARDS), answers, answers, (card, here, there) => {
        const told = compile(visit(card, there))
        if (!hasLadder(told)) return
        const own = compile(visit(card, here))
        const isSame =
          JSON.stringify([told.steps, told.segments]) === JSON.stringify([own.steps, own.segments])
        expect(judgeFit(plain(told), visit(card, here)).faults.length === 0).toBe(isSame)
      }),
      { numRuns: 60 },
    )
  })
})
