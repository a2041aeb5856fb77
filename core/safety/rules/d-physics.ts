import type { RuleRow } from './rows'

/** Family D: what products and devices ask of each other, whoever the client is. */
export const PHYSICS_RULES: readonly RuleRow[] = [
  {
    id: 'D01', title: 'Cool removal', when: { kind: 'always' },
    effects: [{ effect: 'require', target: { any: ['acid', 'stings', 'warming'] }, require: 'cool-removal' }],
    reason: 'Warm water wakes an acid or a warming catalyst again.', instead: 'Take it off cool or at room temperature.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'D02', title: 'Tone after an alkaline step', when: { kind: 'always' },
    effects: [{ effect: 'require', target: { any: ['alkaline'] }, require: 'tone-after' }],
    reason: 'A product above pH 8 leaves the skin alkaline.', instead: 'Tone back before the next active.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'D03', title: 'Dry or damp as the product says', when: { kind: 'always' },
    effects: [{ effect: 'require', target: { any: ['wants-dry'] }, require: 'skin-dry' }, { effect: 'require', target: { any: ['wants-damp'] }, require: 'skin-damp' }],
    reason: 'The product says on which skin it works: dry or damp.', instead: 'Blot dry, or dampen, first.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'D11', title: 'Working time', when: { kind: 'always' },
    effects: [{ effect: 'require', target: { any: ['sets'] }, require: 'working-time' }],
    reason: 'It sets: mixing ends just before applying.', instead: 'Mix when your hands are free to apply.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'D12', title: 'Neutralise to the end of the foam', when: { kind: 'always' },
    effects: [{ effect: 'require', target: { any: ['needs-neutraliser'] }, require: 'neutralise-after' }],
    reason: 'This acid works on until it is neutralised.', instead: 'Neutralise until no foam comes, then rinse cool.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'D17', title: 'Sun filter by day', when: { kind: 'day' },
    effects: [{ effect: 'require', target: { everything: true }, require: 'sun-filter' }],
    reason: 'A treated skin leaves the house by daylight.', instead: 'Finish with sun filter at the full dose.', basis: 'common-practice', overridable: 'no',
  },
]
