import { segment, type Movement, type ProtocolVersion, type Step } from '#core/protocol'
import { CHEEKS, FACE, NECK, NOSE } from '#core/skin'
import {
  blot,
  bye,
  changeTip,
  close,
  extraction,
  hands,
  lamp,
  light,
  move,
  open,
  pick,
  second,
  soothe,
  step,
  sun,
  tone,
  version,
  withDevice,
  withProduct,
} from './make'

// Cards around a machine, and the mechanical kinds of a corrective course.

const wipe = (id: string, closes: string): Step =>
  step(
    id,
    'remove-tone',
    'Gel off, cleanse between',
    [segment('off', 'remove', [0.7, 1, 1.5], { tool: 'sponge', temperature: 'lukewarm' })],
    { properties: ['cleansing'], closes },
  )
const gel = { tray: ['conductive gel'] }
const globes = (minutes = 4): Step =>
  step('globes', 'calm', 'Cold globes', [hands('roll', minutes)], {
    zones: [...FACE],
    deviceId: 'cold-globes',
    properties: [],
    priority: 2,
    passes: { zones: ['cheek-left', 'cheek-right', 'forehead'], pattern: 'slow slides', times: 6 },
  })
const suction = withDevice(
  'suction',
  'tide-suction',
  'Water suction',
  [changeTip(), segment('work', 'apply', [8, 10, 12])],
  {
    phase: 'exfoliate',
    lever: ['suction', 2],
    priority: 5,
    concern: 'clarify',
    passes: {
      zones: [...NOSE, 'forehead', 'chin'],
      pattern: 'point to point, then slow slides',
      times: 1,
      setting: { setting: 'vacuum', value: 40, unit: '%', from: 20, to: 80 },
    },
    technique: 'Tip flat, lifted at an edge to let go, then the next place; never held still.',
  },
)
const lift = (more = {}): Step =>
  withDevice(
    'wands',
    'microcurrent',
    'Microcurrent lift',
    [changeTip(), segment('lift', 'apply', [8, 10, 12])],
    {
      lever: ['current', 1],
      priority: 4,
      concern: 'firm',
      ...gel,
      passes: {
        zones: ['jaw-left', 'jaw-right', 'cheek-left', 'cheek-right', 'forehead'],
        pattern: 'slow slides',
        times: 3,
        level: 'start level, then by feeling',
      },
      ...more,
    },
  )

const SEVEN_TIDES = version(
  'seven-tides',
  'Seven Tides device facial',
  [
    ...open,
    second,
    lamp,
    suction,
    globes(),
    withDevice(
      'rf',
      'radio-wand',
      'Radio frequency',
      [changeTip(), segment('work', 'apply', [10, 14, 14])],
      {
        priority: 4,
        concern: 'firm',
        ...gel,
        passes: {
          zones: ['cheek-left', 'cheek-right', 'jaw-left', 'jaw-right', 'forehead'],
          pattern: 'small circles',
          times: 3,
          level: 'at most 3 s in one place',
        },
      },
    ),
    wipe('wipe-1', 'rf'),
    withDevice(
      'jet',
      'water-jet',
      'Water jet',
      [changeTip(), segment('work', 'apply', [8, 10, 10])],
      {
        priority: 3,
        say: 'Breathe through your mouth while I am at the nose.',
        passes: { zones: [...NOSE, ...CHEEKS, 'forehead'], pattern: 'slow slides', times: 1 },
      },
    ),
    lift(),
    wipe('wipe-2', 'wands'),
    withDevice(
      'sound',
      'sound-infuser',
      'Ultrasound infusion',
      [changeTip(), segment('work', 'apply', [10, 12, 15])],
      {
        priority: 3,
        concern: 'hydrate',
        ...gel,
        passes: {
          zones: ['cheek-left', 'cheek-right', 'forehead', 'chin'],
          pattern: 'small circles',
          times: 1,
        },
      },
    ),
    wipe('wipe-3', 'sound'),
    light(),
    ...close,
    sun,
    bye,
  ],
  'Owner or somebody with radio frequency in scope.',
)

