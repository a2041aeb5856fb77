import { ACID, BRIGHTENING, CLARIFYING, SHELF } from './fixtures'
import { lint, segment, type Segment, type Step } from '#core/protocol'
import { subjectReader } from '#core/strength'

// Wrong orders of the trade (common practice, no source), each on a ladder of its own.
export const read = subjectReader(SHELF)
/** One step with these properties, before or after others. */
export const work = (
  id: string,
  properties: Step['properties'],
  more: Partial<Step> = {},
): Step => ({
  id,
  phase: 'device',
  title: id,
  zones: ['forehead'],
  properties,
  segments: [segment('on', 'apply', 3)],
  essential: false,
  priority: 3,
  ...more,
})
export const coming = (tool: 'sponge' | 'gauze'): Partial<Step> => ({
  segments: [segment('on', 'apply', 3), segment('off', 'remove', 1, { tool })],
})
export const found = (steps: readonly Step[], daytime = true) =>
  lint(steps.map(read), daytime).map((finding) => finding.id)
export const without = (protocol: typeof ACID, ...ids: string[]) =>
  protocol.steps.filter((step) => !ids.includes(step.id))
const changed = (protocol: typeof ACID, id: string, change: (step: Step) => Partial<Step>) =>
  protocol.steps.map((step) => (step.id === id ? { ...step, ...change(step) } : step))
const segments = (step: Step, change: (segment: Segment) => Segment | undefined) => ({
  segments: step.segments.flatMap((segment) => change(segment) ?? []),
})
const moved = (protocol: typeof ACID, id: string, to: number) => {
  const rest = without(protocol, id)
  return [...rest.slice(0, to), protocol.steps.find((step) => step.id === id)!, ...rest.slice(to)]
}
export const steam = CLARIFYING.steps.find((step) => step.id === 'steam')!

