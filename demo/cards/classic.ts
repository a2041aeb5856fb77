import { segment, type ProtocolVersion } from '#core/protocol'
import { FACE, NECK } from '#core/skin'
import {
  blot,
  bye,
  close,
  sun,
  extraction,
  hands,
  handMassage,
  lamp,
  leftAlone,
  light,
  lipLadder,
  lips,
  move,
  open,
  pick,
  quickCheck,
  saying,
  scalp,
  second,
  step,
  tone,
  version,
  withProduct,
} from './make'

// Cards without a machine: cleanse, exfoliate, mask, finish.

const eyeMask = withProduct('eye-mask', 'plum-eye-mask', 'mask', {
  title: 'Eye mask meanwhile',
  floating: { needs: 'eyes' },
  priority: 2,
})

const HYDRATING = version('hydrating', 'Salt Meadow hydrating facial', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  quickCheck('mask'),
  withProduct('gommage', 'rice-gommage', 'rub', {
    title: 'Rice gommage',
    lever: ['exfoliation', 2],
    priority: 3,
    concern: 'smooth',
  }),
  withProduct('concentrate', 'kelp-concentrate', 'press', {
    title: 'Hydrating concentrate',
    concern: 'hydrate',
    priority: 4,
  }),
  step(
    'massage',
    'massage',
    'Flowing massage',
    [hands('work', 7), segment('off', 'remove', 1.5, { tool: 'towel', temperature: 'lukewarm' })],
    {
      product: pick('grape-oil', 'massage'),
      lever: ['pressure', 2],
      movements: [
        move('throat-jaw', 'effleurage', 8, 5),
        move('chin-earlobe', 'effleurage', 10, 4),
        move('mouth-ear', 'effleurage', 10, 4),
        move('nose-temple', 'effleurage', 10, 5),
        move('cheek-circles', 'petrissage', 12, 4, { pressure: 'medium' }),
        move('brow', 'friction', 8, 4),
        move('eye-circle', 'effleurage', 8, 5, { with: 'ring finger' }),
        move('forehead-hairline', 'effleurage', 16, 3),
        move('temple-point', 'press and hold', 3, 6),
      ],
    },
  ),
  withProduct('mask', 'peat-mud', 'mud', {
    title: 'Mask by what is wanted',
    priority: 5,
    concern: 'hydrate',
    choice: {
      several: false,
      options: [
        { concern: 'hydrate', pick: pick('peat-mud', 'mud') },
        { concern: 'firm', pick: pick('alder-film', 'film') },
      ],
    },
    say: 'Ten minutes or so. Your hands are mine meanwhile.',
  }),
  eyeMask,
  handMassage(),
  tone('tone-2', { closes: 'mask' }),
  ...close,
  sun,
  bye,
])

const LEAVE_ON_ACID = version(
  'leave-on-acid',
  'Heather Glow visit',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    blot('blot', { closes: 'solution' }),
    withProduct('solution', 'lactic-solution', 'layer', {
      title: 'Lactic solution, left on',
      lever: ['acid', 2],
      priority: 5,
      concern: 'brighten',
      tray: ['fan', 'gauze pads'],
      say: 'It may burn for a moment. I fan it, and it fades.',
      technique: 'By gauze, forehead first, upward; fan at once.',
    }),
    withProduct('ampoule', 'heather-ampoule', 'press', {
      title: 'Heather ampoule over the dried layer',
      priority: 4,
      concern: 'brighten',
    }),
    withProduct('oat', 'oat-mask', 'mask', {
      title: 'Oat mask over it',
      concern: 'calm',
      priority: 4,
      segments: [
        hands('on', 2),
        segment('dwell', 'dwell', [10, 15, 20], {
          presence: 'room',
          admits: ['quiet', 'hands', 'scalp', 'lips'],
        }),
        segment('off', 'remove', 2, { tool: 'sponge', temperature: 'cool' }),
      ],
    }),
    lips(),
    ...close,
    sun,
    bye,
  ],
  'A course of five; sun protection every day of it.',
)

