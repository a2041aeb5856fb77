import type { Condition, RuleEffect } from '../rule'
import { EYES, NECK, type ZoneId } from '../../skin/zones'
import type { LeverId, Property } from '../../protocol/words'
import { ALWAYS, allOf, anyOf, fact, finding, row, type RuleRow } from './rows'

const PIGMENT: Condition = anyOf(
  finding('patchy-pigment'),
  finding('marks'),
  fact('melasma'),
  allOf(fact('phototype-iv-vi'), finding('inflamed')),
)
const MUCH_ZONES = 3
/** More than a mark or two: graded, spread, or known to come back. */
const MUCH_PIGMENT: Condition = anyOf(
  finding('patchy-pigment', 2),
  finding('marks', 2),
  { kind: 'spread', finding: 'patchy-pigment', zones: MUCH_ZONES },
  { kind: 'spread', finding: 'marks', zones: MUCH_ZONES },
  fact('melasma'),
  allOf(fact('phototype-iv-vi'), finding('inflamed')),
)
const DRY: Condition = anyOf(finding('dry'), finding('lines', 3), finding('laxity', 2))
const BELOW: readonly ZoneId[] = [...NECK, 'decollete']
const HOT: readonly Property[] = ['heat', 'steam', 'self-heating', 'warming']
/** What is inflamed when it is pinned. */
const INFLAMED_PINS = ['papule', 'pustule', 'nodule'] as const
/** What spends the allowance of C15. */
const SPENDS: readonly Property[] = [
  'exfoliating',
  'retinoid',
  'blade',
  'ultrasonic-blade',
  'suction',
  'needling',
]

const omit = (...any: Property[]): RuleEffect => ({
  effect: 'omit-zone',
  target: { any },
  zones: 'because',
})
const rung = (lever: LeverId, max: number, more: Partial<RuleEffect> = {}): RuleEffect => ({
  effect: 'limit',
  target: { lever },
  limit: { kind: 'rung', lever, max },
  ...more,
})
const always = (
  require: NonNullable<RuleEffect['require']>,
  more: Partial<RuleEffect> = {},
): RuleEffect => ({ effect: 'require', target: { everything: true }, require, ...more })
const shorten = (max: number, ...any: Property[]): RuleEffect => ({
  effect: 'limit',
  target: { any },
  zones: 'because',
  limit: { kind: 'dwell-minutes', max },
})
const allowance = (max: number, more: Partial<RuleEffect> = {}): RuleEffect[] => [
  { effect: 'limit', target: { any: SPENDS }, limit: { kind: 'exfoliation', max }, ...more },
]
const retinoidWithAcid = (max: number, more: Partial<RuleEffect>): RuleEffect[] => [
  {
    effect: 'limit',
    target: { any: ['retinoid', 'acid'] },
    limit: { kind: 'retinoid-with-acid', max },
    ...more,
  },
]

