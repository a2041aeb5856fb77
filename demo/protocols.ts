import { segment, type ProtocolVersion, type Step } from '#core/protocol'
import { EYES, FACE, NOSE } from '#core/skin'
import {
  bye,
  close,
  hands,
  lamp,
  lips,
  open,
  READY,
  scalp,
  step,
  version,
  withProduct,
} from './cards/make'
import { CLASSIC_CARDS } from './cards/classic'
import { CORRECTIVE_CARDS } from './cards/corrective'
import { DEVICE_CARDS } from './cards/device'
import { COURSES } from './courses'
import { PATTERNS } from './patterns'

// The cards of the invented studio: the four it is booked with most, then the rest of its library.

export const CLARIFYING = version('clarifying', 'Clear Water facial', [
  ...open,
  withProduct('cleanse-2', 'reed-wash', 'second', { title: 'Second cleanse', essential: true }),
  withProduct('tone-1', 'rose-toner', 'tone', { title: 'Tone', closes: 'cleanse-2' }),
  lamp,
  step(
    'steam',
    'soften',
    'Steam',
    [
      segment('start', 'apply', 0.5),
      segment('dwell', 'dwell', [3, 5, 8], {
        active: true,
        presence: 'room',
        admits: ['hands', 'quiet'],
        blocks: [...EYES, 'lips'],
      }),
      segment('end', 'remove', 0.5, { tool: 'none' }),
    ],
    {
      zones: FACE as Step['zones'],
      deviceId: 'steamer',
      properties: ['softening'],
      lever: ['steam', 3],
      priority: 2,
    },
  ),
  withProduct('scrub', 'bead-scrub', 'rub', { lever: ['exfoliation', 2], priority: 2 }),
  step('extract', 'extract', 'Extraction, nose and chin', [segment('work', 'apply', [2, 10, 15])], {
    zones: [...NOSE, 'chin'],
    properties: ['extraction'],
    lever: ['extraction', 3],
    priority: 5,
    condition: 'if there is anything ready',
    onlyIf: READY,
    tray: ['tissue'],
  }),
  step('hf', 'calm', 'High frequency', [hands('glide', [3, 4, 5])], {
    zones: [...NOSE, 'chin', 'forehead'],
    deviceId: 'high-frequency',
    lever: ['current', 1],
    priority: 2,
  }),
  withProduct('clearing', 'salicylic-fluid', 'dab', {
    title: 'Clearing fluid',
    closes: 'extract',
    zones: [...NOSE, 'chin'],
    priority: 4,
  }),
  withProduct('eye-first', 'eye-gel', 'eye', { title: 'Eye gel under the mask' }),
  withProduct('clay', 'clay-mask', 'mask', { title: 'Clay mask', concern: 'clarify', priority: 4 }),
  withProduct('oat', 'oat-mask', 'mask', { title: 'Oat mask', concern: 'calm', priority: 3 }),
  lips(1),
  scalp,
  ...close,
  withProduct('sun', 'sun-veil', 'sun', { title: 'Sun protection' }),
  bye,
])

export const BRIGHTENING = version('brightening', 'Quiet Tide brightening facial', [
  ...open,
  withProduct('cleanse-2', 'oat-cleanser', 'second', { title: 'Second cleanse', essential: true }),
  lamp,
  withProduct('tone-1', 'rose-toner', 'tone', { title: 'Tone' }),
  withProduct('enzyme', 'pineapple-enzyme', 'mask', {
    title: 'Pineapple enzyme mask',
    heart: true,
    lever: ['enzyme', 3],
    priority: 5,
    concern: 'brighten',
    otherPicks: [
      { productId: 'papaya-enzyme', useId: 'mask' },
      { productId: 'rice-enzyme', useId: 'mask' },
    ],
    say: 'You should hardly feel this one.',
  }),
  withProduct('concentrate', 'kelp-concentrate', 'press', { title: 'Hydrating concentrate' }),
  step('extract', 'extract', 'Extraction, nose and chin', [segment('work', 'apply', [2, 7, 10])], {
    zones: [...NOSE, 'chin'],
    properties: ['extraction'],
    lever: ['extraction', 3],
    priority: 3,
    condition: 'if there is anything ready',
    onlyIf: READY,
    tray: ['tissue'],
  }),
  withProduct('clearing', 'salicylic-fluid', 'dab', {
    title: 'Willow clearing fluid',
    closes: 'extract',
    zones: [...NOSE, 'chin'],
    priority: 4,
  }),
  step('globes', 'calm', 'Cold globes', [hands('roll', [3, 3, 5])], {
    zones: FACE as Step['zones'],
    deviceId: 'cold-globes',
    priority: 2,
  }),
  withProduct('massage', 'grape-oil', 'massage', {
    title: 'Massage, 3 movements',
    lever: ['pressure', 3],
    priority: 3,
  }),
  withProduct('kelp', 'kelp-set-mask', 'set', {
    title: 'Kelp set mask',
    concern: 'brighten',
    priority: 5,
    say: 'It feels cool, then firm. Nothing covers your nose or mouth.',
  }),
  lips(),
  scalp,
  ...close,
  withProduct('sun', 'sun-fluid', 'sun', { title: 'Sun protection' }),
  bye,
])

