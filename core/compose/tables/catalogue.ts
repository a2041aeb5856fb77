import type { Product } from '../../catalog/model'
import type { Segment, Step } from '../../protocol/model'
import { segment } from '../../protocol/segments'
import type { LeverId, Phase, Property } from '../../protocol/words'
import {
  EYE_CONTOUR,
  EYES,
  FACE,
  FACE_NECK,
  NECK,
  NOSE,
  T_ZONE,
  type ZoneId,
} from '../../skin/zones'

/**
 * A kind of step as the trade knows it, with defaults to start from: usual minutes of hands, processing and removal (common practice, no
 * source), zones, and where its product or device is found on the shelf. The product's own use wins over the minutes here.
 */
export interface CatalogueRow {
  readonly id: string
  readonly name: string
  /** Done now and then: behind what else is called so. */
  readonly seldom?: true
  /** Other words people type. */
  readonly also: string
  readonly phase: Phase
  readonly zones: readonly ZoneId[]
  /** The first product in stock that fits: its kind, the phase of its use, a property it has. */
  readonly product?: {
    readonly kinds: readonly Product['kind'][]
    readonly phase: Phase
    readonly property?: Property
    readonly without?: readonly Property[]
  }
  /** The first device with this property. */
  readonly device?: Property
  /** Properties the step has of its own, where neither product nor device brings them. */
  readonly properties: readonly Property[]
  readonly segments: readonly Segment[]
  readonly more?: Partial<
    Pick<
      Step,
      | 'essential'
      | 'priority'
      | 'floating'
      | 'gate'
      | 'tray'
      | 'say'
      | 'passes'
      | 'repeat'
      | 'onlyIf'
      | 'condition'
    >
  >
  readonly lever?: readonly [LeverId, number]
  /** Goes with the step before it. */
  readonly closesBefore?: true
}

type Time = number | readonly [number, number, number]
const on = (time: Time, more: Partial<Segment> = {}) => segment('on', 'apply', time, more)
const mix = (time: Time, more: Partial<Segment> = {}) => segment('mix', 'prepare', time, more)
const off = (
  time: Time,
  tool: Segment['tool'] = 'sponge',
  temperature: Segment['temperature'] = 'lukewarm',
  more: Partial<Segment> = {},
) => segment('off', 'remove', time, { tool: tool!, temperature: temperature!, ...more })
const dry = (time: Time) => segment('dry', 'settle', time)
const FREE: NonNullable<Segment['admits']> = [
  'quiet',
  'hands',
  'arms',
  'feet',
  'scalp',
  'shoulders',
  'lips',
  'eyes',
]
const COVERED: NonNullable<Segment['admits']> = ['quiet', 'hands', 'arms', 'feet']
const dwell = (
  time: Time,
  admits: NonNullable<Segment['admits']> = FREE,
  more: Partial<Segment> = {},
) => segment('dwell', 'dwell', time, { presence: 'room', admits, ...more })
const acts = (time: Time, more: Partial<Segment> = {}) =>
  segment('dwell', 'dwell', time, { presence: 'client', admits: [], active: true, ...more })
const start = segment('start', 'apply', 0.5)
const end = segment('end', 'remove', 0.5, { tool: 'none' })
/** Changing the handpiece, clicking the tip in: hands, before the work. */
const change = (time: Time) => segment('change', 'prepare', time, { potLifeS: 600 })

type More = Omit<Partial<CatalogueRow>, 'id' | 'name' | 'also' | 'segments'>
const row = (
  id: string,
  name: string,
  also: string,
  phase: Phase,
  segments: readonly Segment[],
  more: More = {},
): CatalogueRow => ({ id, name, also, phase, segments, zones: FACE_NECK, properties: [], ...more })
const from = (
  phase: Phase,
  kinds: readonly Product['kind'][],
  property?: Property,
  without?: readonly Property[],
): Pick<CatalogueRow, 'product'> => ({
  product: { kinds, phase, ...(property ? { property } : {}), ...(without ? { without } : {}) },
})
const hang = (
  needs: NonNullable<Step['floating']>['needs'],
): NonNullable<CatalogueRow['more']> => ({ floating: { needs }, priority: 1 })
const MUST = { essential: true, priority: 5 } as const
const READY: NonNullable<Step['onlyIf']>['sees'] = ['congestion', 'ready-lesion', 'ingrown']