const THREE_SERUM = version('three-serum', 'Willow clearing facial', [
  ...open,
  withProduct('cleanse-2', 'reed-wash', 'second', { title: 'Second cleanse', essential: true }),
  tone('tone-1', { closes: 'cleanse-2', within: { stepId: 'cleanse-2', seconds: 120 } }),
  lamp,
  leftAlone(
    withProduct('clay', 'clay-mask', 'mask', {
      title: 'Clay mask, boosted',
      concern: 'clarify',
      priority: 4,
      technique: 'Booster stirred in: two drops to a bowl.',
    }),
  ),
  withProduct('concentrate', 'kelp-concentrate', 'press', { title: 'Softening concentrate' }),
  extraction(8, { priority: 5 }),
  withProduct('spot', 'sorrel-spot', 'spot', {
    title: 'Spot care, active lesions only',
    zones: ['chin', 'cheek-left', 'cheek-right'],
    onlyIf: { gate: 'lamp', sees: ['inflamed', 'ready-lesion', 'congestion'] },
    condition: 'only lesions that are active',
    priority: 3,
  }),
  withProduct('calm', 'zinc-fluid', 'dab', {
    title: 'Zinc calming fluid',
    closes: 'extract',
    priority: 4,
  }),
  leftAlone(
    withProduct('oat', 'oat-mask', 'mask', {
      title: 'Second mask, oat',
      concern: 'calm',
      priority: 3,
    }),
  ),
  scalp,
  withProduct('serum', 'niacin-serum', 'serum', { title: 'First serum, thin' }),
  withProduct('serum-2', 'moss-serum', 'serum', { title: 'Second serum, water' }),
  withProduct('serum-3', 'cinder-serum', 'serum', { title: 'Third serum, peptide', priority: 2 }),
  withProduct('eye', 'eye-gel', 'eye', {
    title: 'Eye gel',
    say: 'First time for this one: a little at the outer corner, tell me if it waters.',
  }),
  close[2]!,
  sun,
  bye,
])

const PATCHES = version('patches', 'Smooth Lines facial', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  withProduct('enzyme', 'rice-enzyme', 'mask', {
    title: 'Rice enzyme',
    lever: ['enzyme', 2],
    priority: 3,
  }),
  tone('tone-2', { closes: 'enzyme' }),
  withProduct('wet', 'moss-serum', 'serum', {
    title: 'Wet the skin with serum',
    priority: 4,
    group: 'patches',
  }),
  withProduct('patches', 'line-patches', 'patch', {
    title: 'Line patches, moistened',
    priority: 5,
    concern: 'firm',
    group: 'patches',
    technique:
      'Separated dry, smooth side down: forehead, between the brows, eyes, around the lips, folds; then a wet brush over them.',
    tray: ['wet brush'],
    condition: 'they rest five minutes and come off with the mask',
  }),
  withProduct('alginate', 'kelp-set-mask', 'set', {
    title: 'Alginate over the patches',
    priority: 5,
    concern: 'firm',
    group: 'patches',
    tray: ['flexible bowl', 'measured water'],
    say: 'It feels cool, then firm. Nothing covers your nose or mouth.',
  }),
  lipLadder(),
  scalp,
  ...close,
  sun,
  bye,
])

const HEARTH = version('hearth', 'Hearth facial', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  withProduct('exfoliant', 'rice-enzyme', 'mask', {
    title: 'One of three exfoliants',
    lever: ['enzyme', 3],
    priority: 4,
    choice: {
      several: false,
      options: [
        { concern: 'calm', pick: pick('rice-enzyme', 'mask') },
        { concern: 'smooth', pick: pick('rice-gommage', 'rub') },
        { concern: 'clarify', pick: pick('bead-scrub', 'rub') },
      ],
    },
  }),
  tone('tone-2', { closes: 'exfoliant' }),
  withProduct('ampoule', 'moor-vial', 'half', { title: 'Moor vial under the mask', priority: 3 }),
  saying(
    withProduct('ember', 'ember-set-mask', 'set', {
      title: 'Self-heating set mask',
      concern: 'firm',
      priority: 5,
      tray: ['flexible bowl', 'distilled water'],
      say: 'It warms for some minutes, then cools.',
      technique: 'Clean edge, a margin left free; ready when the brow hair lets go of its edge.',
    }),
    'off',
    'Warm to the back of your hand, not hot: loosen all edges, then up from the chin in one piece.',
  ),
  handMassage(6),
  ...close,
  sun,
  bye,
])

