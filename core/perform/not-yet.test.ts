import { expect, test } from 'vitest'
import { planFor } from '../../tests/situations'
import { event, performed, START } from '../../tests/under-way'
import { liveAt, reduceRun } from '.'

// The kelp sets by a sign: "firm, and its edge lifts clean", in 20 minutes and 25 at the most.
const plan = planFor()
const kelp = plan.segments.find(({ id }) => id === 'kelp/dwell')!
const enzyme = plan.segments.find(({ id }) => id === 'enzyme/dwell')!
const layerAt = (second: number, segmentId: string, waits: readonly number[]) => {
  const events = [
    ...performed(plan, Math.min(second, kelp.endS) - 1),
    ...waits.map((at, n) => event(900 + n, at, { type: 'not-yet', segmentId })),
  ]
  const live = liveAt(plan, reduceRun(plan, events), START + second * 1000)
  return live.layers.find((layer) => layer.segmentId === segmentId)!
}
const dueS = (layer: { dueMs: number }) => Math.round((layer.dueMs - START) / 1000)

test('not yet: a minute more from when it is said, each time', () => {
  const due = dueS(layerAt(kelp.endS + 5, kelp.id, []))
  expect(due).toBe(kelp.endS)
  expect(dueS(layerAt(due + 5, kelp.id, [due + 2]))).toBe(due + 62)
  expect(dueS(layerAt(due + 70, kelp.id, [due + 2, due + 65]))).toBe(due + 125)
})
test('never past its maximum', () => {
  const waits = Array.from({ length: 12 }, (_, n) => kelp.endS + 2 + n)
  const layer = layerAt(kelp.endS + 20, kelp.id, waits)
  expect(layer.dueMs).toBe(layer.latestMs)
})
test('what works is not waited for: its time is its limit', () => {
  const second = enzyme.endS - 20
  const said = layerAt(second, enzyme.id, [second - 1])
  expect(dueS(said)).toBe(dueS(layerAt(second, enzyme.id, [])))
})