export const SET_MASK = version('set-mask', 'Ember firming facial', [
  ...open,
  lamp,
  withProduct('tone-1', 'chamomile-toner', 'tone', { title: 'Tone' }),
  withProduct('enzyme', 'rice-enzyme', 'mask', {
    title: 'Rice enzyme mask',
    lever: ['enzyme', 2],
    priority: 3,
    concern: 'firm',
  }),
  withProduct('tone-2', 'chamomile-toner', 'tone', { title: 'Tone again', closes: 'enzyme' }),
  step('wands', 'device', 'Microcurrent lift', [hands('lift', 10)], {
    deviceId: 'microcurrent',
    lever: ['current', 1],
    priority: 4,
    zones: FACE as Step['zones'],
    tray: ['conductive gel'],
  }),
  withProduct('massage', 'grape-oil', 'massage', {
    title: 'Firm massage',
    properties: ['firm-pressure'],
    lever: ['pressure', 4],
    priority: 3,
  }),
  withProduct('ember', 'ember-set-mask', 'set', {
    title: 'Ember set mask',
    concern: 'firm',
    priority: 5,
    otherPicks: [{ productId: 'kelp-set-mask', useId: 'set' }],
    tray: ['distilled water'],
    say: 'It warms for some minutes, then cools.',
  }),
  lips(),
  scalp,
  ...close,
  withProduct('sun', 'sun-veil', 'sun', { title: 'Sun protection' }),
  bye,
])

export const ACID = version('acid', 'Short acid visit', [
  ...open,
  withProduct('cleanse-2', 'reed-wash', 'second', { title: 'Second cleanse', essential: true }),
  withProduct('tone-1', 'chamomile-toner', 'tone', { title: 'Tone', closes: 'cleanse-2' }),
  step('check', 'analysis', 'Quick check behind the ear', [hands('dab', 0.5), hands('wait', 1.5)], {
    gate: 'quick-check',
    checks: 'peel',
    closes: 'peel',
    zones: ['ears'],
    priority: 5,
    tray: ['cotton buds'],
    say: 'A little behind your ear first. Tell me if it stings; it is no allergy test.',
  }),
  lamp,
  step('blot', 'tone', 'Blot dry', [hands('press', 0.5)], {
    properties: ['blotting'],
    zones: FACE as Step['zones'],
    tray: ['tissue with an opening'],
  }),
  withProduct('peel', 'glycolic-peel', 'peel', {
    title: 'Glycolic peel',
    lever: ['acid', 4],
    priority: 5,
    concern: 'smooth',
    otherPicks: [
      { productId: 'mandelic-peel', useId: 'peel' },
      { productId: 'lactic-peel', useId: 'peel' },
    ],
    say: 'It may sting for a minute. I fan it.',
    tray: ['fan'],
  }),
  withProduct('neutralise', 'soda-neutraliser', 'neutralise', {
    title: 'Neutralise',
    closes: 'peel',
    essential: true,
  }),
  withProduct('gel', 'cucumber-gel', 'gel', { title: 'Soothing gel', closes: 'peel' }),
  withProduct('oat', 'oat-mask', 'mask', { title: 'Oat mask', concern: 'calm', priority: 4 }),
  step(
    'led',
    'device',
    'LED panel',
    [
      hands('set', 0.5),
      segment('dwell', 'dwell', [8, 10, 20], {
        active: true,
        presence: 'room',
        admits: ['hands', 'quiet'],
        blocks: [...EYES, 'lips'],
      }),
      segment('end', 'remove', 0.5, { tool: 'none' }),
    ],
    { deviceId: 'led-panel', zones: FACE as Step['zones'], priority: 2 },
  ),
  ...close,
  withProduct('sun', 'sun-veil', 'sun', { title: 'Sun protection' }),
  bye,
])

/** Says on the card for whom of the studio's clients it holds whole. */
const withWhom = (card: ProtocolVersion): ProtocolVersion => {
  const row = PATTERNS.find((pattern) => pattern.protocolId === card.protocolId)
  return row
    ? {
        ...card,
        note: `${card.note === 'First card' ? 'First card.' : card.note} Holds whole for ${row.client}.`,
      }
    : card
}
const withCourse = (card: ProtocolVersion): ProtocolVersion => {
  const course = COURSES[card.protocolId]
  return course ? { ...card, course } : card
}
export const DEMO_PROTOCOLS: readonly ProtocolVersion[] = [
  CLARIFYING,
  BRIGHTENING,
  SET_MASK,
  ACID,
  ...CLASSIC_CARDS,
  ...DEVICE_CARDS,
  ...CORRECTIVE_CARDS,
]
  .map(withWhom)
  .map(withCourse)