export const BROKEN: readonly (readonly [id: string, what: string, steps: readonly Step[]])[] = [
  [
    'L01',
    'a mask without a way off',
    changed(BRIGHTENING, 'kelp', (step) =>
      segments(step, (segment) => (segment.kind === 'remove' ? undefined : segment)),
    ),
  ],
  ['L02', 'an acid without its neutraliser', without(ACID, 'neutralise')],
  ['L02', 'a neutraliser that comes later than directly after', moved(ACID, 'neutralise', 9)],
  ['L03', 'an alkaline wash untoned', without(CLARIFYING, 'tone-1')],
  ['L04', 'steam in an acid visit', [...ACID.steps.slice(0, 6), steam, ...ACID.steps.slice(6)]],
  [
    'L05',
    'an acid taken off warm',
    changed(ACID, 'peel', (step) =>
      segments(step, (segment) =>
        segment.kind === 'remove' ? { ...segment, temperature: 'warm' } : segment,
      ),
    ),
  ],
  ['L06', 'extraction before anything softened', without(CLARIFYING, 'steam', 'scrub')],
  ['L07', 'nothing calming after extraction', without(CLARIFYING, 'hf', 'clearing', 'clay', 'oat')],
  ['L08', 'eye care after the moisturiser', moved(CLARIFYING, 'eye', CLARIFYING.steps.length - 2)],
  [
    'L09',
    'a tightening mask over the eye contour',
    changed(BRIGHTENING, 'kelp', (step) => ({
      properties: ['tightening'],
      zones: [...step.zones, 'under-eye-left' as const],
    })),
  ],
  [
    'L10',
    'an active dwell past its own maximum',
    changed(BRIGHTENING, 'enzyme', (step) =>
      segments(step, (segment) =>
        segment.active ? { ...segment, usualS: segment.maxS + 60 } : segment,
      ),
    ),
  ],
  ['L11', 'a day without sun protection', without(ACID, 'sun')],
  [
    'L12',
    'a flammable lotion left on under high frequency',
    changed(CLARIFYING, 'tone-1', () => ({
      product: { productId: 'thyme-spirit', useId: 'tone' },
    })),
  ],
  ['L13', 'a blade on damp skin', [work('wash', ['cleansing']), work('blade', ['blade'])]],
  [
    'L14',
    'an ultrasonic spatula on dry skin',
    [work('blot', ['blotting']), work('spatula', ['ultrasonic-blade'])],
  ],
  ['L15', 'current without gel', [work('wands', ['current'])]],
  [
    'L16',
    'oil under an electrode',
    [
      work('oil', [], { product: { productId: 'grape-oil', useId: 'massage' } }),
      work('wands', ['current', 'conductive']),
    ],
  ],
  [
    'L17',
    'a self-heating mask after an acid',
    [work('peel', ['acid', 'exfoliating']), work('ember', ['self-heating'])],
  ],
  [
    'L18',
    'nothing soothing between a sting and the next active',
    [work('peel', ['stings'], coming('sponge')), work('enzyme', ['exfoliating', 'enzyme'])],
  ],
  [
    'L19',
    'more exfoliation than any skin takes',
    [
      work('a', ['mechanical', 'exfoliating']),
      work('b', ['mechanical', 'exfoliating']),
      work('c', ['gommage', 'exfoliating']),
    ],
  ],
  [
    'L20',
    'a mask that sets before it is on',
    [
      work('mask', [], {
        segments: [segment('mix', 'prepare', 1, { workingS: 60 }), segment('on', 'apply', 3)],
      }),
    ],
  ],
  ['L21', 'a retinoid left on by day', [work('night', ['retinoid'])]],
  [
    'L22',
    'an enhancement with no host',
    [work('lips', [], { phase: 'enhancement', floating: { needs: 'lips' } })],
  ],
  ['L30', 'a scrub on skin that nothing has cleansed', [work('grains', ['scrub', 'exfoliating'])]],
  [
    'L31',
    'a mask over the moisturiser',
    [
      work('wash', ['cleansing']),
      work('cream', ['leave-on'], {
        phase: 'moisturise',
        product: { productId: 'dune-cream', useId: 'cream' },
      }),
      work('sun', [], { phase: 'sun', product: { productId: 'sun-veil', useId: 'sun' } }),
      work('mask', [], { phase: 'mask', ...coming('sponge') }),
    ],
  ],
  [
    'L33',
    'an LED panel behind a sheet it could shine through',
    [
      work('wash', ['cleansing']),
      work('sheet', [], {
        phase: 'mask',
        product: { productId: 'linen-sheet', useId: 'sheet' },
        segments: [
          segment('on', 'apply', 1),
          segment('dwell', 'dwell', [10, 15, 20], { admits: ['quiet'] }),
          segment('off', 'remove', 0.5, { tool: 'lift-off' }),
        ],
      }),
      work('panel', ['led'], { segments: [segment('dwell', 'dwell', [8, 10, 12])] }),
    ],
  ],
  ['L32', 'blotted before nothing', [work('wash', ['cleansing']), work('blot', ['blotting'])]],
  ['L24', 'needling with suction', [work('needles', ['needling']), work('jet', ['suction'])]],
  [
    'L25',
    'a cream on open skin',
    [
      work('needles', ['needling']),
      work('cream', [], { product: { productId: 'dune-cream', useId: 'cream' } }),
    ],
  ],
  ['L26', 'needling without a sterile tip on the tray', [work('needles', ['needling'])]],
  [
    'L28',
    'poles that do not run equally long',
    [
      work('galvanic', ['current', 'conductive'], {
        segments: [
          segment('neg', 'apply', 5, { polarity: 'negative' }),
          segment('pos', 'apply', 3, { polarity: 'positive' }),
        ],
      }),
    ],
  ],
  [
    'L28',
    'one pole only',
    [
      work('galvanic', ['current', 'conductive'], {
        segments: [segment('neg', 'apply', 5, { polarity: 'negative' })],
      }),
    ],
  ],
  [
    'L29',
    'a serum over a cream',
    [
      work('cream', ['leave-on'], {
        phase: 'moisturise',
        product: { productId: 'dune-cream', useId: 'cream' },
      }),
      work('serum', ['leave-on'], {
        phase: 'serum',
        product: { productId: 'niacin-serum', useId: 'serum' },
      }),
    ],
  ],
  [
    'L27',
    'foil over what stands alone',
    [work('mask', ['stand-alone']), work('foil', ['occlusive'])],
  ],
]