/** Every row of the trade's table of usual times. */
const STEPS: readonly CatalogueRow[] = [
  row('welcome', 'Welcome ritual', 'hands feet bath arms oil', 'welcome', [on([3, 4, 5])], {
    zones: ['hands', 'arms'],
    more: { priority: 2, tray: ['bowl of warm water', 'hand towel'] },
  }),
  row(
    'eye-makeup',
    'Eye and lip make-up off',
    'remover mascara',
    'eye-makeup',
    [on([2, 2.5, 3]), off(0.5, 'gauze')],
    { zones: [...EYES, 'lips'], ...from('eye-makeup', ['makeup-remover']), more: MUST },
  ),
  row(
    'first-cleanse',
    'First cleanse',
    'surface wash milk',
    'first-cleanse',
    [on(1), off([1, 1.5, 2])],
    { ...from('first-cleanse', ['cleanser']), more: MUST },
  ),
  row(
    'second-cleanse',
    'Second cleanse',
    'deep wash foam',
    'second-cleanse',
    [on(1), off([1, 1.5, 2])],
    { ...from('second-cleanse', ['cleanser']), more: { ...MUST, priority: 4 } },
  ),
  row('lamp', 'Look under the lamp', 'analysis reading skin', 'analysis', [on([2, 3, 5])], {
    zones: FACE,
    more: { ...MUST, gate: 'lamp', tray: ['eye pads', 'lamp'] },
  }),
  row(
    'check',
    'Quick check behind the ear',
    'test sting',
    'analysis',
    [on(0.5), segment('wait', 'apply', 1.5)],
    {
      zones: ['ears'],
      more: {
        gate: 'quick-check',
        tray: ['cotton buds'],
        say: 'A little behind your ear first. Tell me if it stings; it is no allergy test.',
      },
    },
  ),
  row('tone', 'Tone', 'mist lotion press', 'tone', [on(0.5), dry(0.2)], {
    ...from('tone', ['toner'], 'toning', ['flammable']),
    properties: ['toning'],
    more: { priority: 3 },
  }),
  row('blot', 'Blot dry', 'tissue press', 'tone', [on(0.5)], {
    zones: FACE,
    properties: ['blotting'],
    more: { tray: ['tissue with an opening'] },
  }),
  row('damp', 'Dampen with a wet sponge', 'wet moisten', 'tone', [on(0.5)], {
    zones: FACE,
    properties: ['cleansing'],
    more: { tray: ['damp sponges, pair'] },
  }),
  row('wipe', 'Wipe the oil off', 'remove film', 'tone', [on(1)], {
    properties: ['cleansing'],
    more: { tray: ['damp sponges, pair'] },
  }),
  row('scrub', 'Scrub', 'beads grains mechanical', 'exfoliate', [on([2, 2.5, 3]), off(2)], {
    zones: FACE,
    ...from('exfoliate', ['scrub']),
    properties: ['exfoliating', 'scrub', 'mechanical'],
    lever: ['exfoliation', 2],
  }),
  row('gommage', 'Gommage, rubbed off', 'roll peel', 'exfoliate', [on([3, 4, 5]), off(1)], {
    zones: FACE,
    ...from('exfoliate', ['gommage']),
    properties: ['exfoliating', 'gommage'],
    lever: ['exfoliation', 2],
    more: { say: 'It rolls off as it dries; warmth is expected.' },
  }),
  row(
    'enzyme',
    'Enzyme',
    'powder pineapple papaya ferment',
    'exfoliate',
    [
      mix(1, { potLifeS: 240 }),
      on([1, 1.5, 2]),
      dwell([2, 8, 10], ['quiet'], { active: true }),
      off(2),
    ],
    {
      ...from('exfoliate', ['enzyme']),
      properties: ['exfoliating', 'enzyme', 'softening'],
      lever: ['enzyme', 3],
      more: { priority: 4, say: 'You should hardly feel this one.' },
    },
  ),
  row(
    'acid',
    'Acid, rinsed off',
    'peel glycolic lactic',
    'exfoliate',
    [on(1), acts([1, 3, 5]), off(2, 'sponge', 'cool')],
    {
      zones: FACE,
      ...from('exfoliate', ['acid'], undefined, ['leave-on']),
      properties: ['exfoliating', 'acid', 'stings', 'wants-dry'],
      lever: ['acid', 2],
      more: { priority: 5, tray: ['fan'], say: 'It may sting for a minute. I fan it.' },
    },
  ),
  row(
    'acid-leave-on',
    'Acid solution, left on',
    'peel layer',
    'exfoliate',
    [on(1), dry([1, 1.5, 2])],
    {
      zones: FACE,
      ...from('exfoliate', ['acid'], 'leave-on'),
      properties: ['exfoliating', 'acid', 'stings', 'wants-dry', 'leave-on'],
      lever: ['acid', 2],
      more: { priority: 5, tray: ['fan', 'gauze pads'] },
    },
  ),
  row(
    'acid-short',
    'Short acid after extraction',
    'firm pores minute',
    'calm',
    [on(1), acts([1, 1.5, 2]), off(1.5, 'sponge', 'cool')],
    {
      zones: FACE,
      ...from('calm', ['acid']),
      properties: ['exfoliating', 'acid', 'stings', 'wants-dry'],
      lever: ['acid', 1],
    },
  ),
  row(
    'neutralise',
    'Neutralise',
    'foam soda stop',
    'neutralise',
    [on(1, { end: { by: 'sign', sign: 'no more foam comes' } }), off(1, 'sponge', 'cool')],
    {
      ...from('neutralise', ['neutraliser']),
      properties: ['neutralising'],
      closesBefore: true,
      more: MUST,
    },
  ),
  row('soothe', 'Soothing gel', 'calm cool after', 'calm', [on(1), dry(0.5)], {
    ...from('calm', ['soothing'], undefined, ['salicylic-strong']),
    properties: ['calming', 'leave-on'],
    closesBefore: true,
  }),
  row(
    'cleanser-mask',
    'Cleanser left on as a mask',
    'ten minutes',
    'mask',
    [on(1), dwell([8, 10, 12]), off(2)],
    { ...from('second-cleanse', ['cleanser']), properties: ['cleansing'], seldom: true },
  ),
  row(
    'steam',
    'Steam',
    'vapour steamer',
    'soften',
    [
      start,
      dwell([3, 5, 10], ['quiet', 'hands'], { active: true, blocks: [...EYES, 'lips'] }),
      end,
    ],
    {
      zones: FACE,
      device: 'steam',
      properties: ['softening'],
      lever: ['steam', 3],
      more: { priority: 2 },
    },
  ),
  row(
    'pads',
    'Softening pads on the T-zone',
    'compress',
    'soften',
    [on(1), dwell(5), off(0.5, 'gauze')],
    { zones: T_ZONE, properties: ['softening'] },
  ),
  row(
    'concentrate-soften',
    'Hydrating concentrate',
    'instead of steam soften',
    'soften',
    [on(1), dry(0.5)],
    { ...from('soften', ['concentrate']), properties: ['softening', 'leave-on'] },
  ),
  row('extract', 'Extraction', 'comedones blackheads lesions', 'extract', [on([3, 8, 15])], {
    zones: [...NOSE, 'chin', 'forehead'],
    properties: ['extraction'],
    lever: ['extraction', 3],
    more: {
      priority: 5,
      condition: 'only what is ready',
      onlyIf: { gate: 'lamp', sees: READY },
      tray: ['tissue', 'gloves, new pair after'],
    },
  }),
  row('high-frequency', 'High frequency', 'electrode ozone', 'calm', [on([3, 4, 5])], {
    zones: [...NOSE, 'chin', 'forehead'],
    device: 'spark',
    properties: ['current', 'calming', 'spark'],
    lever: ['current', 1],
    more: { priority: 2 },
  }),
  row('spot', 'Spot care on active lesions', 'pimple blemish only', 'calm', [on(0.5), dry(0.5)], {
    zones: ['chin', 'cheek-left', 'cheek-right'],
    ...from('calm', ['soothing']),
    properties: ['calming', 'leave-on'],
    more: { condition: 'only lesions that are active' },
  }),
  row(
    'massage',
    'Massage',
    'strokes effleurage oil',
    'massage',
    [on([5, 10, 20]), off([1, 1.5, 2], 'towel', 'warm')],
    { ...from('massage', ['massage']), lever: ['pressure', 3] },
  ),
  row(
    'concentrate',
    'Concentrate or ampoule',
    'vial press',
    'concentrate',
    [on([1, 1.5, 2]), dry([1, 1.5, 2])],
    { ...from('concentrate', ['concentrate']), properties: ['leave-on'] },
  ),
  row(
    'patches',
    'Line patches, moistened',
    'wrinkle strips',
    'mask',
    [on([3, 3.5, 4]), dwell(5, ['quiet'])],
    {
      zones: [
        'forehead',
        'glabella',
        ...EYE_CONTOUR,
        'nasolabial-left',
        'nasolabial-right',
        'upper-lip',
      ],
      ...from('mask', ['mask'], 'leave-on'),
      properties: ['leave-on'],
      more: { condition: 'they come off with the mask', tray: ['wet brush'] },
    },
  ),
  row(
    'mask',
    'Cream or clay mask',
    'cream clay calming',
    'mask',
    [on([2, 2.5, 3]), dwell([10, 15, 20]), off([2, 2.5, 3])],
    {
      ...from('mask', ['mask'], undefined, [
        'self-heating',
        'warming',
        'tightening',
        'film-peel',
        'retinoid',
        'leave-on',
        'occludes-eyes',
        'open-skin-use',
      ]),
      more: { priority: 4 },
    },
  ),
  row(
    'mask-retinoid',
    'Firming retinoid mask',
    'evening vitamin a',
    'mask',
    [on(2), dwell([6, 8, 8], FREE, { active: true }), off(2)],
    {
      zones: FACE,
      ...from('mask', ['mask'], 'retinoid'),
      properties: ['retinoid'],
      lever: ['retinoid', 2],
    },
  ),
  row(
    'mask-warming',
    'Warming-catalyst mask',
    'additive heat',
    'mask',
    [
      mix(1, { potLifeS: 180 }),
      on([1, 1.5, 2]),
      acts([12, 13, 15], { presence: 'room', admits: ['quiet'] }),
      off(2, 'towel', 'room'),
    ],
    {
      zones: FACE,
      ...from('mask', ['mask'], 'warming', ['self-heating']),
      properties: ['warming', 'heat'],
      more: { say: 'Pink and tingling by minute two; it cools from about fifteen.' },
    },
  ),
  row(
    'mask-eye',
    'Eye mask',
    'contour pads',
    'eye',
    [on(1), dwell([10, 12, 20], ['quiet', 'hands', 'arms', 'feet', 'scalp', 'lips']), off(1)],
    { zones: EYE_CONTOUR, ...from('mask', ['eye']), properties: ['eye-work'] },
  ),
  row(
    'mask-film',
    'Film peel-off mask',
    'peel dry',
    'mask',
    [
      on([2, 2.5, 3]),
      dwell([15, 17, 20], COVERED, { end: { by: 'both', sign: 'dry to the touch' } }),
      off(1, 'lift-off', 'lukewarm'),
    ],
    { zones: FACE, ...from('mask', ['mask'], 'film-peel'), properties: ['film-peel'] },
  ),
  row(
    'mask-alginate',
    'Two-part alginate mask',
    'algae set rubber',
    'mask',
    [
      mix(1, { potLifeS: 30, workingS: 240 }),
      on(2),
      dwell([15, 16, 20], [...COVERED, 'lips', 'scalp', 'shoulders']),
      off(1, 'lift-off', 'lukewarm'),
    ],
    {
      zones: FACE,
      ...from('mask', ['mask'], 'sets', ['self-heating', 'warming']),
      properties: ['sets'],
      more: { priority: 5, tray: ['flexible bowl', 'measured water'] },
    },
  ),
  row(
    'mask-self-heating',
    'Self-heating set mask',
    'plaster thermal',
    'mask',
    [
      mix(1, { potLifeS: 30, workingS: 300 }),
      on(3),
      dwell([20, 24, 30], [...COVERED, 'lips'], { active: true }),
      off(2, 'lift-off', 'lukewarm'),
    ],
    {
      zones: FACE,
      ...from('mask', ['mask'], 'self-heating'),
      properties: ['self-heating', 'heat', 'sets'],
      more: {
        priority: 5,
        tray: ['flexible bowl', 'distilled water'],
        say: 'It warms for some minutes, then cools.',
      },
    },
  ),
  row(
    'mask-tightening',
    'Tightening enzyme mask, layered',
    'coats muscles lift',
    'mask',
    [
      mix(1, { potLifeS: 300 }),
      on(2, { id: 'coat1', coat: 1 }),
      on(1.5, { id: 'coat2', coat: 2 }),
      on(1.5, { id: 'coat3', coat: 3 }),
      dwell([40, 45, 45], ['quiet'], { presence: 'room' }),
      off([4, 5, 6], 'sponge', 'lukewarm', {
        end: { by: 'repeat', sign: 'the brush stays clean', usualCount: 2, maxCount: 4 },
      }),
    ],
    {
      ...from('mask', ['mask'], 'tightening'),
      properties: ['tightening', 'enzyme', 'exfoliating'],
      more: { priority: 5, tray: ['foam and brush', 'one towel more'] },
    },
  ),
  row(
    'mask-sheet',
    'Sheet mask',
    'cloth fleece',
    'mask',
    [on(1), dwell([10, 15, 20], COVERED), off(0.5, 'lift-off', 'lukewarm')],
    { zones: FACE, ...from('mask', ['mask'], 'occludes-mouth'), properties: [] },
  ),
  row('serum', 'Serum', 'drops', 'serum', [on(1), dry(0.5)], {
    ...from('serum', ['serum']),
    properties: ['leave-on'],
  }),
  row('eye', 'Eye care', 'eye gel cream', 'eye', [on(0.5)], {
    zones: EYE_CONTOUR,
    ...from('eye', ['eye']),
    properties: ['eye-work', 'leave-on'],
  }),
  row('moisturise', 'Moisturiser', 'cream finish', 'moisturise', [on(1)], {
    ...from('moisturise', ['moisturiser'], undefined, ['retinoid']),
    properties: ['leave-on'],
    more: MUST,
  }),
  row('night-retinoid', 'Night retinoid', 'vitamin a evening', 'moisturise', [on(1)], {
    zones: FACE,
    ...from('moisturise', ['moisturiser'], 'retinoid'),
    properties: ['retinoid', 'leave-on'],
    lever: ['retinoid', 2],
    more: { condition: 'evening only' },
  }),
  row('sun', 'Sun protection', 'spf protection day', 'sun', [on(1)], {
    ...from('sun', ['sun']),
    properties: ['sun-filter', 'leave-on'],
    more: { essential: true, priority: 5 },
  }),
  row('lip', 'Lip balm', 'lips finish', 'lip', [on(0.5)], {
    zones: ['lips'],
    ...from('lip', ['lip']),
    properties: ['lip-safe', 'leave-on'],
  }),
  row(
    'lips',
    'Lip enhancement',
    'add-on mask wand',
    'enhancement',
    [
      on(2),
      dwell([5, 6, 7], ['quiet'], { active: true }),
      off(1, 'gauze'),
      segment('oil', 'apply', 1),
    ],
    {
      zones: ['lips'],
      ...from('enhancement', ['lip']),
      properties: ['lip-safe'],
      more: {
        ...hang('lips'),
        tray: ['soft wand'],
        say: 'You may feel a little tingling on the lips.',
      },
    },
  ),
  row('scalp', 'Scalp massage', 'head hair', 'enhancement', [on([3, 5, 10])], {
    zones: ['scalp'],
    more: { ...hang('scalp'), say: 'May I touch your hair?' },
  }),
  row('hands', 'Hand massage', 'palms fingers', 'enhancement', [on([3, 5, 10])], {
    zones: ['hands'],
    more: hang('hands'),
  }),
  row('arms', 'Arm massage', 'forearm', 'enhancement', [on([3, 5, 10])], {
    zones: ['arms'],
    more: hang('arms'),
  }),
  row('feet', 'Foot massage', 'soles legs', 'enhancement', [on([3, 6, 10])], {
    zones: ['feet'],
    more: hang('feet'),
  }),
  row('shoulders', 'Shoulder massage', 'neck nape', 'enhancement', [on([3, 5, 10])], {
    zones: ['shoulders'],
    more: hang('shoulders'),
  }),
  row(
    'tidy',
    'Tidy and lay out',
    'trolley notes bowls',
    'enhancement',
    [segment('tidy', 'hygiene', [1, 2, 5])],
    { zones: ['hands'], more: hang('quiet') },
  ),
  row('close', 'Close: mirror, water, home care', 'bye goodbye rebook', 'close', [on([3, 4, 5])], {
    more: { ...MUST, tray: ['glass of water', 'mirror'] },
  }),
]