const STILL_WATER = version(
  'still-water',
  'Still Water brightening',
  [
    ...open,
    withProduct('cleanse-2', 'oat-cleanser', 'second', {
      title: 'Second cleanse, skin left wet',
      essential: true,
    }),
    withDevice(
      'spatula',
      'sound-spatula',
      'Ultrasonic spatula on wet skin',
      [changeTip(), segment('work', 'apply', [3, 4, 5])],
      {
        priority: 3,
        concern: 'brighten',
        passes: { zones: [...NOSE, 'chin', 'forehead'], pattern: 'slow slides', times: 2 },
      },
    ),
    lamp,
    tone('tone-1'),
    withProduct('massage', 'grape-oil', 'massage', {
      title: 'Light massage',
      lever: ['pressure', 2],
      priority: 3,
      segments: [
        hands('work', 6),
        segment('off', 'remove', 1.5, { tool: 'sponge', temperature: 'lukewarm' }),
      ],
    }),
    withProduct('enzyme', 'rice-enzyme', 'mask', {
      title: 'Rice enzyme, one part to three',
      lever: ['enzyme', 2],
      priority: 5,
      concern: 'brighten',
      technique: 'One scoop to three of water; no heat anywhere.',
    }),
    tone('tone-2', { closes: 'enzyme' }),
    withProduct('serum', 'niacin-serum', 'serum', {
      title: 'Brightening serum, pressed in',
      priority: 4,
      concern: 'brighten',
    }),
    withProduct('serum-2', 'moss-serum', 'serum', { title: 'Water serum, apart' }),
    close[1]!,
    close[2]!,
    sun,
    bye,
  ],
  'Every four to six weeks; nothing warm in it.',
)

const DEEP_WELL = version(
  'deep-well',
  'Deep Well hydration',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    withDevice(
      'infuse',
      'dose-infuser',
      'Measured infusion, 4 mL',
      [
        changeTip(1),
        segment('work', 'apply', [12, 15, 20]),
        segment('off', 'remove', 1, { tool: 'gauze', temperature: 'lukewarm' }),
      ],
      {
        priority: 5,
        concern: 'hydrate',
        product: pick('dew-ampoule', 'infuse'),
        tray: ['sterile single-use tip'],
        passes: {
          zones: ['forehead', 'cheek-left', 'cheek-right', 'chin', 'temple-left', 'temple-right'],
          pattern: 'small circles',
          times: 1,
          level: 'lower at the temples',
        },
      },
    ),
    globes(5),
    withProduct('sheet', 'linen-sheet', 'sheet', {
      title: 'Sheet mask',
      priority: 4,
      concern: 'hydrate',
    }),
    step(
      'led',
      'device',
      'Light over the sheet',
      [
        hands('set', 0.5),
        segment('dwell', 'dwell', [8, 10, 12], {
          active: true,
          presence: 'room',
          admits: ['hands', 'quiet'],
        }),
        segment('end', 'remove', 0.5, { tool: 'none' }),
      ],
      {
        zones: [...FACE],
        deviceId: 'led-panel',
        floating: { needs: 'quiet', over: true },
        priority: 3,
        tray: ['eye shields'],
      },
    ),
    ...close,
    sun,
    bye,
  ],
  'Somebody with measured infusion in scope.',
)

/** Seven movements, done with each pole, the slow ones longest; where a side follows the other the time is double. */
const SEVEN: Movement[] = [
  move('throat-jaw', 'effleurage', 6, 4),
  move('jaw-cheek', 'petrissage', 6, 4),
  move('mouth-ear', 'effleurage', 6, 4),
  move('eye-circle', 'effleurage', 4, 4, { sides: 'each', with: 'ring finger' }),
  move('brow', 'friction', 4, 3, { sides: 'each' }),
  move('forehead-hairline', 'effleurage', 10, 4),
  move('temple-point', 'press and hold', 4, 5),
].map((movement) => ({ ...movement, with: 'probe and guiding hand' }))

