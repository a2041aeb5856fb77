import { describe, expect, test } from 'vitest'
import { DEMO_PROTOCOLS } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { input, readingOf } from '../../tests/situations'
import { event, START } from '../../tests/under-way'
import { compile } from '../adapt'
import type { ProtocolVersion } from '../protocol/model'
import { liveAt, reduceRun, type RunEvent } from '.'
import { tapped } from './device-set'

const practitioner = { scope: ['needling' as const], hazards: [] }
const planOf = (protocol: ProtocolVersion) =>
  compile(
    input({
      ...{ protocol, practitioner, slotMinutes: 240 },
      ...{ shelf: DEMO_SHELF, reading: readingOf() },
    }),
  )
const plan = planOf(DEMO_PROTOCOLS.find(({ protocolId }) => protocolId === 'course-needling')!)
const work = plan.segments.find(({ asksLot }) => asksLot)!
const lot = (second: number) =>
  event(3, second, {
    type: 'cartridge' as const,
    stepId: work.stepId,
    lot: 'NC-20931',
    depthMm: 0.25,
  })
const at = (events: readonly RunEvent[], second: number) => {
  const state = reduceRun(plan, events)
  return { state, live: liveAt(state.plan, state, START + second * 1000) }
}

/** Everything before the needles said to be done, in time. */
const before: RunEvent[] = [
  event(1, 0, { type: 'start' }),
  ...plan.segments
    .filter(({ hands, startS }) => hands && startS < work.startS)
    .flatMap(({ id, startS, endS }, index) => [
      event(100 + 2 * index, startS, { type: 'started' as const, segmentId: id }),
      event(101 + 2 * index, endS, { type: 'finished' as const, segmentId: id }),
    ]),
]

describe('what opens the skin', () => {
  test('waits for the lot of its cartridge, however late it is', () => {
    for (const late of [1, 60, 900]) {
      const { live } = at(before, work.startS + late)
      expect(live.hands, `${late} s`).toBeUndefined()
      expect(live.lot?.segment.id).toBe(work.id)
    }
  })
  test('begins once it is said, and lot and depth are kept', () => {
    const second = work.startS + 30
    const begun = event(4, second, { type: 'started' as const, segmentId: work.id })
    const { live, state } = at([...before, lot(second), begun], second + 5)
    expect(live.lot).toBeUndefined()
    expect(live.hands?.segment.id).toBe(work.id)
    expect(state.cartridges.get(work.stepId)).toEqual({ lot: 'NC-20931', depthMm: 0.25 })
  })
  test('is asked of needling alone, once a step', () => {
    const asked = DEMO_PROTOCOLS.flatMap((card) =>
      planOf(card).segments.filter(({ asksLot }) => asksLot),
    )
    expect(asked.map(({ stepId }) => stepId)).toEqual([work.stepId])
  })
  test('goes no deeper than it was fitted, and a tap is a twentieth of a millimetre', () => {
    const level = plan.steps.find(({ id }) => id === work.stepId)!.deviceLevel!
    expect(level).toMatchObject({ unit: 'mm', start: 0.25, most: 0.25, mostBy: 'fitted' })
    expect(tapped(level, 0.25, 'higher')).toBe(0.25)
    expect(tapped(level, 0.25, 'lower')).toBe(0.2)
    expect(tapped(level, 0.2, 'lower')).toBe(0.15)
  })
})
