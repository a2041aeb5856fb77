import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { SHELF } from '../../tests/fixtures'
import { runs } from '../../tests/runs'
import type { Product } from '../catalog'
import { segment, type Property, type Step } from '../protocol'
import { FACE } from '../skin'
import { acidRung, onRung, subjectReader } from '.'

const PRODUCT: Product = SHELF.products.find(({ id }) => id === 'glycolic-peel')!
const ENZYME: Product = SHELF.products.find(({ properties }) => properties.includes('enzyme'))!

const stepOf = (more: Partial<Step> = {}): Step => ({
  id: 'x',
  phase: 'exfoliate',
  title: 'The step',
  zones: [...FACE],
  properties: [],
  segments: [segment('on', 'apply', 1)],
  essential: false,
  priority: 3,
  ...more,
})
const read = (step: Step, products: readonly Product[] = SHELF.products) =>
  subjectReader({ ...SHELF, products: [...products] })(step)
const rungOf = (step: Step, lever: string, products?: readonly Product[]): number =>
  read(step, products).levers.find((pulled) => pulled.lever === lever)?.rung ?? 0

/** A peel of so much glycolic acid at a pH, so many minutes from first touch: half a minute of them it is put on. */
function peel(
  percent: number,
  pH: number,
  minutes: number,
  isLeftOn = false,
  vehicle: Product['vehicle'] = 'water',
) {
  const product: Product = {
    ...PRODUCT,
    id: 'p',
    pH,
    vehicle,
    actives: [{ name: 'glycolic', percent }],
  }
  const segments = [
    segment('on', 'apply', 0.5),
    segment('dwell', 'dwell', [0, minutes - 0.5, 60]),
    ...(isLeftOn ? [] : [segment('off', 'remove', 1)]),
  ]
  const step = stepOf({ product: { productId: 'p', useId: product.uses[0]!.id }, segments })
  return { step, products: [product] }
}
const peelRung = (...of: Parameters<typeof peel>): number => {
  const { step, products } = peel(...of)
  return rungOf(step, 'acid', products)
}