const TWO_CURRENTS = version('two-currents', 'Two Currents facial', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  withDevice(
    'galvanic',
    'galvanic-set',
    'Two-pole infusion, gels by goal',
    [
      changeTip(),
      segment('negative', 'apply', 5, { polarity: 'negative' }),
      segment('positive', 'apply', 5, { polarity: 'positive' }),
      segment('off', 'remove', 1, { tool: 'spatula' }),
    ],
    {
      lever: ['current', 2],
      priority: 5,
      concern: 'clarify',
      choice: {
        several: false,
        options: [
          { concern: 'clarify', pick: pick('negative-gel', 'gel') },
          { concern: 'hydrate', pick: pick('positive-gel', 'gel') },
        ],
      },
      movements: SEVEN,
      technique:
        'Both poles in your hands, swapped at half time; contact never breaks. Finish on the positive pole.',
      passes: {
        zones: ['cheek-left', 'cheek-right', 'forehead', 'chin'],
        pattern: 'slow slides',
        times: 1,
        level: 'start level is the least, then by feeling',
      },
    },
  ),
  wipe('wipe-1', 'galvanic'),
  withProduct('concentrate', 'kelp-concentrate', 'press', { title: 'Softening concentrate' }),
  extraction(6),
  step('hf', 'calm', 'High frequency', [hands('glide', [3, 4, 5])], {
    zones: [...NOSE, 'chin', 'forehead'],
    deviceId: 'high-frequency',
    lever: ['current', 1],
    priority: 3,
  }),
  withProduct('massage', 'grape-oil', 'massage', {
    title: 'Massage',
    lever: ['pressure', 2],
    priority: 3,
  }),
  withProduct('masks', 'oat-mask', 'mask', {
    title: 'Masks by zone',
    segments: [
      hands('on', 2),
      segment('dwell', 'dwell', [10, 15, 20], {
        presence: 'room',
        admits: ['quiet', 'hands', 'scalp', 'lips', 'eyes'],
      }),
      segment('off', 'remove', 2, { tool: 'sponge', temperature: 'lukewarm' }),
    ],
    concern: 'calm',
    priority: 4,
    zones: [...FACE],
    choice: {
      several: true,
      options: [
        { concern: 'smooth', pick: pick('oat-mask', 'mask'), zones: [...CHEEKS] },
        {
          concern: 'clarify',
          pick: pick('clay-mask', 'mask'),
          zones: ['forehead', 'glabella', ...NOSE, 'chin'],
        },
      ],
    },
  }),
  withProduct('eye-mask', 'plum-eye-mask', 'mask', {
    title: 'Eye mask at the same time',
    floating: { needs: 'eyes' },
    priority: 3,
  }),
  ...close,
  sun,
  bye,
])

const SIGNATURE = version(
  'signature',
  'Saltgrass signature',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    suction,
    step('drain-1', 'massage', 'Flowing drainage, a rest between machines', [hands('work', 3)], {
      lever: ['pressure', 1],
      priority: 3,
      movements: [
        move('throat-jaw', 'effleurage', 14, 5),
        move('chin-earlobe', 'effleurage', 16, 5),
        move('nose-temple', 'effleurage', 16, 5),
        move('forehead-hairline', 'effleurage', 18, 4),
      ],
    }),
    lift(),
    wipe('wipe-1', 'wands'),
    withProduct('sculpt', 'grape-oil', 'massage', {
      title: 'Firm sculpting, to lift',
      lever: ['pressure', 3],
      priority: 4,
      concern: 'firm',
      movements: [
        move('jaw-cheek', 'petrissage', 26, 4, { pressure: 'firm' }),
        move('chin-earlobe', 'petrissage', 24, 4, { pressure: 'firm' }),
        move('nose-temple', 'effleurage', 16, 4, { pressure: 'medium' }),
        move('brow', 'friction', 14, 3),
      ],
    }),
    withDevice('sound', 'pulse-plate', 'Vibration plate', [segment('work', 'apply', [3, 4, 5])], {
      lever: ['pressure', 2],
      priority: 2,
    }),
    globes(),
    light(),
    ...close,
    sun,
    bye,
  ],
  'Six in two months, then by season.',
)

