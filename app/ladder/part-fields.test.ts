import { describe, expect, it } from 'vitest'
import { segment, type Step } from '#core/protocol'
import {
  partWords,
  withAdmitted,
  withNewPart,
  withoutPart,
  withPart,
  withPartZones,
  withSign,
  withUsualCount,
  withWorking,
} from './part-fields'

const MASK: Step = {
  id: 'mask',
  phase: 'mask',
  title: 'Mask',
  zones: ['forehead', 'chin'],
  properties: [],
  segments: [
    segment('on1', 'apply', 2),
    segment('dwell1', 'dwell', 10, { admits: ['quiet'] }),
    segment('off1', 'remove', 2, { tool: 'sponge' }),
  ],
  essential: false,
  priority: 3,
}
const [ON, DWELL, OFF] = MASK.segments as [
  Step['segments'][0],
  Step['segments'][0],
  Step['segments'][0],
]
const partOf = (step: Step, id: string) => step.segments.find((part) => part.id === id)!

describe('a part of a step', () => {
  it('loses a field that is set to undefined, and keeps the others', () => {
    const changed = withPart(withPart(MASK, 'on1', { coat: 2 }), 'on1', { coat: undefined })
    expect(changed.segments).toEqual(MASK.segments)
    expect('coat' in partOf(changed, 'on1')).toBe(false)
  })
  it('goes', () => {
    expect(withoutPart(MASK, 'off1').segments.map(({ id }) => id)).toEqual(['on1', 'dwell1'])
  })
  it.each([
    [{ ...ON, coat: 2 }, 'coat 2'],
    [{ ...ON, polarity: 'negative' as const }, 'negative pole'],
    [DWELL, 'processing'],
  ])('is called by its coat, its pole or its kind', (part, words) => {
    expect(partWords(part)).toBe(words)
  })
})

describe('a new part', () => {
  it('comes last, what is prepared first', () => {
    expect(withNewPart(MASK, 'settle').segments.at(-1)).toMatchObject({ kind: 'settle' })
    expect(withNewPart(MASK, 'prepare').segments[0]).toMatchObject({ kind: 'prepare' })
  })
  it('has an id of its own, and the defaults of its kind', () => {
    const added = withNewPart({ ...MASK, segments: [{ ...DWELL, id: 'dwell1' }] }, 'dwell')
    expect(added.segments[1]).toEqual({
      id: 'dwell2',
      kind: 'dwell',
      minS: 300,
      usualS: 600,
      maxS: 900,
      presence: 'room',
      admits: ['quiet'],
    })
  })
})

describe('what a processing time admits', () => {
  it('is one more or one fewer', () => {
    const more = withAdmitted(MASK, DWELL, 'hands')
    expect(partOf(more, 'dwell1').admits).toEqual(['quiet', 'hands'])
    expect(partOf(withAdmitted(MASK, DWELL, 'quiet'), 'dwell1').admits).toEqual([])
  })
})

describe('the sign a part is over by', () => {
  it('stands beside the clock for a processing time, and repeats a removal up to three times', () => {
    expect(partOf(withSign(MASK, DWELL, ' dry '), 'dwell1').end).toEqual({
      by: 'both',
      sign: 'dry',
    })
    expect(partOf(withSign(MASK, OFF, 'clean'), 'off1').end).toEqual({
      by: 'repeat',
      sign: 'clean',
      usualCount: 1,
      maxCount: 3,
    })
  })
  it('goes when it is emptied', () => {
    const signed = withSign(MASK, DWELL, 'dry')
    expect(withSign(signed, partOf(signed, 'dwell1'), '  ')).toEqual(MASK)
  })
  it.each([
    [0, 1, 3],
    [2, 2, 3],
    [5, 5, 5],
    [9, 6, 9],
  ])('a removal said to take %i wipes usually takes %i, at most %i', (typed, usual, most) => {
    const signed = withSign(MASK, OFF, 'clean')
    const counted = withUsualCount(signed, partOf(signed, 'off1'), typed)
    expect(partOf(counted, 'off1').end).toMatchObject({ usualCount: usual, maxCount: most })
  })
})

describe('the rest', () => {
  it('a mix that sets after no time does not set', () => {
    const setting = withWorking(MASK, ON, 4)
    expect(partOf(setting, 'on1').workingS).toBe(240)
    expect(withWorking(setting, partOf(setting, 'on1'), 0)).toEqual(MASK)
  })
  it('all zones of the step are none of its own', () => {
    expect(partOf(withPartZones(MASK, ON, ['chin']), 'on1').zones).toEqual(['chin'])
    expect(withPartZones(MASK, ON, ['forehead', 'chin'])).toEqual(MASK)
  })
})