/** Family C: the skin as read today. */
export const SKIN_RULES: readonly RuleRow[] = [
  row(
    'C01',
    'Flushing skin or visible vessels',
    anyOf(finding('flushing', 2), finding('vessels', 2)),
    [
      omit('steam', 'scrub', 'warming', 'self-heating', 'firm-pressure'),
      omit('rf', 'mechanical', 'blade', 'needling', 'iced'),
      rung('pressure', 2, { zones: 'because' }),
      rung('suction', 1, { zones: 'because' }),
      always('lukewarm-removal', { zones: 'because' }),
    ],
    'Heat, ice, grains, blades and firm hands redden these zones further.',
    'Cool and light there; the rest as written.',
  ),
  row(
    'C02',
    'Pigment-prone skin',
    PIGMENT,
    [
      {
        effect: 'limit',
        target: { lever: 'steam' },
        limit: { kind: 'rung', lever: 'steam', max: 4, belowWritten: 1 },
      },
      { effect: 'omit-zone', target: { any: ['self-heating', 'warming', 'rf'] }, zones: 'because' },
      rung('acid', 2),
      rung('extraction', 2),
      always('lukewarm-removal', { zones: 'because' }),
      always('sun-filter'),
    ],
    'Heat wakes pigment and marks last on this skin. Stricter than some practitioners.',
    'Lukewarm towels; steam a rung lower.',
  ),
  row(
    'C02h',
    'Pigment-prone skin, and heat',
    MUCH_PIGMENT,
    [
      { effect: 'stop', target: { any: ['steam', 'self-heating', 'warming', 'rf'] } },
      always('lukewarm-removal'),
    ],
    'Heat wakes pigment, and here there is more than a mark or two. Stricter than some practitioners.',
    'A hydrating concentrate in place of steam; nothing that warms.',
  ),
  row(
    'C03',
    'Barrier impaired',
    finding('barrier'),
    [omit('exfoliating', 'retinoid'), rung('current', 1, { zones: 'because' })],
    'A tight, scaling skin that stings with water is open.',
    'Soothe, hydrate, moisturise; exfoliate another day.',
  ),
  row(
    'C04',
    'Sensitive skin',
    finding('sensitive'),
    [
      {
        effect: 'limit',
        target: { all: ['acid'] },
        zones: 'because',
        limit: { kind: 'dwell-minutes', max: 3 },
      },
      rung('acid', 2, { zones: 'because' }),
      {
        effect: 'require',
        target: { any: ['strong-active'] },
        zones: 'because',
        require: 'patch-test',
        unless: { kind: 'patch-test' },
      },
    ],
    'Strong actives on sensitive skin: at most three minutes, rung 1 or 2, and a delayed patch test first.',
    'A gentler product today; place a patch test for the next visit.',
  ),
  row(
    'C05',
    'Inflamed lesions',
    finding('inflamed'),
    [omit('scrub', 'mechanical', 'blade', 'needling')],
    'Friction and blades open inflamed lesions and spread them.',
    'Work around the zone; calm it.',
  ),
  row(
    'C05p',
    'Inflamed lesions, many in a zone',
    anyOf(
      { kind: 'finding', finding: 'inflamed', minGrade: 1, painted: true },
      {
        kind: 'crowded',
        types: INFLAMED_PINS,
        perZone: 3,
      },
    ),
    [omit('suction', 'firm-pressure')],
    'Suction and firm hands open inflamed lesions and spread them.',
    'Work around the zone; calm it.',
  ),
  row(
    'C05w',
    'Inflamed lesion pinned',
    { kind: 'lesions', types: INFLAMED_PINS, atLeast: 1 },
    [
      {
        effect: 'caution',
        target: { any: ['suction', 'pressure', 'firm-pressure'] },
        zones: 'because',
      },
    ],
    'One or two inflamed lesions are worked round.',
    'A finger’s width round each lesion.',
  ),
  row(
    'C06',
    'Deep, painful lesion without a head',
    anyOf(finding('deep-lesion'), { kind: 'lesions', types: ['nodule'], atLeast: 1 }),
    [
      {
        effect: 'require',
        target: { any: ['extraction'] },
        zones: 'because',
        require: 'spot-care',
      },
    ],
    'Pressing a deep lesion spreads it downward.',
    'Leave it alone; spot care afterwards.',
  ),
  row(
    'C07',
    'Ingrown hair at the surface',
    anyOf(finding('ingrown'), { kind: 'lesions', types: ['ingrown'], atLeast: 1 }),
    [{ effect: 'require', target: { any: ['extraction'] }, zones: 'because', require: 'tweezers' }],
    'A hair under the surface can be released.',
    'Release it with sterile tweezers; do not squeeze.',
    { overridable: 'reason' },
  ),
  row(
    'C08',
    'Surface-dry, oil beneath',
    finding('surface-dry'),
    [
      {
        effect: 'require',
        target: { any: ['extraction'] },
        zones: 'because',
        require: 'hydrate-before',
      },
      shorten(8, 'drying'),
      { effect: 'replace', target: { any: ['oily-finish'] }, zones: 'because', soft: true },
    ],
    'A dry surface holds what lies beneath it.',
    'Hydrate before extracting; keep drying masks short; a water-based finish.',
    { overridable: 'reason' },
  ),
  row(
    'C09',
    'Drying or tightening masks and the eye contour',
    ALWAYS,
    [
      { effect: 'omit-zone', target: { any: ['drying', 'tightening'] }, zones: EYES },
      { effect: 'require', target: { any: ['drying', 'tightening'] }, require: 'eye-gel-before' },
    ],
    'Thin skin puckers under a mask that dries or tightens.',
    'Eye gel first; leave the eye contour out.',
    { overridable: 'reason' },
  ),
  row(
    'C10',
    'Nodules, many inflamed lesions or new scarring',
    anyOf(
      { kind: 'lesions', types: ['nodule'], atLeast: 1 },
      { kind: 'lesions', types: ['papule', 'pustule', 'nodule'], atLeast: 20 },
      finding('new-scars'),
    ),
    [
      { effect: 'refer', target: { everything: true }, soft: true },
      { effect: 'stop', target: { any: ['mechanical', 'scrub'] } },
      rung('acid', 1),
      rung('extraction', 2),
    ],
    'This much inflammation scars: a physician should see it besides.',
    'Gentle care today, and advise a physician; name no disease.',
  ),
  row(
    'C11',
    'Dry or mature skin',
    DRY,
    [shorten(8, 'drying'), rung('pressure', 2, { zones: NECK }), always('light-throat')],
    'Long clay and firm hands at the throat take more than they give.',
    'Short masks; light over the throat.',
  ),
  row(
    'C12',
    'Facial hair',
    fact('facial-hair'),
    [
      { effect: 'stop', target: { any: ['film-peel'] } },
      always('along-growth', {
        zones: [
          'chin',
          'upper-lip',
          'cheek-left',
          'cheek-right',
          'jaw-left',
          'jaw-right',
          'under-chin',
          'neck-front',
        ],
      }),
    ],
    'A film pulls hair; a beard holds product.',
    'Along the growth; rinse and comb through; removal takes a quarter longer.',
  ),
  row(
    'C12f',
    'Fine facial hair',
    finding('fine-hair'),
    [{ effect: 'caution', target: { any: ['film-peel', 'sets'] }, zones: 'because' }],
    'A mask that dries into the down pulls when it comes off.',
    'Along the growth, softened first; a thin layer of gel or oil at the edges.',
  ),
  row(
    'C13',
    'Lips',
    ALWAYS,
    [
      { effect: 'omit-zone', target: { product: true, not: ['lip-safe'] }, zones: ['lips'] },
      { effect: 'omit-zone', target: { any: ['peel-solution'] }, zones: ['lips'] },
    ],
    'On the lips only what is safe if swallowed; never a peel solution.',
    'A lip-safe product.',
  ),
  row(
    'C14',
    'Neck and décolleté',
    ALWAYS,
    [
      { effect: 'omit-zone', target: { any: ['face-only'] }, zones: BELOW },
      {
        effect: 'limit',
        target: { lever: 'acid' },
        zones: BELOW,
        limit: { kind: 'zone-rung', lever: 'acid', max: 2 },
      },
      {
        effect: 'limit',
        target: { lever: 'suction' },
        zones: BELOW,
        limit: { kind: 'zone-rung', lever: 'suction', max: 1 },
      },
    ],
    'The neck is thinner than the face and stays on the lower rung.',
    'Leave it out of the strong step, or give it one of its own.',
    { overridable: 'reason' },
  ),
  row(
    'C15',
    'Exfoliation allowance, resilient',
    ALWAYS,
    allowance(3),
    'No skin takes more than three points of exfoliation in a visit.',
    'Drop or replace the less important one.',
    { basis: 'house' },
  ),
  row(
    'C15n',
    'Exfoliation allowance',
    ALWAYS,
    allowance(2, { unless: { kind: 'resilient' } }),
    'Normal skin takes two points of exfoliation in a visit.',
    'Drop or replace the less important one.',
    { basis: 'house', overridable: 'reason' },
  ),
  row(
    'C15s',
    'Exfoliation allowance, sensitive',
    finding('sensitive'),
    allowance(1, { zones: 'because' }),
    'Sensitive skin takes one point of exfoliation in a visit.',
    'Keep the gentlest one.',
    { basis: 'house' },
  ),
  row(
    'C15i',
    'Exfoliation allowance, impaired',
    finding('barrier'),
    allowance(0, { zones: 'because' }),
    'An impaired barrier takes no exfoliation.',
    'Soothe and hydrate.',
    { basis: 'house' },
  ),
  row(
    'C15r',
    'Retinoid and acid in one visit',
    ALWAYS,
    retinoidWithAcid(2, { unless: { kind: 'two-calm', levers: ['retinoid', 'acid'] } }),
    'Irritation adds up: beyond two points only where retinoid and acid each have two calm visits behind them.',
    'One of the two today, the other at another visit or at home.',
    { basis: 'house' },
  ),
  row(
    'C15a',
    'Retinoid and acid on sensitive skin',
    anyOf(finding('sensitive'), finding('barrier')),
    retinoidWithAcid(0, { zones: 'because' }),
    'Sensitive or impaired skin never takes a retinoid and an acid in one visit.',
    'One of the two there, or neither.',
    { basis: 'house' },
  ),
  row(
    'C16',
    'High sun',
    fact('high-sun'),
    [
      {
        effect: 'limit',
        target: { lever: 'acid' },
        limit: { kind: 'rung', lever: 'acid', max: 4, belowWritten: 1 },
      },
      { effect: 'caution', target: { any: ['acid'] }, zones: ['lips'] },
      always('sun-filter'),
    ],
    'Fresh skin and high sun do not go together.',
    'Acids and lip masks one rung lower; sun protection.',
    { overridable: 'reason' },
  ),
  row(
    'C16d',
    'Very dry air',
    fact('dry-air'),
    [{ effect: 'advice', target: { any: ['exfoliating', 'drying'] } }],
    'Dry air takes the water that exfoliation lets out.',
    'Hydrate first.',
    { overridable: 'reason' },
  ),
  row(
    'C17',
    'Something on within the week',
    fact('event', { aheadDays: 7 }),
    [
      { effect: 'limit', target: { everything: true }, limit: { kind: 'first-time-rung', max: 1 } },
      rung('extraction', 2),
      {
        effect: 'omit-zone',
        target: { any: ['oil'] },
        zones: ['scalp'],
        unless: { kind: 'said-yes', code: 'hair-oil' },
      },
    ],
    'Nobody wants a surprise on the day.',
    'Nothing strong for the first time; small extraction; ask before oil touches the hair.',
    { basis: 'house', overridable: 'reason' },
  ),
  row(
    'C18',
    'Blue light on skin that marks',
    anyOf(PIGMENT, fact('phototype-iii'), fact('phototype-iv-vi')),
    [{ effect: 'stop', target: { any: ['led-blue'] } }],
    'Blue light can deepen pigment on this skin.',
    'Red, or no light.',
  ),
  row(
    'C19',
    'Stung or burned beyond what is expected',
    { kind: 'felt' },
    [
      {
        effect: 'stop',
        target: { any: [...SPENDS, 'acid', 'enzyme', 'stings', ...HOT, 'rf'] },
      },
      always('cool-removal'),
      { effect: 'require', require: 'calm-after' },
    ],
    'Skin that answers more than it should takes nothing more that works or warms today.',
    'Something soothing after it; what is left comes off cool.',
    { stopsAs: 'Stung today' },
  ),
]