const COURSE_PEEL = version(
  'course-peel',
  'Corrective course: mechanical peel',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    blot('blot', { closes: 'peel' }),
    withDevice(
      'peel',
      'grain-handpiece',
      'Mechanical peel',
      [
        changeTip(),
        segment('work', 'apply', [5, 6, 8]),
        segment('off', 'remove', 1, { tool: 'gauze', temperature: 'lukewarm' }),
      ],
      {
        phase: 'exfoliate',
        lever: ['exfoliation', 3],
        priority: 5,
        concern: 'smooth',
        passes: {
          zones: ['forehead', 'cheek-left', 'cheek-right', 'chin', ...NOSE],
          pattern: 'side to side',
          times: 1,
          level: 'feather pressure',
        },
      },
    ),
    soothe('peel'),
    withProduct('sheet', 'linen-sheet', 'sheet', {
      title: 'Soothing sheet',
      priority: 4,
      concern: 'calm',
    }),
    withProduct('serum', 'moss-serum', 'serum', { title: 'Water serum' }),
    close[1]!,
    close[2]!,
    sun,
    bye,
  ],
  'Second kind of visit of the course, four weeks after the acid.',
)

const COURSE_NEEDLING = version(
  'course-needling',
  'Corrective course: needling',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    blot(),
    withDevice(
      'needles',
      'needle-handpiece',
      'Needling, 0.25 mm',
      [changeTip(1), segment('work', 'apply', [10, 12, 15])],
      {
        priority: 5,
        concern: 'smooth',
        zones: [...CHEEKS],
        tray: ['sterile single-use tip', 'cartridge lot noted', 'depth 0.25 mm'],
        passes: {
          zones: ['cheek-left', 'cheek-right'],
          pattern: 'scar or pigment: dots, then circles',
          times: 1,
          setting: { setting: 'depth', value: 0.25, unit: 'mm', from: 0.1, to: 1 },
          level: 'speed by the maker’s steps',
        },
        technique:
          'A line: dots, a line through and back, tiny circles. A scar or spot: dots, then circles, no line.',
      },
    ),
    withProduct('serum-open', 'open-serum', 'open', {
      title: 'Single-use clear serum',
      closes: 'needles',
      zones: [...CHEEKS],
    }),
    withProduct('sheet', 'sterile-sheet', 'sheet', {
      title: 'Sterile soothing sheet',
      closes: 'needles',
      priority: 4,
      zones: [...CHEEKS],
    }),
    withProduct('cover', 'open-cover', 'open', {
      title: 'Mineral cover its maker allows',
      closes: 'needles',
      essential: true,
    }),
    bye,
  ],
  'Third kind of visit; somebody with needling in scope. Shade and a hat until the maker’s hours pass.',
)

const BLADE_READY = version(
  'blade-ready',
  'Smooth Surface visit',
  [
    ...open,
    withProduct('cleanse-2', 'oat-cleanser', 'second', {
      title: 'Second cleanse, nothing left',
      essential: true,
    }),
    step('spirit', 'tone', 'Residue off with gauze', [hands('wipe', 0.5)], {
      properties: ['toning'],
      tray: ['gauze pads'],
    }),
    lamp,
    blot('blot', { closes: 'blade' }),
    withDevice(
      'blade',
      'fine-blade',
      'Blade, on dry blotted skin',
      [segment('work', 'apply', [8, 10, 12])],
      {
        phase: 'exfoliate',
        zones: [...CHEEKS, 'forehead', 'chin'],
        priority: 5,
        concern: 'smooth',
        tray: ['sterile single-use blade', 'sharps container'],
        technique: 'Skin stretched, low angle, with short strokes; never over a lesion.',
      },
    ),
    withProduct('serum-open', 'open-serum', 'open', {
      title: 'Single-use clear serum',
      closes: 'blade',
    }),
    withProduct('sheet', 'sterile-sheet', 'sheet', {
      title: 'Sterile soothing sheet',
      closes: 'blade',
      priority: 4,
    }),
    withProduct('cover', 'open-cover', 'open', {
      title: 'Mineral cover its maker allows',
      essential: true,
      zones: [...FACE, ...NECK],
    }),
    bye,
  ],
  'Somebody with the blade in scope.',
)

export const DEVICE_CARDS: readonly ProtocolVersion[] = [
  SEVEN_TIDES,
  STILL_WATER,
  DEEP_WELL,
  TWO_CURRENTS,
  SIGNATURE,
  COURSE_PEEL,
  COURSE_NEEDLING,
  BLADE_READY,
]
