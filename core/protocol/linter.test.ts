import { describe, expect, test } from 'vitest'
import { protocolOf } from '../../tests/situations'
import { BROKEN, coming, found, read, steam, without, work } from '../../tests/wrong-orders'
import { ACID, BRIGHTENING, CLARIFYING, CARDS } from '../../tests/fixtures'
import { lint, type Step } from '.'

// Wrong orders of the trade (common practice, no source): each once broken, and once mended.
describe('wrong orders', () => {
  test.each(BROKEN)('%s: %s', (id, _what, steps) => expect(found(steps)).toContain(id))
  test.each(CARDS.map((protocol) => [protocol.name, protocol] as const))(
    '%s is free of them as written',
    (_name, protocol) => {
      expect(
        lint(protocol.steps.map(read), true).filter((finding) => finding.level === 'wrong'),
      ).toEqual([])
    },
  )
})

describe('what is no fault', () => {
  const GOOD: readonly (readonly [string, string, Step[]])[] = [
    [
      'L13',
      'a blade on blotted skin',
      [work('wash', ['cleansing']), work('blot', ['blotting']), work('blade', ['blade'])],
    ],
    [
      'L14',
      'an ultrasonic spatula on damp skin',
      [work('wash', ['cleansing']), work('spatula', ['ultrasonic-blade'])],
    ],
    ['L15', 'current with its gel', [work('wands', ['current'], { tray: ['conductive gel'] })]],
    [
      'L16',
      'oil washed off',
      [
        work('oil', [], { product: { productId: 'grape-oil', useId: 'massage' } }),
        work('wash', ['cleansing']),
        work('wands', ['current', 'conductive']),
      ],
    ],
    [
      'L18',
      'soothed in between',
      [
        work('peel', ['stings'], coming('sponge')),
        work('gel', ['calming']),
        work('enzyme', ['exfoliating', 'enzyme']),
      ],
    ],
    [
      'L19',
      'two points, on normal skin',
      [work('a', ['scrub', 'exfoliating']), work('b', ['enzyme', 'exfoliating'])],
    ],
    ['L21', 'a retinoid mask that comes off', [work('mask', ['retinoid'], coming('gauze'))]],
    [
      'L26',
      'needling with its sterile tip',
      [work('needles', ['needling'], { tray: ['sterile cartridge'] })],
    ],
    [
      'L29',
      'a cream over a serum',
      [
        work('serum', ['leave-on'], {
          phase: 'serum',
          product: { productId: 'niacin-serum', useId: 'serum' },
        }),
        work('cream', ['leave-on'], {
          phase: 'moisturise',
          product: { productId: 'dune-cream', useId: 'cream' },
        }),
      ],
    ],
    [
      'L29',
      'a serum after the cream was washed off',
      [
        work('cream', ['leave-on'], {
          phase: 'moisturise',
          product: { productId: 'dune-cream', useId: 'cream' },
        }),
        work('wash', ['cleansing']),
        work('serum', ['leave-on'], {
          phase: 'serum',
          product: { productId: 'niacin-serum', useId: 'serum' },
        }),
      ],
    ],
    [
      'L09',
      'eye gel under a tightening mask',
      [
        work('gel', ['eye-work'], { zones: ['under-eye-left'] }),
        work('mask', ['tightening'], { zones: ['under-eye-left'] }),
      ],
    ],
    [
      'L09',
      'a mask that leaves the eyes free',
      [work('mask', ['tightening', 'drying'], { zones: ['forehead', 'cheek-left'] })],
    ],
  ]
  test.each(GOOD)('%s: %s', (id, _what, steps) => expect(found(steps)).not.toContain(id))
  test('an evening without sun protection', () =>
    expect(found(without(ACID, 'sun'), false)).not.toContain('L11'))
  test('a visit that treats nothing needs no sun protection', () =>
    expect(found(protocolOf(CLARIFYING.steps.find((step) => step.id === 'bye')!).steps)).toEqual(
      [],
    ))
  test('high frequency before the lotion', () =>
    expect(
      found([
        ...CLARIFYING.steps.slice(0, 9),
        {
          ...CLARIFYING.steps[3]!,
          id: 'later',
          product: { productId: 'thyme-spirit', useId: 'tone' },
        },
        ...CLARIFYING.steps.slice(9),
      ]),
    ).not.toContain('L12'))
  test('a leave-on without a way off', () => expect(found(BRIGHTENING.steps)).not.toContain('L01'))
  test('steam and acid on zones that do not meet', () => {
    const away = { ...steam, zones: ['neck-front' as const], segments: steam.segments }
    expect(found([...ACID.steps.slice(0, 6), away, ...ACID.steps.slice(6)])).not.toContain('L04')
  })
  test('every finding says what to do', () => {
    for (const [, , steps] of BROKEN)
      for (const finding of lint(steps.map(read), true))
        expect([finding.says, finding.fix].every((text) => text.endsWith('.'))).toBe(true)
  })
})
