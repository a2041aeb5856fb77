import { segment, type ProtocolVersion } from '#core/protocol'
import { FACE, NECK, NOSE, T_ZONE } from '#core/skin'
import {
  blot,
  bye,
  close,
  sun,
  extraction,
  hands,
  handMassage,
  lamp,
  move,
  open,
  saying,
  second,
  soothe,
  step,
  tone,
  version,
  withProduct,
} from './make'

// Cards that work on one thing over several visits.

const UNDERTOW = version(
  'undertow',
  'Undertow enzyme visit',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    withProduct('coats', 'fern-coats', 'coats', {
      title: 'Layered enzyme, three coats',
      lever: ['enzyme', 4],
      priority: 5,
      concern: 'brighten',
      follows: 'muscles',
      technique:
        'Coat on coat, following each muscle from where it begins to where it ends; the rings of eye and mouth stay free. No massage before it.',
      say: 'You should hardly feel this one.',
    }),
    tone('tone-2', { closes: 'coats' }),
    soothe('coats'),
    ...close,
    sun,
    bye,
  ],
  'No massage before it: the skin comes unstimulated to a strong enzyme (method).',
)

const ACNE = version(
  'acne',
  'Calm Shore acne visit',
  [
    ...open,
    withProduct('cleanse-2', 'reed-wash', 'second', { title: 'Second cleanse', essential: true }),
    tone('tone-1', { closes: 'cleanse-2' }),
    lamp,
    withProduct('hydrate', 'kelp-concentrate', 'press', {
      title: 'Hydrate before extraction',
      priority: 4,
    }),
    step(
      'pads',
      'soften',
      'Softening pads on the T-zone',
      [
        hands('lay', 1),
        segment('dwell', 'dwell', [4, 5, 6], { presence: 'room', admits: ['quiet'] }),
        segment('off', 'remove', 0.5, { tool: 'gauze', temperature: 'lukewarm' }),
      ],
      {
        zones: [...T_ZONE],
        properties: ['softening'],
        priority: 3,
        technique:
          'Pads instead of steam: a short acid follows in this visit, and the two never meet.',
      },
    ),
    extraction(8, {
      priority: 5,
      title: 'Extraction, only what is ready',
      zones: [...NOSE, 'chin', 'forehead'],
    }),
    blot('blot', { closes: 'short' }),
    withProduct('short', 'short-salicylic', 'short', {
      title: 'Short acid after extraction',
      lever: ['acid', 1],
      priority: 4,
      concern: 'clarify',
      zones: [...T_ZONE],
      say: 'A minute, with a little sting. I fan it.',
    }),
    soothe('short'),
    withProduct('spot', 'sorrel-spot', 'spot', {
      title: 'Spot care, active lesions only',
      onlyIf: { gate: 'lamp', sees: ['inflamed', 'ready-lesion', 'congestion'] },
      condition: 'only lesions that are active',
      priority: 4,
    }),
    withProduct('eye-first', 'eye-gel', 'eye', { title: 'Eye gel under the mask' }),
    withProduct('clay', 'clay-mask', 'mask', {
      title: 'Purifying mask',
      concern: 'clarify',
      priority: 4,
    }),
    handMassage(4),
    withProduct('calm', 'zinc-fluid', 'dab', { title: 'Zinc calming fluid', priority: 3 }),
    close[2]!,
    withProduct('night', 'night-cream', 'night', {
      title: 'Night retinoid',
      lever: ['retinoid', 2],
      priority: 3,
      when: { time: 'evening' },
    }),
    sun,
    bye,
  ],
  'Again in two weeks. Pads stand for steam: a short acid follows (method).',
)