const KIT = version(
  'kit',
  'Sea Silk facial',
  [
    ...open,
    withProduct('foam', 'soapwort-foam', 'brush', {
      title: 'Foam worked in by brush',
      essential: true,
    }),
    lamp,
    tone('tone-1'),
    withProduct('vial-before', 'moor-vial', 'half', {
      title: 'Half the vial, worked in',
      share: 0.5,
      priority: 4,
      concern: 'firm',
      group: 'vial',
    }),
    step('work-in', 'massage', 'Light hands over the vial', [hands('work', 5)], {
      lever: ['pressure', 1],
      priority: 3,
      concern: 'firm',
      zones: [...FACE, ...NECK],
      movements: [
        move('throat-jaw', 'effleurage', 16, 4),
        move('jaw-cheek', 'effleurage', 24, 4),
        move('brow', 'press and hold', 8, 5),
        move('forehead-hairline', 'effleurage', 18, 4),
        move('temple-point', 'press and hold', 6, 6),
      ],
    }),
    withProduct('eye-first', 'eye-gel', 'eye', { title: 'Eye gel before it draws' }),
    withProduct('tight', 'sea-silk-tight', 'coats', {
      title: 'Tightening mask, three coats',
      priority: 5,
      concern: 'firm',
      zones: [...FACE, ...NECK],
      tray: ['one towel more'],
      follows: 'muscles',
      say: 'It draws. Please do not speak; lift a finger and I am here.',
      technique:
        'Following the muscles from origin to end; the ring muscles of eye and mouth are left out.',
    }),
    withProduct('wash-off', 'soapwort-foam', 'off-mask', {
      title: 'Foam and brush until clean',
      closes: 'tight',
      repeat: { usual: 2, max: 4, sign: 'the brush stays clean' },
    }),
    tone('tone-2', { closes: 'tight' }),
    withProduct('vial-after', 'moor-vial', 'half', {
      title: 'The other half',
      share: 0.5,
      priority: 4,
      concern: 'firm',
      group: 'vial',
    }),
    close[1]!,
    close[2]!,
    sun,
    bye,
  ],
  'One vial in two layers; what is left of the kit goes home with its plan.',
)

const MIXED_BOWL = version('mixed-bowl', 'Mixed Bowl facial', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  withProduct('bowl', 'meadow-cocktail', 'bowl', {
    title: 'Meadow cocktail',
    concern: 'calm',
    priority: 5,
    otherPicks: [pick('oat-cocktail', 'bowl')],
    technique:
      'Five parts mask, two of gel, half a part of drops, stirred in last; smooth, no lumps.',
  }),
  handMassage(),
  tone('tone-2', { closes: 'bowl' }),
  light(),
  withProduct('serum', 'moss-serum', 'serum', { title: 'Serum' }),
  close[1]!,
  close[2]!,
  sun,
  bye,
])

const QUIET_WINDOW = version('quiet-window', 'Algae Window', [
  ...open,
  second,
  lamp,
  tone('tone-1'),
  withProduct('concentrate', 'kelp-concentrate', 'press', {
    title: 'Hydrating concentrate',
    priority: 3,
  }),
  withProduct('algae', 'algae-two-part', 'joined', {
    title: 'Two-part algae, eyes and face joined',
    priority: 5,
    concern: 'hydrate',
    choice: {
      several: false,
      options: [
        { concern: 'hydrate', pick: pick('algae-two-part', 'joined') },
        { concern: 'firm', pick: pick('kelp-set-mask', 'set') },
      ],
    },
    tray: ['flexible bowl', 'timer', 'measured water'],
    say: 'Cool, then firm; your eyes stay closed and free.',
    technique: 'Eye part first, then the face to its edge; both come off as one.',
  }),
  handMassage(7),
  step(
    'tidy',
    'enhancement',
    'Tidy, write down, lay out the close',
    [segment('tidy', 'hygiene', [1, 2, 4])],
    { zones: ['hands'], floating: { needs: 'quiet' }, priority: 2 },
  ),
  step(
    'compress',
    'remove-tone',
    'Lukewarm compress',
    [
      hands('lay', 0.5),
      segment('hold', 'dwell', [0.5, 1, 2], { presence: 'client', admits: [] }),
      segment('off', 'remove', 0.5, { tool: 'compress', temperature: 'lukewarm' }),
    ],
    { properties: ['cleansing'], closes: 'algae' },
  ),
  withProduct('eye', 'eye-gel', 'eye', { title: 'Eye gel' }),
  close[2]!,
  sun,
  step(
    'close',
    'close',
    'Quiet close',
    [hands('mist', 0.5), hands('head', 1.5), hands('rise', 2)],
    {
      essential: true,
      tray: ['glass of water', 'mirror'],
      technique:
        'Mist with the eyes covered, a short scalp massage, headband off, bed raised quietly, a minute alone.',
    },
  ),
])

export const CLASSIC_CARDS: readonly ProtocolVersion[] = [
  HYDRATING,
  LEAVE_ON_ACID,
  THREE_SERUM,
  PATCHES,
  HEARTH,
  KIT,
  MIXED_BOWL,
  QUIET_WINDOW,
]
