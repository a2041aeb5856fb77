import { SIX_MONTHS_DAYS, type RuleRow } from './rows'

/** Family A: health. Ids are stored with plans: never reuse one. */
export const HEALTH_RULES: readonly RuleRow[] = [
  {
    id: 'A01', title: 'Electronic implant or sensor', when: { kind: 'fact', code: 'implant-electronic' },
    effects: [{ effect: 'stop', target: { any: ['current', 'field', 'rf', 'magnet'] } }],
    reason: 'Current, fields and radio frequency can disturb an implanted or worn device.', instead: 'Work by hand; no magnets near.',
    basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A02', title: 'Metal in face or neck', when: { kind: 'fact', code: 'metal' },
    effects: [{ effect: 'omit-zone', target: { any: ['current', 'rf'] }, zones: 'because' }],
    reason: 'Metal gathers current and heat.', instead: 'Leave those zones out, or work by hand there.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A04', title: 'Pregnant or breast-feeding', when: { kind: 'fact', code: 'pregnancy' },
    effects: [
      { effect: 'stop', target: { any: ['retinoid', 'current', 'rf', 'salicylic-strong', 'hydroquinone'] } },
      { effect: 'stop', target: { any: ['heat', 'steam', 'self-heating', 'warming'] } },
      { effect: 'limit', target: { lever: 'acid' }, limit: { kind: 'rung', lever: 'acid', max: 1 }, unless: { kind: 'clearance', id: 'A04-acid' } },
      { effect: 'caution', target: { everything: true }, require: 'propped-up' },
    ],
    reason: 'Retinoids, current, strong salicylates and heat are left out while pregnant or breast-feeding.',
    instead: 'A warm towel is fine; late in pregnancy propped up, not flat; acid above rung 1 needs a clearance.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A05', title: 'Strongly light-sensitising medicine', when: { kind: 'fact', code: 'photosensitiser-strong' },
    effects: [
      { effect: 'stop', target: { any: ['led'] } },
      { effect: 'limit', target: { lever: 'acid' }, limit: { kind: 'rung', lever: 'acid', max: 1 } },
      { effect: 'require', target: { everything: true }, require: 'sun-filter' },
    ],
    reason: 'The medicine makes skin react to light.', instead: 'No light panel; acid on rung 1 at the most; finish with sun filter.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A05w', title: 'Possibly light-sensitising medicine', when: { kind: 'fact', code: 'photosensitiser-weak' },
    effects: [{ effect: 'caution', target: { any: ['led', 'acid'] } }, { effect: 'require', target: { everything: true }, require: 'sun-filter' }],
    reason: 'The medicine may make skin react to light.', instead: 'Watch closely; finish with sun filter.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A06', title: 'Isotretinoin or acitretin within six months',
    when: { kind: 'fact', code: 'isotretinoin', withinDays: SIX_MONTHS_DAYS, floorDays: SIX_MONTHS_DAYS },
    effects: [
      { effect: 'stop', target: { any: ['exfoliating', 'suction', 'rf', 'needling', 'blade', 'heat', 'steam', 'self-heating', 'warming'], not: ['enzyme'] } },
      { effect: 'clearance', target: { any: ['enzyme'] }, unless: { kind: 'clearance', id: 'A06-enzyme' } },
      { effect: 'limit', target: { lever: 'extraction' }, limit: { kind: 'rung', lever: 'extraction', max: 2 } },
      { effect: 'require', target: { any: ['extraction'] }, require: 'surface-only' },
      { effect: 'require', target: { everything: true }, require: 'lukewarm-removal' },
    ],
    reason: 'The skin tears and marks easily for six months after the last tablet.', instead: 'Cleanse, hydrate, soothe; extraction at the surface only.',
    basis: 'published', source: 'Product labelling of isotretinoin (value from memory); a 2017 surgeons’ consensus is less strict, we take the stricter', overridable: 'no',
  },
  {
    id: 'A07', title: 'Prescription retinoid or acid within five days',
    when: { kind: 'fact', code: 'retinoid-prescription', withinDays: 5, floorDays: 3 },
    effects: [
      { effect: 'stop', target: { any: ['acid', 'mechanical', 'scrub'] } },
      { effect: 'limit', target: { lever: 'enzyme' }, limit: { kind: 'rung', lever: 'enzyme', max: 1 } },
    ],
    reason: 'The barrier is thinner while the medicine works.', instead: 'Enzyme on rung 1, or hydration only.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A11', title: 'Cold sore, infection or fever now', when: { kind: 'fact', code: 'infection' },
    effects: [{ effect: 'postpone', target: { everything: true } }],
    reason: 'It can spread, to you as well.', instead: 'Book again when it has healed.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A11w', title: 'Open wound', when: { kind: 'fact', code: 'open-wound' },
    effects: [{ effect: 'omit-zone', target: { everything: true }, zones: 'because' }],
    reason: 'Broken skin takes up what is meant for the surface.', instead: 'Leave the zone out.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A12', title: 'History of cold sores', when: { kind: 'fact', code: 'cold-sore-history' },
    effects: [
      { effect: 'caution', target: { any: ['enzyme', 'acid'] }, zones: ['lips', 'chin'] },
      { effect: 'clearance', target: { any: ['blade', 'needling'] }, zones: ['lips', 'chin'], unless: { kind: 'clearance', id: 'A12-mouth' } },
      { effect: 'limit', target: { lever: 'acid' }, zones: ['lips', 'chin'], limit: { kind: 'rung', lever: 'acid', max: 2 }, unless: { kind: 'clearance', id: 'A12-mouth' } },
    ],
    reason: 'Strong work near the mouth can wake a cold sore.', instead: 'Keep rung 1 or 2 near the mouth, or ask for a clearance.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A13', title: 'Sunburn or windburn', when: { kind: 'fact', code: 'sunburn', afterDays: 3 },
    effects: [
      { effect: 'stop', target: { any: ['exfoliating', 'heat', 'steam', 'self-heating', 'warming', 'retinoid', 'current', 'firm-pressure'] } },
      { effect: 'require', target: { everything: true }, require: 'cool-removal' },
    ],
    reason: 'Burnt skin is open: until no redness, tenderness or peeling, at least 72 hours.', instead: 'The soothing variant; cool compresses.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A16a', title: 'Light peel within 14 days', when: { kind: 'fact', code: 'peel-light', withinDays: 14, floorDays: 14 },
    effects: [{ effect: 'stop', target: { any: ['exfoliating', 'device', 'heat', 'steam', 'self-heating', 'warming'] } }],
    reason: 'The surface is still renewing after the peel.', instead: 'Soothe and hydrate.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A16b', title: 'Medium peel, needling or laser within 28 days', when: { kind: 'fact', code: 'peel-medium', withinDays: 28, floorDays: 28 },
    effects: [{ effect: 'stop', target: { any: ['exfoliating', 'device', 'heat', 'steam', 'self-heating', 'warming'] } }],
    reason: 'The skin is still healing.', instead: 'Soothe and hydrate.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A16c', title: 'Deep peel, ablative laser or surgery', when: { kind: 'fact', code: 'peel-deep', withinDays: 90, floorDays: 90 },
    effects: [{ effect: 'stop', target: { any: ['exfoliating', 'device', 'heat', 'steam', 'self-heating', 'warming'] } }],
    reason: 'The skin is still healing for about 90 days.', instead: 'Soothe and hydrate; ask the physician.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A16d', title: 'After a deep peel, ablative laser or surgery', when: { kind: 'fact', code: 'peel-deep' },
    effects: [{ effect: 'clearance', target: { any: ['exfoliating', 'device', 'heat', 'steam', 'self-heating', 'warming'] }, unless: { kind: 'clearance', id: 'A16-after' } }],
    reason: 'After 90 days too, a physician’s word comes first.', instead: 'Record the clearance, with who gave it and when.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A21', title: 'Lash extensions or lift', when: { kind: 'fact', code: 'lash-extensions' },
    effects: [
      { effect: 'omit-zone', target: { any: ['oil', 'steam'] }, zones: ['eye-contour'] },
      { effect: 'stop', target: { any: ['over-lids'] } },
      { effect: 'require', target: { any: ['steam'] }, require: 'eyes-covered' },
    ],
    reason: 'Oil and steam loosen the bond of lash extensions.', instead: 'Oil-free near the eyes; nothing over the lids.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A23', title: 'Under 18', when: { kind: 'age-below', years: 18 },
    effects: [{ effect: 'postpone', target: { everything: true }, unless: { kind: 'guardian-consent' } }],
    reason: 'A minor needs the dated consent of a guardian.', instead: 'Record the guardian’s consent on Consult, or book again with the guardian.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A23y', title: 'Under 16', when: { kind: 'age-below', years: 16 },
    effects: [
      { effect: 'stop', target: { any: ['rf', 'needling', 'retinoid'] } },
      { effect: 'limit', target: { lever: 'acid' }, limit: { kind: 'rung', lever: 'acid', max: 1 } },
    ],
    reason: 'Young skin gets the mildest form.', instead: 'Acid on rung 1 at the most.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'A27', title: 'A change that a physician should see',
    when: { kind: 'any', of: [{ kind: 'fact', code: 'changed-lesion' }, { kind: 'finding', finding: 'new-change', minGrade: 1 }] },
    effects: [{ effect: 'refer', target: { everything: true }, zones: 'because' }],
    reason: 'This is outside the trade.', instead: 'Leave the zone out and advise a physician; name no disease.', basis: 'common-practice', overridable: 'no',
  },
]