const GRAIN = version('grain', 'Along the Grain', [
  withProduct('cleanse-1', 'oat-cleanser', 'first', {
    essential: true,
    title: 'First cleanse, down with the beard',
    technique: 'Strokes down, along the growth; rinse it through.',
  }),
  withProduct('cleanse-2', 'reed-wash', 'second', { essential: true, title: 'Alkaline wash' }),
  tone('tone-1', { closes: 'cleanse-2', title: 'Tone back at once' }),
  lamp,
  saying(
    withProduct('warm', 'ginger-warm', 'warm', {
      title: 'Warming mask',
      priority: 5,
      concern: 'clarify',
      say: 'Pink and tingling by minute two; it cools from about fifteen.',
      technique: 'Combed in along the growth.',
    }),
    'off',
    'Laid on at room temperature, pressed, drawn off down the growth; never re-heated.',
  ),
  handMassage(),
  tone('tone-2', { closes: 'warm' }),
  soothe('warm'),
  step('massage', 'massage', 'Strokes down, along the growth', [hands('work', 4)], {
    lever: ['pressure', 2],
    priority: 3,
    technique: 'Mostly down; temples to finish.',
    movements: [
      move('forehead-hairline', 'effleurage', 20, 4),
      move('jaw-cheek', 'effleurage', 24, 4),
      move('chin-earlobe', 'effleurage', 26, 4),
      move('temple-point', 'press and hold', 4, 6),
    ],
  }),
  withProduct('serum', 'niacin-serum', 'serum', { title: 'Serum' }),
  close[1]!,
  close[2]!,
  sun,
  bye,
])

const NECK_CARD = version(
  'neck',
  'Firm Neck facial',
  [
    ...open,
    second,
    lamp,
    tone('tone-1'),
    blot('blot', { closes: 'face-acid', zones: [...FACE, ...NECK, 'decollete'] }),
    withProduct('face-acid', 'lactic-peel', 'peel', {
      title: 'Lactic peel, face',
      segments: [
        hands('on', 1),
        segment('dwell', 'dwell', [1, 3, 4], { active: true, presence: 'client', admits: [] }),
        segment('off', 'remove', 1.5, { tool: 'sponge', temperature: 'cool' }),
      ],
      lever: ['acid', 2],
      priority: 5,
      concern: 'firm',
      group: 'acids',
      say: 'It may sting for a minute. I fan it.',
      tray: ['fan'],
    }),
    soothe('face-acid', { id: 'gel-face', zones: [...FACE] }),
    blot('blot-neck', { closes: 'neck-acid', zones: [...NECK, 'decollete'] }),
    withProduct('neck-acid', 'neck-lactic', 'neck', {
      title: 'Buffered acid, neck on its own rung',
      lever: ['acid', 1],
      priority: 4,
      concern: 'firm',
      group: 'acids',
      tray: ['fan'],
    }),
    soothe('neck-acid', { id: 'gel-neck', zones: [...NECK, 'decollete'] }),
    withProduct('second-layer', 'lactic-solution', 'layer', {
      title: 'Second layer, not on a first visit',
      lever: ['acid', 1],
      priority: 2,
      when: { visit: 'later', goal: 'smooth' },
      zones: [...FACE],
    }),
    withProduct('massage', 'grape-oil', 'massage', {
      title: 'Neck massage, heavier up than down',
      heart: true,
      lever: ['pressure', 2],
      priority: 4,
      concern: 'firm',
      movements: [
        move('chest-shoulder', 'effleurage', 14, 5),
        move('throat-jaw', 'effleurage', 21, 4),
        move('chin-earlobe', 'effleurage', 14, 4, { pressure: 'medium' }),
        move('jaw-cheek', 'petrissage', 14, 4, { pressure: 'medium' }),
        move('nape', 'petrissage', 10, 4, { pressure: 'medium' }),
      ],
      technique:
        'Lift the chin, press the chest down, work into the opened lines; light over the throat.',
    }),
    withProduct('oat', 'oat-mask', 'mask', {
      title: 'Oat mask, face and neck',
      concern: 'hydrate',
      priority: 4,
      segments: [
        hands('on', 2.5),
        segment('dwell', 'dwell', [10, 12, 20], {
          presence: 'room',
          admits: ['quiet', 'hands', 'scalp', 'lips'],
        }),
        segment('off', 'remove', 2, { tool: 'sponge', temperature: 'lukewarm' }),
      ],
    }),
    handMassage(),
    withProduct('serum', 'cinder-serum', 'serum', { title: 'Peptide serum' }),
    close[1]!,
    close[2]!,
    withProduct('night', 'night-cream', 'night', {
      title: 'Night retinoid, face',
      lever: ['retinoid', 2],
      priority: 3,
      when: { time: 'evening', goal: 'firm' },
    }),
    sun,
    bye,
  ],
  'Face and neck on different rungs; no second layer on a first visit (method).',
)

export const CORRECTIVE_CARDS: readonly ProtocolVersion[] = [UNDERTOW, ACNE, GRAIN, NECK_CARD]