describe('strength is read off what touches the skin', () => {
  // House convention of rungs; free shares by Henderson–Hasselbalch, pKa 3.83 (CRC Handbook, value from memory).
  test.each([
    ['3 % free and less is mild however long', [2, 1, 30], 1],
    ['a soft acid climbs with its minutes', [7, 1, 2], 1],
    ['… up to ten minutes', [7, 1, 10], 2],
    ['… and beyond', [7, 1, 12], 3],
    ['25 % at pH 3.4 is 18.2 % free: rung 3', [25, 3.4, 2], 3],
    ['minutes are capped apart from strength', [12, 1, 5], 4],
    ['above the table', [30, 1, 1], 5],
  ] as const)('acid: %s', (_what, [percent, pH, minutes], rung) =>
    expect(peelRung(percent, pH, minutes)).toBe(rung),
  )
  test('minutes run from the first touch to the start of removal (D24): a slow hand makes the same peel stronger', () => {
    const { step, products } = peel(12, 1, 3)
    const slow = {
      ...step,
      segments: step.segments.map((part) => (part.id === 'on' ? { ...part, usualS: 120 } : part)),
    }
    expect([rungOf(step, 'acid', products), rungOf(slow, 'acid', products)]).toEqual([2, 4])
    const lowered = onRung(read(slow, products), 'acid', 2)!
    expect(lowered.segments.map(({ usualS }) => usualS)).toEqual([120, 60, 60])
    expect(onRung(read(slow, products), 'acid', 1)).toBeUndefined()
  })
  test('left on: soft is rung 3, stronger is above the table', () => {
    expect(peelRung(6, 1, 1, true)).toBe(3)
    expect(peelRung(8, 1, 1, true)).toBe(5)
  })
  test('in alcohol, or without a pH, all acid counts as free', () => {
    expect(peelRung(12, 4.5, 2)).toBe(1)
    expect(peelRung(12, 4.5, 2, false, 'alcohol')).toBe(2)
  })
  test('an acid on the label is an acid, whatever its properties say; one without a figure stands above the table', () => {
    const plain: Product = { ...PRODUCT, id: 'p', properties: [] }
    const step = stepOf({ product: { productId: 'p', useId: PRODUCT.uses[0]!.id } })
    expect([...read(step, [plain]).properties]).toEqual(
      expect.arrayContaining(['acid', 'exfoliating']),
    )
    expect(rungOf(step, 'acid', [{ ...PRODUCT, id: 'p', actives: [] }])).toBe(5)
  })
  test('a mask of forty-five minutes and a paste of eight are both held, by their own maker’s minutes', () => {
    const use = ENZYME.uses[0]!
    const [puttingS, dwellS] = (['apply', 'dwell'] as const).map((kind) =>
      use.segments
        .filter((part) => part.kind === kind)
        .reduce((sum, { usualS }) => sum + usualS, 0),
    ) as [number, number]
    const wholeS = puttingS + dwellS
    const step = (share: number) =>
      stepOf({
        product: { productId: ENZYME.id, useId: use.id },
        segments: use.segments.map((part) =>
          part.kind === 'dwell'
            ? { ...part, minS: 0, usualS: Math.floor((wholeS * share) / 30) * 30 - puttingS }
            : part,
        ),
      })
    expect([0.4, 0.6, 0.8, 1, 1.3].map((share) => rungOf(step(share), 'enzyme'))).toEqual([
      1, 2, 3, 4, 5,
    ])
  })
  test.each([
    ['steam', ['steam'], {}, 'steam', 4],
    ['suction', ['suction'], {}, 'suction', 4],
    ['current', ['current'], {}, 'current', 4],
    ['radio frequency', ['rf'], {}, 'rf', 4],
    ['a light', ['led'], {}, 'light', 4],
    ['a scrub', ['scrub', 'exfoliating'], {}, 'exfoliation', 3],
    ['a retinoid nobody has measured', ['retinoid'], {}, 'retinoid', 4],
    [
      'an extraction of twelve minutes',
      ['extraction'],
      { segments: [segment('on', 'apply', 12)] },
      'extraction',
      4,
    ],
    ['a massage', [], { phase: 'massage' }, 'pressure', 3],
  ] as const)(
    '%s without a lever on the card pulls its lever all the same',
    (_what, properties, more, lever, rung) => {
      const step = stepOf({
        properties: [...properties] as Property[],
        segments: [segment('on', 'apply', 6)],
        ...more,
      } as Partial<Step>)
      expect(rungOf(step, lever)).toBe(rung)
    },
  )
  test('how firm a massage is, its movements say', () => {
    const movement = (pressure: 'light' | 'firm') => ({
      id: pressure,
      path: 'jaw-cheek' as const,
      type: 'effleurage' as const,
      repetitions: 3,
      pressure,
      secondsEach: 3,
      sides: 'each' as const,
      with: 'hands' as const,
    })
    const light = stepOf({
      phase: 'massage',
      properties: ['firm-pressure'],
      movements: [movement('light')],
    })
    const firm = stepOf({ phase: 'massage', movements: [movement('light'), movement('firm')] })
    expect([rungOf(light, 'pressure'), read(light).properties.has('firm-pressure')]).toEqual([
      1,
      false,
    ])
    expect([rungOf(firm, 'pressure'), read(firm).properties.has('firm-pressure')]).toEqual([
      4,
      true,
    ])
  })
  test('a device’s setting is its rung: the start, a quarter, half, three quarters of its range', () => {
    const at = (value: number) =>
      stepOf({
        deviceId: 'tide-suction',
        passes: {
          zones: ['chin'],
          pattern: 'slow slides',
          times: 1,
          setting: { setting: 'vacuum', value, unit: '%', from: 10, to: 80 },
        },
      })
    // Its start is 40 %, its most 80 %.
    expect([10, 40, 50, 60, 70, 80].map((value) => rungOf(at(value), 'suction'))).toEqual([
      1, 1, 2, 3, 4, 5,
    ])
  })
})

