import type { Property } from '../../protocol/words'
import type { RuleEffect } from '../rule'
import { ALWAYS, row, type RuleRow } from './rows'

const needs = (require: NonNullable<RuleEffect['require']>, ...any: Property[]): RuleEffect => ({ effect: 'require', target: { any }, require })

/**
 * Family D: what products and devices ask of each other, whoever the client is. Rows without effects speak of pairs of steps or of
 * time: they are held by `core/adapt/together` and `core/schedule`, which take their words from here.
 */
export const PHYSICS_RULES: readonly RuleRow[] = [
  row('D01', 'Cool removal', ALWAYS, [needs('cool-removal', 'acid', 'stings', 'warming')], 'Warm water wakes an acid or a warming catalyst again.', 'Take it off cool or at room temperature.'),
  row('D02', 'Tone after an alkaline step', ALWAYS, [needs('tone-after', 'alkaline')], 'A product above pH 8 leaves the skin alkaline.', 'Tone back before the next active.'),
  row('D03', 'Dry or damp as the product says', ALWAYS, [needs('skin-dry', 'wants-dry'), needs('skin-damp', 'wants-damp', 'ultrasonic-blade')], 'The product or device says on which skin it works: dry or damp.', 'Blot dry, or dampen, first.'),
  row('D04', 'Conductive gel', ALWAYS, [needs('conductive-gel', 'current', 'rf', 'ultrasound')], 'Dry contact burns.', 'Gel under the whole contact, all the time.'),
  row('D05', 'No oil film under an electrode', ALWAYS, [needs('no-oil', 'current', 'infusion', 'ultrasound')], 'Oil keeps current and serum out.', 'Wipe the oil off first.'),
  row('D06', 'Steam with acid or enzyme', ALWAYS, [], 'Steam drives an acid deeper than it is meant to go; over an enzyme only where the product allows it and the rung is tolerated.', 'A hydrating concentrate softens without heat.'),
  row('D07', 'Nothing flammable under a spark', ALWAYS, [], 'High frequency sparks: nothing flammable may lie on the skin before it.', 'A product without alcohol before it, or calm with cold instead.'),
  row('D08', 'Radio frequency keeps moving', ALWAYS, [needs('keep-moving', 'rf')], 'Three seconds on one place is too long.', 'Always moving, full contact, skin at 42 °C at the most.'),
  row('D09', 'Polarity', ALWAYS, [{ effect: 'require', target: { all: ['current', 'infusion'] }, require: 'polarity' }], 'Like charges push the product in.', 'The pole of the product’s charge; where the method swaps, both halves equal; finish positive after desincrustation.'),
  row('D10', 'Eyes shielded under light', ALWAYS, [needs('eye-shields', 'led', 'led-blue')], 'Bright light through closed lids.', 'Shields on before the panel.'),
  row('D11', 'Working time', ALWAYS, [needs('working-time', 'sets')], 'It sets: mixing ends just before applying.', 'Mix when your hands are free to apply.'),
  row('D12', 'Neutralise to the end of the foam', ALWAYS, [needs('neutralise-after', 'needs-neutraliser')], 'This acid works on until it is neutralised.', 'Neutralise until no foam comes, then rinse cool.'),
  row('D13', 'A mix that stands alone', ALWAYS, [needs('uncovered', 'stand-alone')], 'What stands alone must not be sealed in.', 'Nothing over it; no paraffin, no foil.'),
  row('D14', 'Rest before use', ALWAYS, [needs('rest-first', 'rests')], 'The mix must rest first.', 'Cover the bowl and wait the time its maker says.'),
  row('D15', 'Towels and wraps at 40 °C', ALWAYS, [{ effect: 'require', target: { everything: true }, require: 'towel-heat' }], 'A cabinet towel is far hotter than skin can take.', 'Wrist first; 40 °C, never above 43.', { source: 'Burn thresholds of ISO 13732-1 are a never-exceed bound, not a permission (value from memory)' }),
  row('D16', 'Outside the published review', ALWAYS, [{ effect: 'caution', target: { any: ['outside-review'] } }], 'Strength or pH is outside the published review for brief professional use: at most 30 % and pH at least 3.0.', 'The maker’s instruction comes first; watch every second.', { basis: 'published', source: 'Cosmetic Ingredient Review, Int J Toxicol 1998;17 Suppl 1 (value from memory)' }),
  row('D17', 'Sun filter by day', { kind: 'day' }, [{ effect: 'require', target: { everything: true }, require: 'sun-filter' }], 'A treated skin leaves the house by daylight.', 'Finish with sun filter at the full dose.'),
  row('D18', 'Open skin', ALWAYS, [], 'On needled or bladed skin goes only what its maker states for open skin, single-use, never tinted.', 'A product with that statement; else shade and a hat.'),
  row('D19', 'Peel and needling never together', ALWAYS, [], 'Open channels and fresh acid, scrub or suction add up. Some combine them; we make them visits of one course.', 'Two visits.'),
  row('D20', 'Self-heating mask after acid or enzyme', ALWAYS, [], 'Heat over a fresh acid burns; after an enzyme only once the skin is toned.', 'A cool mask after an acid; tone after the enzyme.'),
  row('D21', 'Minutes of a device on one zone', ALWAYS, [{ effect: 'limit', target: { any: ['device'] }, limit: { kind: 'device-minutes' } }], 'The maker says how long it may work on one place.', 'No longer than that on any zone.'),
  row('D22', 'Past its date, or open too long', ALWAYS, [{ effect: 'stop', target: { any: ['expired'] } }], 'This batch is past its date or has been open too long.', 'Another batch, or what stands in.'),
  row('D23', 'Needling: depth and lot', ALWAYS, [needs('depth-and-lot', 'needling')], 'Depth in mm within the salon’s ceiling (0.25 unless the owner sets another), cartridge lot on the record.', 'Write both down before it begins.'),
  row('D25', 'For the evening only', { kind: 'day' }, [{ effect: 'stop', target: { any: ['evening-only'] } }], 'Its maker means it for the evening: daylight and it do not go together.', 'Another of its kind by day; this one in the evening.'),
  row('D24', 'Active dwells never stretch', ALWAYS, [], 'Acid, enzyme, warmth, steam, current, radio frequency and light last exactly as fitted.', 'Hands are there when it is due.'),
]
