import { expect, test } from 'vitest'
import { compile } from '#core/adapt'
import { input } from '../../tests/situations'
import { decidedAt, sidesOf } from './sides'

const READING = {
  done: true,
  findings: [{ kind: 'patchy-pigment' as const, grade: 2, zones: ['forehead' as const] }],
  lesions: [],
  meters: [],
}
const given = input({ reading: READING, fit: { mustStay: ['massage'], grow: true } })
const plan = { id: 'p', revision: 1, plan: compile(given), faults: [] }
const sides = (part: string, body: unknown) =>
  sidesOf({ path: `/api/visits/v/${part}`, body }, { input: given, plan })

test('each thing that is written as a whole is told in words, here and elsewhere', () => {
  expect(sides('goals', { concerns: ['firm', 'calm'] })).toEqual({
    ...{ what: 'What the client wants', stage: 'consult' },
    ...{ here: '1 Firmer · 2 Calmer, less red', there: '1 More water, less tight' },
  })
  const nothing = { done: true, findings: [], lesions: [], meters: [] }
  expect(sides('reading', { reading: nothing })).toMatchObject({
    ...{ stage: 'skin', here: 'read, nothing to note' },
    there: expect.stringMatching(/2 of 4: forehead$/) as string,
  })
  expect(sides('fit', { mustStay: [], grow: false, slotMinutes: 75 })).toMatchObject({
    ...{ stage: 'fit', here: '75 min' },
    there: expect.stringMatching(/^as booked · .+ stays · spare time given out$/) as string,
  })
  const prep = { size: 'L', waterC: { mask: 21 }, standIns: {}, partStandIns: {} }
  expect(sides('prep', prep)).toMatchObject({
    ...{ stage: 'prepare', here: 'large face · mask: water 21 °C', there: 'medium face' },
  })
  // What differs can be told apart: places of a goal, the bowl, the part that stands in.
  const places = {
    concerns: ['hydrate'],
    details: { hydrate: { zones: ['forehead'], wish: true } },
  }
  expect(sides('goals', places)).toMatchObject({
    ...{ here: '1 More water, less tight, forehead, a wish', there: '1 More water, less tight' },
  })
  const part = { ...prep, waterC: {}, partStandIns: { mix: { base: 'oat-mask' } } }
  expect(sides('prep', part)!.here).toMatch(/^large face · mix: .+ for base$/)
})
test('where it is decided: at the stage where it is answered', () => {
  expect(decidedAt({ path: '/api/visits/v/reading' })).toBe('/visits/v/skin')
  expect(decidedAt({ path: '/api/visits/v/something' })).toBe('/visits/v/consult')
  expect(sides('something', {})).toBeUndefined()
})
