import type { Condition } from '../rule'
import type { RuleRow } from './rows'

const PIGMENT: Condition = {
  kind: 'any',
  of: [
    { kind: 'finding', finding: 'patchy-pigment', minGrade: 1 },
    { kind: 'finding', finding: 'marks', minGrade: 1 },
    { kind: 'fact', code: 'melasma' },
    { kind: 'all', of: [{ kind: 'fact', code: 'phototype-iv-vi' }, { kind: 'finding', finding: 'inflamed', minGrade: 1 }] },
  ],
}
const FLUSH: Condition = { kind: 'any', of: [{ kind: 'finding', finding: 'flushing', minGrade: 2 }, { kind: 'finding', finding: 'vessels', minGrade: 2 }] }

/** Family C: the skin as read today. */
export const SKIN_RULES: readonly RuleRow[] = [
  {
    id: 'C01', title: 'Flushing skin or visible vessels', when: FLUSH,
    effects: [
      { effect: 'omit-zone', target: { any: ['steam', 'scrub', 'warming', 'self-heating'] }, zones: 'because' },
      { effect: 'limit', target: { lever: 'pressure' }, zones: 'because', limit: { kind: 'rung', lever: 'pressure', max: 2 } },
      { effect: 'omit-zone', target: { any: ['firm-pressure'] }, zones: 'because' },
      { effect: 'limit', target: { lever: 'suction' }, zones: 'because', limit: { kind: 'rung', lever: 'suction', max: 1 } },
      { effect: 'require', target: { everything: true }, zones: 'because', require: 'lukewarm-removal' },
    ],
    reason: 'Heat, grains and firm hands redden these zones further.', instead: 'Cool and light there; the rest as written.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C02', title: 'Pigment-prone skin', when: PIGMENT,
    effects: [
      { effect: 'stop', target: { any: ['steam', 'self-heating', 'warming', 'rf'] } },
      { effect: 'limit', target: { lever: 'acid' }, limit: { kind: 'rung', lever: 'acid', max: 2 } },
      { effect: 'limit', target: { lever: 'extraction' }, limit: { kind: 'rung', lever: 'extraction', max: 2 } },
      { effect: 'require', target: { everything: true }, require: 'lukewarm-removal' },
      { effect: 'require', target: { everything: true }, require: 'sun-filter' },
    ],
    reason: 'Heat wakes pigment and marks last on this skin. Stricter than some practitioners.', instead: 'Lukewarm towels; a hydrating concentrate in place of steam.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C03', title: 'Barrier impaired', when: { kind: 'finding', finding: 'barrier', minGrade: 1 },
    effects: [
      { effect: 'omit-zone', target: { any: ['exfoliating', 'retinoid'] }, zones: 'because' },
      { effect: 'limit', target: { lever: 'current' }, zones: 'because', limit: { kind: 'rung', lever: 'current', max: 1 } },
    ],
    reason: 'A tight, scaling skin that stings with water is open.', instead: 'Soothe, hydrate, moisturise; exfoliate another day.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C04', title: 'Sensitive skin', when: { kind: 'finding', finding: 'sensitive', minGrade: 1 },
    effects: [
      { effect: 'limit', target: { all: ['acid'] }, zones: 'because', limit: { kind: 'dwell-minutes', max: 3 } },
      { effect: 'limit', target: { lever: 'acid' }, zones: 'because', limit: { kind: 'rung', lever: 'acid', max: 2 } },
      { effect: 'require', target: { any: ['acid', 'warming'] }, zones: 'because', require: 'patch-test' },
    ],
    reason: 'Acid on sensitive skin: at most three minutes, rung 1 or 2.', instead: 'A delayed patch test comes before strong actives.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C05', title: 'Inflamed lesions', when: { kind: 'finding', finding: 'inflamed', minGrade: 1 },
    effects: [{ effect: 'omit-zone', target: { any: ['scrub', 'mechanical', 'suction', 'firm-pressure', 'blade', 'needling'] }, zones: 'because' }],
    reason: 'Friction and suction open inflamed lesions and spread them.', instead: 'Work around the zone; calm it.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C06', title: 'Deep, painful lesion without a head', when: { kind: 'finding', finding: 'deep-lesion', minGrade: 1 },
    effects: [{ effect: 'require', target: { any: ['extraction'] }, zones: 'because', require: 'spot-care' }],
    reason: 'Pressing a deep lesion spreads it downward.', instead: 'Leave it alone; spot care afterwards.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C07', title: 'Ingrown hair at the surface', when: { kind: 'finding', finding: 'ingrown', minGrade: 1 },
    effects: [{ effect: 'require', target: { any: ['extraction'] }, zones: 'because', require: 'tweezers' }],
    reason: 'A hair under the surface can be released.', instead: 'Release it with sterile tweezers; do not squeeze.', basis: 'common-practice', overridable: 'reason',
  },
  {
    id: 'C12', title: 'Facial hair', when: { kind: 'fact', code: 'facial-hair' },
    effects: [{ effect: 'stop', target: { any: ['film-peel'] } }, { effect: 'require', target: { everything: true }, zones: ['chin', 'cheek-left', 'cheek-right', 'neck'], require: 'along-growth' }],
    reason: 'A film pulls hair; a beard holds product.', instead: 'Along the growth; rinse and comb through; removal takes a quarter longer.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C13', title: 'Lips', when: { kind: 'always' },
    effects: [{ effect: 'omit-zone', target: { product: true, not: ['lip-safe'] }, zones: ['lips'] }, { effect: 'omit-zone', target: { any: ['peel-solution'] }, zones: ['lips'] }],
    reason: 'On the lips only what is safe if swallowed; never a peel solution.', instead: 'A lip-safe product.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'C15', title: 'Exfoliation allowance, resilient', when: { kind: 'always' },
    effects: [{ effect: 'limit', target: { any: ['exfoliating', 'retinoid', 'blade', 'suction', 'needling'] }, limit: { kind: 'exfoliation', max: 3 } }],
    reason: 'No skin takes more than three points of exfoliation in a visit.', instead: 'Drop or replace the less important one.', basis: 'house', overridable: 'no',
  },
  {
    id: 'C15n', title: 'Exfoliation allowance', when: { kind: 'always' },
    effects: [{ effect: 'limit', target: { any: ['exfoliating', 'retinoid', 'blade', 'suction', 'needling'] }, limit: { kind: 'exfoliation', max: 2 }, unless: { kind: 'resilient' } }],
    reason: 'Normal skin takes two points of exfoliation in a visit.', instead: 'Drop or replace the less important one.', basis: 'house', overridable: 'reason',
  },
  {
    id: 'C15s', title: 'Exfoliation allowance, sensitive', when: { kind: 'finding', finding: 'sensitive', minGrade: 1 },
    effects: [{ effect: 'limit', target: { any: ['exfoliating', 'retinoid', 'blade', 'suction', 'needling'] }, zones: 'because', limit: { kind: 'exfoliation', max: 1 } }],
    reason: 'Sensitive skin takes one point of exfoliation in a visit.', instead: 'Keep the gentlest one.', basis: 'house', overridable: 'no',
  },
  {
    id: 'C15i', title: 'Exfoliation allowance, impaired', when: { kind: 'finding', finding: 'barrier', minGrade: 1 },
    effects: [{ effect: 'limit', target: { any: ['exfoliating', 'retinoid', 'blade', 'suction', 'needling'] }, zones: 'because', limit: { kind: 'exfoliation', max: 0 } }],
    reason: 'An impaired barrier takes no exfoliation.', instead: 'Soothe and hydrate.', basis: 'house', overridable: 'no',
  },
]