const device = (
  id: string,
  name: string,
  also: string,
  property: Property,
  segments: readonly Segment[],
  more: More = {},
): CatalogueRow =>
  row(id, name, also, 'device', segments, { zones: FACE, device: property, ...more })
const gel = { tray: ['conductive gel'] }
/** Every row of the trade's table of devices; the maker's manual wins over the minutes here. */
const DEVICES: readonly CatalogueRow[] = [
  device(
    'hydro-dermabrasion',
    'Hydro-dermabrasion',
    'jet suction tip water',
    'suction',
    [change(0.5), on([8, 10, 12])],
    {
      phase: 'exfoliate',
      properties: ['suction', 'exfoliating'],
      lever: ['suction', 2],
      more: {
        priority: 5,
        passes: {
          zones: [...NOSE, 'forehead', 'chin'],
          pattern: 'point to point, then slow slides',
          times: 1,
          level: '40 %',
        },
      },
    },
  ),
  device(
    'ultrasonic-blade',
    'Ultrasonic spatula',
    'spatula skin scrubber',
    'ultrasonic-blade',
    [change(0.5), on([3, 4, 5])],
    { properties: ['ultrasonic-blade', 'exfoliating', 'wants-damp'] },
  ),
  device('vibration', 'Vibration massage', 'plate', 'pressure', [on([3, 4, 5])], {
    properties: ['pressure'],
    lever: ['pressure', 2],
  }),
  device(
    'galvanic',
    'Galvanic infusion, two polarities',
    'ionto rollers balls current',
    'current',
    [
      change(0.5),
      on(5, { id: 'negative', polarity: 'negative' }),
      on(5, { id: 'positive', polarity: 'positive' }),
      off(1, 'spatula'),
    ],
    {
      properties: ['current', 'infusion'],
      lever: ['current', 2],
      more: { priority: 5, tray: ['two conductive gels', 'rollers', 'balls'] },
    },
  ),
  device(
    'microcurrent',
    'Microcurrent lift',
    'wands lift',
    'current',
    [change(0.5), on([8, 10, 12])],
    {
      properties: ['current'],
      lever: ['current', 1],
      more: {
        priority: 4,
        ...gel,
        passes: {
          zones: ['jaw-left', 'jaw-right', 'cheek-left', 'cheek-right', 'forehead'],
          pattern: 'slow slides',
          times: 3,
          level: 'start level, then by feeling',
        },
      },
    },
  ),
  device(
    'rf',
    'Radio frequency',
    'rf heat tighten',
    'rf',
    [change(0.5), on([10, 14, 14]), off(1)],
    {
      properties: ['rf', 'heat'],
      more: {
        priority: 5,
        ...gel,
        passes: {
          zones: ['cheek-left', 'cheek-right', 'jaw-left', 'jaw-right', 'forehead'],
          pattern: 'small circles',
          times: 3,
          level: 'always moving, at most 3 s in one place',
        },
      },
    },
  ),
  device(
    'ultrasound',
    'Ultrasound infusion',
    'sonophoresis',
    'ultrasound',
    [change(0.5), on([10, 15, 15]), off(1)],
    {
      properties: ['ultrasound', 'infusion'],
      more: {
        priority: 4,
        ...gel,
        passes: {
          zones: ['cheek-left', 'cheek-right', 'forehead', 'chin'],
          pattern: 'small circles',
          times: 1,
        },
      },
    },
  ),
  device('cold', 'Cold hammer or globes', 'ice calm', 'cold', [on([3, 6, 10])], {
    phase: 'calm',
    properties: ['cold', 'calming'],
    more: { priority: 2 },
  }),
  device('jet', 'Oxygen or water jet', 'spray aerosol', 'aerosol', [change(0.5), on([8, 10, 10])], {
    properties: ['aerosol', 'infusion'],
    more: {
      say: 'Breathe through your mouth while I am at the nose.',
      passes: {
        zones: [...NOSE, 'cheek-left', 'cheek-right', 'forehead', 'chin'],
        pattern: 'slow slides',
        times: 1,
      },
    },
  }),
  device(
    'measured-infusion',
    'Measured infusion',
    'needle-free injector dose',
    'measured-infusion',
    [change(1), on([15, 18, 20]), off(1)],
    {
      properties: ['measured-infusion', 'infusion'],
      more: {
        priority: 5,
        tray: ['sterile single-use tip', 'ampoule 4 mL'],
        passes: {
          zones: ['forehead', 'cheek-left', 'cheek-right', 'chin', 'temple-left', 'temple-right'],
          pattern: 'small circles',
          times: 1,
          level: 'lower at the temples',
        },
      },
    },
  ),
  device(
    'mechanical-peel',
    'Mechanical peel handpiece',
    'diamond dermabrasion',
    'mechanical',
    [change(0.5), on([5, 6, 8]), off(1)],
    {
      phase: 'exfoliate',
      properties: ['mechanical', 'exfoliating', 'wants-dry'],
      lever: ['exfoliation', 3],
      more: {
        priority: 5,
        passes: {
          zones: ['forehead', 'cheek-left', 'cheek-right', 'chin', ...NOSE],
          pattern: 'side to side',
          times: 1,
          level: 'feather pressure',
        },
      },
    },
  ),
  device(
    'needling',
    'Needling handpiece',
    'micro channels scar',
    'needling',
    [change(1), on([10, 12, 15])],
    {
      properties: ['needling'],
      more: {
        priority: 5,
        tray: ['sterile single-use tip', 'cartridge lot noted'],
        passes: {
          zones: ['cheek-left', 'cheek-right'],
          pattern: 'scar or pigment: dots, then circles',
          times: 1,
          level: '0.25 mm',
        },
      },
    },
  ),
  device('blade', 'Blade', 'dermaplaning peach fuzz', 'blade', [on([8, 10, 12])], {
    phase: 'exfoliate',
    properties: ['blade', 'exfoliating'],
    more: { priority: 5, tray: ['sterile single-use blade', 'sharps container'] },
  }),
  device(
    'light',
    'LED panel',
    'led red blue',
    'led',
    [
      start,
      dwell([8, 10, 20], ['quiet', 'hands', 'arms', 'feet'], {
        active: true,
        blocks: [...EYES, 'lips'],
      }),
      end,
    ],
    { properties: ['led'], more: { priority: 2, tray: ['eye shields'] } },
  ),
  device('current-gloves', 'Contour or glove current', 'gloves firm', 'current', [on([5, 8, 10])], {
    zones: [...FACE, ...NECK],
    properties: ['current'],
    lever: ['current', 1],
    more: gel,
  }),
]

/** The catalogue of steps in the order of work; ids are stable. */
export const STEP_CATALOGUE: readonly CatalogueRow[] = [...STEPS, ...DEVICES]
