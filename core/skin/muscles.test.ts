import { describe, expect, test } from 'vitest'
import { FACE, FACE_NECK, LIDS, musclesUnder, MUSCLES } from '.'

const RINGS = ['orbicularis oculi', 'orbicularis oris']

describe('muscles that a coat follows', () => {
  test('each begins somewhere and ends somewhere else, under zones of the face or neck', () => {
    expect(new Set(MUSCLES.map(({ id }) => id)).size).toBe(MUSCLES.length)
    for (const { begins, ends, zones } of MUSCLES) {
      expect(begins).not.toBe(ends)
      expect(zones.length).toBeGreaterThan(0)
    }
  })
  test('a face has those of the face, a face with neck all; lids have none, and rings are never among them', () => {
    const face = musclesUnder(FACE)
    expect(face).toEqual(expect.arrayContaining(['frontalis', 'masseter', 'mentalis']))
    expect(face).not.toContain('sternomastoid')
    expect(musclesUnder(FACE_NECK)).toHaveLength(MUSCLES.length)
    expect(musclesUnder(LIDS)).toEqual([])
    for (const ring of RINGS) expect(musclesUnder(FACE_NECK)).not.toContain(ring)
  })
})
