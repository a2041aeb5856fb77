import { EYES, MOUTH, NECK, NOSE } from '../../skin/zones'
import type { LeverId, Property } from '../../protocol/words'
import type { RuleEffect } from '../rule'
import { ALWAYS, anyOf, fact, finding, row, SIX_MONTHS_DAYS, within, type RuleRow } from './rows'

const HEAT: readonly Property[] = ['heat', 'steam', 'self-heating', 'warming']
const ALL_WORK: readonly Property[] = ['exfoliating', 'device', ...HEAT]
const stop = (...any: Property[]): RuleEffect => ({ effect: 'stop', target: { any } })
const omit = (...any: Property[]): RuleEffect => ({ effect: 'omit-zone', target: { any }, zones: 'because' })
const rung = (lever: LeverId, max: number, more: Partial<RuleEffect> = {}): RuleEffect => ({ effect: 'limit', target: { lever }, limit: { kind: 'rung', lever, max }, ...more })
const clearance = (id: string, ...any: Property[]): RuleEffect => ({ effect: 'clearance', target: { any }, unless: { kind: 'clearance', id } })
const OMIT_ALL: RuleEffect = { effect: 'omit-zone', target: { everything: true }, zones: 'because' }
const always = (require: NonNullable<RuleEffect['require']>): RuleEffect => ({ effect: 'require', target: { everything: true }, require })
/** Injected: light hands, no current, radio frequency or suction over it. */
const INJECTED: readonly RuleEffect[] = [omit('rf', 'current', 'suction', 'firm-pressure'), rung('pressure', 1, { zones: 'because' })]