describe('derivation is monotone', () => {
  const percent = fc.double({ min: 0.6, max: 40, noNaN: true })
  const pH = fc.double({ min: 2, max: 6, noNaN: true })
  const minutes = fc.integer({ min: 0, max: 60 })
  test('more acid, a lower pH and longer minutes never stand lower', () =>
    fc.assert(
      fc.property(
        percent,
        percent,
        pH,
        pH,
        minutes,
        minutes,
        fc.boolean(),
        (p1, p2, a, b, m1, m2, left) => {
          const least = peelRung(Math.min(p1, p2), Math.max(a, b), Math.min(m1, m2), left)
          expect(
            peelRung(Math.max(p1, p2), Math.min(a, b), Math.max(m1, m2), left),
          ).toBeGreaterThanOrEqual(least)
        },
      ),
      { numRuns: runs(500), seed: 61 },
    ))
  test('what stays on never stands lower than what comes off', () =>
    fc.assert(
      fc.property(percent, minutes, (percent, long) => {
        const minutes = Math.min(long, 2)
        const stays = acidRung({ percent, minutes, isLeftOn: true })
        expect(stays).toBeGreaterThanOrEqual(acidRung({ percent, minutes, isLeftOn: false }))
      }),
      { numRuns: runs(200), seed: 62 },
    ))
  test('a lowered step stands where it was told to, and never lower than rung 1 says', () =>
    fc.assert(
      fc.property(
        percent,
        pH,
        minutes,
        fc.integer({ min: 0, max: 5 }),
        (some, sour, long, rung) => {
          const { step, products } = peel(some, sour, long)
          const subject = read(step, products)
          const lowered = onRung(subject, 'acid', rung)
          if (!lowered) return
          expect(rungOf(lowered, 'acid', products)).toBeLessThanOrEqual(Math.max(rung, 1))
        },
      ),
      { numRuns: runs(500), seed: 63 },
    ))
  test('a layer more, or a property more, never lowers a lever', () =>
    fc.assert(
      fc.property(
        fc.subarray([
          'acid',
          'enzyme',
          'exfoliating',
          'steam',
          'suction',
          'scrub',
          'retinoid',
          'warming',
          'current',
        ] as Property[]),
        fc.constantFrom(
          'acid',
          'enzyme',
          'exfoliating',
          'steam',
          'suction',
          'scrub',
          'retinoid' as Property,
        ),
        (some, more) => {
          const before = read(stepOf({ properties: some }))
          const after = read(stepOf({ properties: [...new Set([...some, more as Property])] }))
          for (const { lever, rung } of before.levers) {
            // Plain exfoliation is a lever of its own only until something says what exfoliates.
            if (lever === 'exfoliation') continue
            expect(
              after.levers.find((pulled) => pulled.lever === lever)?.rung ?? 0,
            ).toBeGreaterThanOrEqual(rung)
          }
          expect(after.points).toBeGreaterThanOrEqual(before.points)
        },
      ),
      { numRuns: runs(300), seed: 64 },
    ))
})

describe('several products in one step', () => {
  const enhancement = stepOf({
    phase: 'enhancement',
    zones: ['lips'],
    product: { productId: 'grape-oil', useId: 'massage' },
    segments: [
      segment('oil', 'apply', 1),
      segment('acid', 'apply', 0.5, { product: { productId: 'lactic-peel', useId: 'peel' } }),
      segment('wait', 'dwell', 1, { product: { productId: 'lactic-peel', useId: 'peel' } }),
      segment('off', 'remove', 0.5, { product: { productId: 'lactic-peel', useId: 'peel' } }),
    ],
  })
  test('each is seen with its own minutes; what is safe in one excuses no other', () => {
    const { parts, levers, product } = read(enhancement)
    expect(parts.map((part) => part.product?.id)).toEqual(['grape-oil', 'lactic-peel'])
    expect(levers).toContainEqual({ lever: 'acid', rung: 1 })
    expect(product?.id).toBe('grape-oil')
    expect(parts[0]!.properties.has('acid')).toBe(false)
  })
})
