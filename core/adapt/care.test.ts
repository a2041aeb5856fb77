import { describe, expect, test } from 'vitest'
import { client, planFor, readingOf, seen, yes } from '../../tests/situations'
import { CLIENTS, ACID, CARDS } from '../../tests/fixtures'
import { READ_ZONES } from '../skin'

describe('cautions are merged so that they are read', () => {
  const ingrid = CLIENTS.find((client) => client.name === 'Ingrid Solvay')!
  const facts = ingrid.yes.map((fact) => yes(fact.code, fact))
  test.each(CARDS.map((protocol) => [protocol.name, protocol] as const))(
    'six conditions on "%s": one line per step, nothing twice in it',
    (_name, protocol) => {
      expect(ingrid.yes.length).toBeGreaterThanOrEqual(6)
      const plan = planFor({
        protocol,
        client: client(facts, { bornOn: ingrid.bornOn }),
        reading: readingOf(...ingrid.findings),
      })
      const steps = plan.cautions.map((caution) => caution.stepId)
      expect(new Set(steps).size).toBe(steps.length)
      expect(steps.length).toBeGreaterThan(0)
      for (const { stepId, line } of plan.cautions) {
        const parts = line.split(' · ')
        expect(new Set(parts).size).toBe(parts.length)
        expect(plan.steps.some((step) => step.id === stepId)).toBe(true)
        expect(parts.every((part) => part.trim() !== '' && part.length < 120)).toBe(true)
      }
    },
  )
  test('what holds for the whole visit is said at its first step only', () => {
    const plan = planFor({
      client: client([yes('epilepsy'), yes('latex-gloves')]),
      reading: readingOf(seen('flushing', 2, READ_ZONES)),
    })
    const hands = plan.cautions.filter((caution) => caution.line.includes('hands washed'))
    expect(hands.map((hand) => hand.stepId)).toEqual([plan.steps[0]!.id])
  })
  test('where every towel stays lukewarm, nothing is said of warm ones', () => {
    const warm = (...findings: Parameters<typeof readingOf>) =>
      planFor({ reading: readingOf(...findings) }).cautions.some((caution) =>
        caution.line.includes('towels 40 °C'),
      )
    expect([warm(), warm(seen('flushing', 2, ['chin'])), warm(seen('patchy-pigment', 2))]).toEqual([
      true,
      true,
      false,
    ])
  })
  test('off cool wins over off lukewarm at the same step', () => {
    const plan = planFor({
      protocol: ACID,
      client: client([yes('melasma')]),
      reading: readingOf(seen('patchy-pigment', 1, ['forehead'])),
    })
    for (const { line } of plan.cautions)
      expect(line.includes('off cool') && line.includes('off lukewarm')).toBe(false)
    expect(plan.cautions.some((caution) => caution.line.includes('off cool'))).toBe(true)
  })
})