/** Family A: health. Ids are stored with plans: never reuse one. */
export const HEALTH_RULES: readonly RuleRow[] = [
  row('A00', 'Throat, carotids and nostrils', ALWAYS, [
    { effect: 'omit-zone', target: { any: ['firm-pressure'] }, zones: NECK }, { effect: 'omit-zone', target: { any: ['current', 'ultrasound'] }, zones: ['neck-front', 'under-chin'] },
    { effect: 'require', target: { any: ['sets', 'film-peel', 'self-heating', 'occludes-mouth'] }, zones: [...NOSE, ...MOUTH], require: 'nostrils-free' },
  ], 'Nobody takes firm pressure over the carotids, or current and ultrasound over the throat.', 'Light hands there; the nostrils stay free under every mask.'),
  row('A01', 'Electronic implant or sensor', fact('implant-electronic'), [stop('current', 'field', 'rf', 'magnet')], 'Current, fields and radio frequency can disturb an implanted or worn device.', 'Work by hand; no magnets near.'),
  row('A02', 'Metal in face or neck', fact('metal'), [omit('current', 'rf')], 'Metal gathers current and heat.', 'Leave those zones out, or work by hand there.'),
  row('A03', 'Epilepsy or seizures', fact('epilepsy'), [stop('changing-light', 'current'), clearance('A03-light', 'led')], 'Changing light and current can set off a seizure.', 'No light panel without a clearance, and then steady light only; work by hand.'),
  row('A04', 'Pregnant or breast-feeding', fact('pregnancy'), [
    stop('retinoid', 'current', 'rf', 'salicylic-strong', 'hydroquinone'), stop(...HEAT),
    rung('acid', 1, { unless: { kind: 'clearance', id: 'A04-acid' } }), { effect: 'caution', target: { everything: true }, require: 'propped-up' },
  ], 'Retinoids, current, strong salicylates and heat are left out while pregnant or breast-feeding.', 'A warm towel is fine; late in pregnancy propped up, not flat; acid above rung 1 needs a clearance.'),
  row('A05', 'Strongly light-sensitising medicine', fact('photosensitiser-strong'), [stop('led'), rung('acid', 1), always('sun-filter')], 'The medicine makes skin react to light.', 'No light panel; acid on rung 1 at the most; finish with sun filter.'),
  row('A05w', 'Possibly light-sensitising medicine', fact('photosensitiser-weak'), [{ effect: 'caution', target: { any: ['led', 'acid'] } }, always('sun-filter')], 'The medicine may make skin react to light.', 'Watch closely; finish with sun filter.'),
  row('A06', 'Isotretinoin or acitretin within six months', within('isotretinoin', SIX_MONTHS_DAYS), [
    { effect: 'stop', target: { any: ['exfoliating', 'suction', 'rf', 'needling', 'blade', ...HEAT], not: ['enzyme'] } }, clearance('A06-enzyme', 'enzyme'),
    rung('extraction', 2), { effect: 'require', target: { any: ['extraction'] }, require: 'surface-only' }, always('lukewarm-removal'),
  ], 'The skin tears and marks easily for six months after the last tablet.', 'Cleanse, hydrate, soothe; extraction at the surface only.', { basis: 'published', source: 'Product labelling of isotretinoin (value from memory); a 2017 surgeons’ consensus is less strict, we take the stricter' }),
  row('A07', 'Prescription retinoid or acid within five days', within('retinoid-prescription', 5, 3), [stop('acid', 'mechanical', 'scrub'), rung('enzyme', 1)], 'The barrier is thinner while the medicine works.', 'Enzyme on rung 1, or hydration only.'),
  row('A07b', 'Retinol, scrub or acid at home within three days', anyOf(within('retinol', 3), within('own-exfoliant', 3)), [
    rung('acid', 1), rung('enzyme', 1), rung('exfoliation', 1), { effect: 'limit', target: { everything: true }, limit: { kind: 'exfoliation-used', max: 1 } },
  ], 'What was used at home still counts: one point of exfoliation is spent.', 'The lowest rung; the rest of the allowance only.', { basis: 'house', overridable: 'reason' }),
  row('A08', 'Blood thinner or bleeding disorder', anyOf(fact('anticoagulant'), fact('bleeding-disorder')), [stop('needling', 'blade', 'lancet'), rung('extraction', 2), { effect: 'require', target: { any: ['extraction'] }, require: 'surface-only' }, rung('suction', 1)], 'Small bleedings do not stop and leave bruises.', 'Extraction at the surface; suction on the lowest rung.'),
  row('A09', 'Diabetes, well controlled', fact('diabetes'), [
    { effect: 'caution', target: { any: ['exfoliating', 'extraction', 'suction'] } }, ...(['acid', 'enzyme', 'exfoliation', 'extraction', 'suction'] as const).map((lever) => rung(lever, lever === 'extraction' ? 2 : 1)), clearance('A09-skin', 'blade', 'needling'),
  ], 'The skin may heal more slowly and feel less.', 'The lowest rungs; look often.'),
  row('A09s', 'Slow healing, or the immune system strongly suppressed', anyOf(fact('slow-healing'), fact('immune')), [{ effect: 'postpone', target: { everything: true }, unless: { kind: 'clearance', id: 'A09-visit' } }], 'A small lesion can become a large one.', 'Not without the physician’s clearance: record it on Consult, with who gave it and when.'),
  row('A09r', 'Irradiated area', fact('radiation-field'), [OMIT_ALL], 'Irradiated skin is left alone.', 'Leave the zone out.'),
  row('A10', 'Scars that grow beyond the wound', fact('keloid'), [stop('needling'), { effect: 'caution', target: { any: ['blade', 'extraction'] } }], 'Every injury may become a raised scar.', 'No needling; nothing that may bleed.'),
  row('A11', 'Cold sore, infection or fever now', fact('infection'), [{ effect: 'postpone', target: { everything: true } }], 'It can spread, to you as well.', 'Book again when it has healed.'),
  row('A11w', 'Open wound', fact('open-wound'), [OMIT_ALL], 'Broken skin takes up what is meant for the surface.', 'Leave the zone out.'),
  row('A12', 'History of cold sores', fact('cold-sore-history'), [
    { effect: 'caution', target: { any: ['enzyme', 'acid'] }, zones: MOUTH, require: 'watch-mouth' },
    { effect: 'clearance', target: { any: ['blade', 'needling'] }, zones: MOUTH, unless: { kind: 'clearance', id: 'A12-mouth' } }, rung('acid', 2, { zones: MOUTH, unless: { kind: 'clearance', id: 'A12-mouth' } }),
  ], 'Strong work near the mouth can wake a cold sore.', 'Keep rung 1 or 2 near the mouth, or ask for a clearance.'),
  row('A13', 'Sunburn or windburn', fact('sunburn', { afterDays: 3 }), [stop('exfoliating', ...HEAT, 'retinoid', 'current', 'firm-pressure'), always('cool-removal')], 'Burnt skin is open: until no redness, tenderness or peeling, at least 72 hours.', 'The soothing variant; cool compresses.'),
  row('A14', 'Botulinum within two weeks', within('botulinum', 14), INJECTED, 'Pressure and current can move what was injected.', 'Light hands over the treated zones; devices elsewhere.'),
  row('A15', 'Filler within two weeks', within('filler', 14), INJECTED, 'Pressure can shift what was injected.', 'Light hands over the treated zones.'),
  row('A15h', 'Filler within four weeks', within('filler', 28), [omit('rf', ...HEAT)], 'Heat and radio frequency can change a fresh filler.', 'Nothing warm over the treated zones.'),
  row('A15t', 'Thread lift within ninety days', within('threads', 90), [...INJECTED, omit(...HEAT)], 'Pressure, heat and current can loosen the threads.', 'Light hands over the treated zones.'),
  row('A16a', 'Light peel within 14 days', within('peel-light', 14), [stop(...ALL_WORK)], 'The surface is still renewing after the peel.', 'Soothe and hydrate.'),
  row('A16b', 'Medium peel, needling or laser within 28 days', within('peel-medium', 28), [stop(...ALL_WORK)], 'The skin is still healing.', 'Soothe and hydrate.'),
  row('A16c', 'Deep peel, ablative laser or surgery', within('peel-deep', 90), [stop(...ALL_WORK)], 'The skin is still healing for about 90 days.', 'Soothe and hydrate; ask the physician.'),
  row('A16d', 'After a deep peel, ablative laser or surgery', fact('peel-deep'), [clearance('A16-after', ...ALL_WORK)], 'After 90 days too, a physician’s word comes first.', 'Record the clearance, with who gave it and when.'),
  row('A17', 'Waxed or depilated within three days', within('waxing', 3), [omit('acid', 'scrub', 'mechanical', 'warming')], 'The surface came off with the hair.', 'Leave those zones out of acid, scrub and warmth.'),
  row('A17s', 'Shaved today', within('shaved', 1), [rung('acid', 1, { zones: 'because' }), omit('scrub', 'mechanical')], 'A blade has taken the surface already.', 'The lowest acid rung; no scrub there.'),
  row('A18', 'Disease of the thyroid or the carotid artery', fact('thyroid-carotid'), [{ effect: 'omit-zone', target: { any: ['pressure', 'firm-pressure', 'current', 'field'] }, zones: ['neck-front', 'under-chin'] }, rung('pressure', 1, { zones: NECK })], 'The front of the neck is left alone.', 'No pressure and no current there.'),
  row('A19c', 'Hives from cold', fact('cold-urticaria'), [stop('cold')], 'Cold brings hives.', 'Lukewarm compresses; calm with the mask.'),
  row('A19h', 'Hives from heat', fact('heat-urticaria'), [stop(...HEAT), always('lukewarm-removal')], 'Heat brings hives.', 'Nothing warm; lukewarm towels.'),
  row('A20', 'Contact lenses', fact('contact-lenses'), [{ effect: 'require', target: { any: ['steam', 'acid', 'eye-work'] }, require: 'lenses-out' }], 'Steam and products get behind a lens.', 'Lenses out before it.'),
  row('A21', 'Lash extensions or lift', fact('lash-extensions'), [{ effect: 'omit-zone', target: { any: ['oil', 'steam'] }, zones: EYES }, stop('over-lids'), { effect: 'require', target: { any: ['steam'] }, require: 'eyes-covered' }], 'Oil and steam loosen the bond of lash extensions.', 'Oil-free near the eyes; nothing over the lids.'),
  row('A22', 'Uneasy when covered', fact('claustrophobia'), [stop('occludes-eyes', 'occludes-mouth', 'over-lids'), always('hand-signal')], 'Covered eyes or mouth bring panic.', 'Leave eyes and mouth free; agree a hand signal.'),
  row('A23', 'Under 18', { kind: 'age-below', years: 18 }, [{ effect: 'postpone', target: { everything: true }, unless: { kind: 'guardian-consent' } }], 'A minor needs the dated consent of a guardian.', 'Record the guardian’s consent on Consult, or book again with the guardian.'),
  row('A23y', 'Under 16', { kind: 'age-below', years: 16 }, [stop('rf', 'needling', 'retinoid'), rung('acid', 1)], 'Young skin gets the mildest form.', 'Acid on rung 1 at the most.'),
  row('A24', 'Metal worn near the face', fact('worn-metal'), [{ effect: 'require', target: { any: ['current', 'field', 'rf', 'steam'] }, require: 'metal-out' }], 'Metal gathers current and heat.', 'Take it out before it.'),
  row('A24s', 'Worn metal that cannot come out', fact('worn-metal-stays'), [omit('current', 'field', 'rf', 'steam')], 'Metal gathers current and heat.', 'Leave the zones near it out.'),
  row('A25', 'Asthma, or migraine from scents', fact('asthma-scent'), [{ effect: 'replace', target: { family: 'fragrance' }, soft: true }, { effect: 'omit-zone', target: { any: ['aerosol'] }, zones: NOSE }], 'Scent and spray can bring an attack.', 'Scent-free variants; no spray at the nose.', { overridable: 'reason' }),
  row('A26', 'Uncontrolled blood pressure, drink or drugs', fact('unwell'), [{ effect: 'postpone', target: { everything: true } }], 'The treatment can make it worse.', 'Book again.'),
  row('A27', 'A change that a physician should see', anyOf(fact('changed-lesion'), finding('new-change'), { kind: 'lesions', types: ['changed'], atLeast: 1 }), [{ effect: 'refer', target: { everything: true }, zones: 'because' }], 'This is outside the trade.', 'Leave the zone out and advise a physician; name no disease.'),
  row('A28', 'Eye infection, or surgery around the eyes within eight weeks', anyOf(fact('eye-infection'), within('eye-surgery', 56)), [stop('eye-work', 'over-lids', 'occludes-eyes'), { effect: 'omit-zone', target: { everything: true }, zones: EYES }], 'The eyes are left alone until they have healed.', 'Leave the eye area out.'),
  row('A29', 'Reduced feeling', fact('reduced-feeling'), [stop(...HEAT, 'current', 'rf'), rung('pressure', 1)], 'What is too much is not felt.', 'Nothing warm, no current; the lightest hands.'),
  row('A30', 'Light-sensitive disease', fact('light-disease'), [stop('led'), clearance('A30-skin', 'acid', 'rf', 'heat'), always('sun-filter')], 'Light and strong stimuli can wake it.', 'No light panel; the rest with a clearance.'),
  row('A31', 'Lymph nodes removed', fact('lymph-nodes'), [{ effect: 'omit-zone', target: { everything: true }, zones: ['arms', 'hands'] }], 'Massage can make that arm swell.', 'Leave arms and hands out.'),
  row('A31l', 'Clot, varicose veins or wound on the leg', fact('legs'), [{ effect: 'omit-zone', target: { everything: true }, zones: ['feet'] }], 'Legs and feet are left alone.', 'Hands or shoulders instead.'),
  row('A35', 'Active patch of eczema or psoriasis', fact('skin-patch'), [OMIT_ALL], 'The patch is inflamed and open.', 'Leave the zone out.'),
  row('A35v', 'Vitiligo', fact('vitiligo'), [omit('mechanical', 'scrub', 'blade', 'needling')], 'Friction can bring new patches.', 'Nothing that rubs; soft hands.'),
  row('A35p', 'Permanent make-up within six weeks', within('permanent-makeup', 42), [OMIT_ALL], 'It is still healing, and products draw the colour out.', 'Leave the zone out.'),
  row('A37', 'Blocked nose', fact('blocked-nose'), [stop('occludes-mouth'), always('mouth-free')], 'The client breathes through the mouth.', 'Nothing over mouth or nose.'),
]

