import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { SHELF } from '../../tests/fixtures'
import { areaOf } from '../skin/areas'
import { EYES, FACE, FACE_NECK, NECK, T_ZONE, WHOLE_FACE, ZONES } from '../skin/zones'
import { doseFor } from './dose'

const product = (id: string) => SHELF.products.find((product) => product.id === id)!
const use = (id: string) => product(id).uses[0]!

describe('areas, against published figures (values from memory)', () => {
  test('a medium face is half the head: 7 % of body surface (Lund & Browder 1944), Mosteller for 170 cm and 65 kg (NEJM 1987;317:1098)', () => {
    const surfaceM2 = Math.sqrt((170 * 65) / 3600)
    expect(surfaceM2).toBeCloseTo(1.752, 3)
    const face = (surfaceM2 * 10_000 * 0.07) / 2
    expect(face).toBeCloseTo(613, 0)
    expect(Math.abs(areaOf(WHOLE_FACE) - face) / face).toBeLessThan(0.03)
  })
  test('the same by Du Bois (1916): 0.007184 · w^0.425 · h^0.725', () =>
    expect(0.007184 * 65 ** 0.425 * 170 ** 0.725).toBeCloseTo(1.754, 3))
  test('front and sides of the neck are less than the whole neck: 2 % (Lund & Browder 1944)', () => {
    expect(areaOf(NECK)).toBeLessThan(17_520 * 0.02)
    expect(areaOf(NECK)).toBeGreaterThan(17_520 * 0.02 * 0.5)
  })
  test('parts add up, twice is once, sizes scale', () => {
    expect(areaOf(FACE) + areaOf(EYES) + areaOf(['lips'])).toBeCloseTo(areaOf(WHOLE_FACE))
    expect(areaOf([...FACE, ...FACE])).toBe(areaOf(FACE))
    expect(areaOf(FACE, 'S')).toBeLessThan(areaOf(FACE))
    expect(areaOf(FACE, 'L')).toBeGreaterThan(areaOf(FACE))
    expect(areaOf(['scalp', 'hands'])).toBe(0)
  })
})

describe('doses', () => {
  const bare = (id: string) => ({ zones: use(id).zones })
  test('sun protection by film: 2 mg/cm² (ISO 24444) on the whole face, as the fingertip rule has it: 2.5 units of 0.49 g for face and neck (Long & Finlay 1991)', () => {
    const face = doseFor({ kind: 'sun' }, { zones: [...WHOLE_FACE] }, WHOLE_FACE)!
    expect(face).toEqual({ amount: 1.2, unit: 'g', by: 'film' })
    expect(Math.abs(face.amount - 2.5 * 0.49)).toBeLessThan(0.1)
  })
  test('the product’s own dose wins, whole on its own zones', () =>
    expect(doseFor(product('clay-mask'), use('clay-mask'), FACE)).toEqual({
      amount: 12,
      unit: 'g',
      by: 'product',
    }))
  test('on fewer zones it shrinks with their area; half is half; on zones of no area it stays whole', () => {
    const part = doseFor(product('clay-mask'), use('clay-mask'), T_ZONE)!.amount
    expect(part).toBeCloseTo((12 * areaOf(T_ZONE)) / areaOf(FACE), 1)
    expect(doseFor(product('moor-vial'), use('moor-vial'), FACE_NECK, 0.5)!.amount).toBe(1.5)
    expect(doseFor(product('hand-balm'), use('hand-balm'), ['hands'])!.amount).toBe(3)
  })
  test('without a dose of its own the film of its kind; nothing where nothing is known', () => {
    expect(doseFor(product('clay-mask'), bare('clay-mask'), FACE)).toEqual({
      amount: Math.round(areaOf(FACE) * 0.2) / 10,
      unit: 'g',
      by: 'film',
    })
    expect(doseFor({ kind: 'neutraliser' }, bare('clay-mask'), FACE)).toBeUndefined()
    expect(doseFor({ kind: 'mask' }, undefined, ['scalp'])).toBeUndefined()
  })
  test('more zones never take less', () => {
    fc.assert(
      fc.property(
        fc.subarray([...FACE], { minLength: 1 }),
        fc.subarray([...FACE]),
        (some, more) => {
          const [less, all] = [
            doseFor(product('clay-mask'), use('clay-mask'), some)!,
            doseFor(product('clay-mask'), use('clay-mask'), [...new Set([...some, ...more])])!,
          ]
          expect(all.amount).toBeGreaterThanOrEqual(less.amount - 1e-9)
        },
      ),
    )
    expect(ZONES.every((zone) => areaOf([zone]) >= 0)).toBe(true)
  })
})
