import { describe, expect, test } from 'vitest'
import { client, no, planFor, protocolOf, seen, TODAY, TOLERATED, yes, CALM } from '../../tests/situations'
import { ACID, BRIGHTENING, CLARIFYING, SET_MASK } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import type { Fact } from '../client'
import type { CompileInput, FittedPlan } from '.'

// Each rule once where it must fire and once where it must not, on the demo protocols. Facts of the trade: common practice, no source.
type Case = readonly [rule: string, what: string, given: Partial<CompileInput>, holds: (plan: FittedPlan) => boolean]

const has = (plan: FittedPlan, id: string) => plan.steps.some((step) => step.id === id)
const step = (plan: FittedPlan, id: string) => plan.steps.find((one) => one.id === id)
const product = (plan: FittedPlan, id: string) => step(plan, id)?.product?.productId
const fired = (plan: FittedPlan, rule: string) => plan.changes.some((change) => change.why.some((why) => why.ruleId === rule))
const dwell = (plan: FittedPlan, id: string) => step(plan, id)?.segments.find((segment) => segment.kind === 'dwell')?.usualS
const warmth = (plan: FittedPlan, id: string) => step(plan, id)?.segments.find((segment) => segment.kind === 'remove')?.temperature
const of = (...facts: Fact[]) => ({ client: client(facts) })
const read = (...findings: ReturnType<typeof seen>[]) => ({ reading: { done: true, findings } })
const cautions = (plan: FittedPlan) => plan.cautions.map((one) => one.line).join(' ')

const FIRES: readonly Case[] = [
  ['A01', 'pacemaker stops microcurrent', { protocol: SET_MASK, ...of(yes('implant-electronic')) }, (p) => !has(p, 'wands')],
  ['A01', 'and high frequency', { protocol: CLARIFYING, ...of(yes('implant-electronic')) }, (p) => !has(p, 'hf')],
  ['A02', 'braces leave the chin out of current', { protocol: SET_MASK, ...of(yes('metal', { zones: ['chin'] })) }, (p) => !step(p, 'wands')!.zones.includes('chin') && step(p, 'wands')!.zones.includes('forehead')],
  ['A04', 'pregnancy: no steam', { protocol: CLARIFYING, ...of(yes('pregnancy')) }, (p) => !has(p, 'steam') && !has(p, 'hf')],
  ['A04', 'pregnancy: acid on rung 1', { protocol: ACID, ...of(yes('pregnancy')) }, (p) => step(p, 'peel')!.lever!.rung === 1],
  ['A05', 'strong photosensitiser stops the panel', { protocol: ACID, ...of(yes('photosensitiser-strong')) }, (p) => !has(p, 'led') && step(p, 'peel')!.lever!.rung === 1],
  ['A06', 'isotretinoin stopped five months ago', { protocol: ACID, ...of(yes('isotretinoin', { on: '2026-06-24' })) }, (p) => !has(p, 'peel')],
  ['A06', 'enzyme needs a clearance', { ...of(yes('isotretinoin')) }, (p) => !has(p, 'enzyme')],
  ['A07', 'prescription retinoid stopped three days ago', { protocol: ACID, ...of(yes('retinoid-prescription', { on: '2026-11-21' })) }, (p) => !has(p, 'peel')],
  ['A07', 'enzyme on rung 1', { ...of(yes('retinoid-prescription')) }, (p) => step(p, 'enzyme')!.lever!.rung === 1 && dwell(p, 'enzyme') === 180],
  ['A11w', 'an open wound leaves its zone out', { ...of(yes('open-wound', { zones: ['chin'] })) }, (p) => p.steps.every((one) => !one.zones.includes('chin'))],
  ['A12', 'cold sores: acid near the mouth on rung 2', { protocol: ACID, ...of(yes('cold-sore-history')) }, (p) => step(p, 'peel')!.lever!.rung <= 2],
  ['A13', 'sunburn', { protocol: ACID, ...of(yes('sunburn')) }, (p) => !has(p, 'peel')],
  ['A13', 'sunburn over, yesterday', { ...of({ ...no('sunburn'), askedOn: TODAY, on: '2026-11-23' }) }, (p) => !has(p, 'enzyme')],
  ['A16a', 'light peel 14 days ago', { ...of(yes('peel-light', { on: '2026-11-10' })) }, (p) => !has(p, 'enzyme')],
  ['A16b', 'needling 28 days ago', { ...of(yes('peel-medium', { on: '2026-10-27' })) }, (p) => !has(p, 'enzyme') && !has(p, 'globes')],
  ['A16c', 'surgery 90 days ago', { ...of(yes('peel-deep', { on: '2026-08-26' })) }, (p) => !has(p, 'enzyme')],
  ['A16d', 'surgery long ago asks for a clearance', { ...of(yes('peel-deep', { on: '2025-08-26' })) }, (p) => !has(p, 'enzyme')],
  ['A21', 'lash extensions: oil off the eyes', { ...of(yes('lash-extensions')) }, (p) => !step(p, 'eyes')!.zones.includes('eye-contour') || product(p, 'eyes') === 'eye-oil-free'],
  ['A23y', 'fifteen: acid on rung 1', { protocol: ACID, client: client([yes('guardian-consent', { on: '2026-11-01' })], { bornOn: '2011-06-01' }) }, (p) => step(p, 'peel')!.lever!.rung === 1],
  ['A27', 'a changed mole: leave the zone out', { ...of(yes('changed-lesion', { zones: ['cheek-left'] })) }, (p) => p.steps.every((one) => !one.zones.includes('cheek-left'))],
  ['A27', 'the same, seen under the lamp', { ...read(seen('new-change', 1, ['nose'])) }, (p) => p.steps.every((one) => !one.zones.includes('nose'))],
  ['B-pineapple', 'pineapple replaced, papaya not without a clearance', { ...of(yes('allergy:pineapple')) }, (p) => product(p, 'enzyme') === 'rice-enzyme'],
  ['B-papaya', 'papaya', { protocol: { ...BRIGHTENING, steps: BRIGHTENING.steps.map((one) => (one.id === 'enzyme' ? { ...one, product: { productId: 'papaya-enzyme', useId: 'mask' } } : one)) }, ...of(yes('allergy:papaya')) }, (p) => product(p, 'enzyme') === 'rice-enzyme'],
  ['B-salicylates', 'aspirin', { ...of(yes('allergy:salicylates')) }, (p) => product(p, 'clearing') === 'zinc-fluid'],
  ['B-salicylates-sun', 'sun filter without salicylates where there is one', { ...of(yes('allergy:salicylates')) }, (p) => product(p, 'sun') === 'sun-veil'],
  ['B-fragrance', 'scented toner replaced', { ...of(yes('allergy:fragrance')) }, (p) => product(p, 'tone-1') === 'chamomile-toner'],
  ['B00', 'no list, any allergy', { protocol: protocolOf(...CLARIFYING.steps.map((one) => (one.id === 'scrub' ? { ...one, title: 'Dulse Gommage', product: { productId: 'dulse-gommage', useId: 'rub' } } : one))), ...of(yes('allergy:fig')) }, (p) => product(p, 'scrub') !== 'dulse-gommage'],
  ['B02', 'refused before', { client: client([], { memories: [{ productId: 'kelp-set-mask', memory: 'refused', on: '2026-09-01' }] }) }, (p) => product(p, 'kelp') !== 'kelp-set-mask' && has(p, 'kelp')],
  ['B03', 'reacted before', { client: client([], { memories: [{ productId: 'niacin-serum', memory: 'reacted', on: '2026-09-01' }] }) }, (p) => !has(p, 'serum')],
  ['C01', 'flushing cheeks: no scrub there', { protocol: CLARIFYING, ...read(seen('flushing')) }, (p) => !has(p, 'steam') && !step(p, 'scrub')!.zones.includes('cheek-left') && step(p, 'scrub')!.zones.includes('nose')],
  ['C02', 'patchy pigment: no steam, acid rung 2', { protocol: CLARIFYING, ...read(seen('patchy-pigment')) }, (p) => !has(p, 'steam') && warmth(p, 'clay') === 'lukewarm'],
  ['C02', 'no self-heating mask: the kelp stands in', { protocol: SET_MASK, ...of(yes('melasma')) }, (p) => product(p, 'ember') === 'kelp-set-mask'],
  ['C02', 'phototype V with inflammation', { protocol: CLARIFYING, ...of(yes('phototype-iv-vi')), ...read(seen('inflamed', 1)) }, (p) => !has(p, 'steam')],
  ['C03', 'impaired barrier everywhere', { ...read(seen('barrier', 1, ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin', 'neck', 'decollete'])) }, (p) => !has(p, 'enzyme')],
  ['C04', 'sensitive: acid at most three minutes', { protocol: ACID, ...read(seen('sensitive')) }, (p) => (dwell(p, 'peel') ?? 0) <= 180],
  ['C05', 'inflamed cheeks: no scrub there', { protocol: CLARIFYING, ...read(seen('inflamed')) }, (p) => !step(p, 'scrub')!.zones.includes('cheek-right')],
  ['C12', 'beard: removal a quarter longer', { ...of(yes('facial-hair')) }, (p) => step(p, 'cleanse-1')!.segments.find((segment) => segment.kind === 'remove')!.usualS === 113],
  ['D02', 'alkaline wash untoned', { protocol: protocolOf(...CLARIFYING.steps.filter((one) => one.id !== 'tone-1')) }, (p) => has(p, 'cleanse-2+toning')],
  ['D03', 'acid on damp skin', { protocol: protocolOf(...ACID.steps.filter((one) => !['blot', 'lamp', 'cleanse-2', 'tone-1'].includes(one.id))) }, (p) => has(p, 'peel+blot')],
  ['D03', 'a product for damp skin on dry', { shelf: { ...DEMO_SHELF, products: DEMO_SHELF.products.map((one) => (one.id === 'bead-scrub' ? { ...one, skin: 'damp' as const } : one)) }, protocol: CLARIFYING }, (p) => has(p, 'scrub+damp')],
  ['D12', 'acid without its neutraliser', { protocol: protocolOf(...ACID.steps.filter((one) => one.id !== 'neutralise')) }, (p) => has(p, 'peel+neutralising')],
  ['D17', 'day visit without sun filter', { protocol: protocolOf(...ACID.steps.filter((one) => one.id !== 'sun')) }, (p) => p.steps.some((one) => one.phase === 'sun')],
  ['D06', 'steam gives way to an acid', { protocol: protocolOf(...ACID.steps.slice(0, 5), CLARIFYING.steps.find((one) => one.id === 'steam')!, ...ACID.steps.slice(5)) }, (p) => !has(p, 'steam') && has(p, 'peel')],
  ['D07', 'nothing flammable before high frequency: the lotion is swapped', { protocol: protocolOf(...CLARIFYING.steps.map((one) => (one.id === 'tone-1' ? { ...one, product: { productId: 'thyme-spirit', useId: 'tone' }, priority: 1 } : one))) }, (p) => has(p, 'hf') && product(p, 'tone-1') !== 'thyme-spirit'],
  ['D07', 'or the high frequency is left out where the lotion matters more', { protocol: protocolOf(...CLARIFYING.steps.map((one) => (one.id === 'tone-1' ? { ...one, product: { productId: 'thyme-spirit', useId: 'tone' }, closes: undefined, essential: true } : one))) }, (p) => !has(p, 'hf') && product(p, 'tone-1') === 'thyme-spirit'],
  ['E02', 'first visit: one rung lower, two at the most', { history: [] }, (p) => step(p, 'enzyme')!.lever!.rung === 2 && dwell(p, 'enzyme') === 300],
  ['E05', 'after a strong answer', { history: [...TOLERATED, { on: '2026-11-10', levers: [{ lever: 'enzyme', rung: 3 }], answer: { ...CALM, redness: 3, rednessHours: 48 } }] }, (p) => step(p, 'enzyme')!.lever!.rung === 2],
  ['E06', 'after blisters', { history: [{ on: '2026-11-10', levers: [{ lever: 'enzyme', rung: 2 }], answer: { ...CALM, blisters: true } }] }, (p) => !has(p, 'enzyme')],
  ['E07', 'after a long gap', { history: [{ on: '2026-05-10', levers: [{ lever: 'enzyme', rung: 3 }], answer: CALM }] }, (p) => step(p, 'enzyme')!.lever!.rung === 1],
]

describe('fires', () => {
  test.each(FIRES)('%s: %s', (rule, _what, given, holds) => {
    const plan = planFor(given)
    expect(plan.problems).toEqual([])
    expect(fired(plan, rule)).toBe(true)
    expect(holds(plan)).toBe(true)
  })
})

describe('does not fire', () => {
  const QUIET: readonly (readonly [string, string, Partial<CompileInput>])[] = [
    ['A01', 'no implant', { protocol: SET_MASK }], ['A02', 'metal elsewhere than the current', { protocol: SET_MASK, ...of(yes('metal', { zones: ['neck'] })) }],
    ['A04', 'not pregnant', { protocol: CLARIFYING }], ['A05', 'no such medicine', { protocol: ACID }], ['A06', 'stopped 184 days ago', { protocol: ACID, ...of(yes('isotretinoin', { on: '2026-05-24' })) }],
    ['A07', 'stopped six days ago', { protocol: ACID, ...of(yes('retinoid-prescription', { on: '2026-11-18' })) }], ['A13', 'sunburn over, four days ago', { ...of({ ...no('sunburn'), askedOn: TODAY, on: '2026-11-20' }) }],
    ['A16a', 'light peel 15 days ago', { ...of(yes('peel-light', { on: '2026-11-09' })) }], ['A16b', 'needling 29 days ago', { ...of(yes('peel-medium', { on: '2026-10-26' })) }],
    ['A16d', 'with the clearance', { client: client([yes('peel-deep', { on: '2025-08-26' })], { clearances: [{ clearance: 'A16-after', by: 'Dr Invented', on: '2026-11-01' }] }) }],
    ['A21', 'no extensions', {}], ['A12', 'cold sores, acid away from the mouth', { protocol: protocolOf(...ACID.steps.map((one) => (one.id === 'peel' ? { ...one, zones: ['forehead' as const] } : one))), ...of(yes('cold-sore-history')) }],
    ['A23y', 'seventeen with consent', { protocol: ACID, client: client([yes('guardian-consent', { on: '2026-11-01' })], { bornOn: '2009-06-01' }) }],
    ['B-pineapple', 'papaya is another allergy', { protocol: SET_MASK, ...of(yes('allergy:papaya')) }], ['B-salicylates', 'sun-filter salicylates alone', { ...of(yes('allergy:sun-salicylates')) }],
    ['C01', 'a few vessels, grade 1', { protocol: CLARIFYING, ...read(seen('vessels', 1, ['nose'])) }], ['C02', 'phototype V, calm skin', { protocol: CLARIFYING, ...of(yes('phototype-iv-vi')) }],
    ['C05', 'inflamed neck, scrub on the face', { protocol: CLARIFYING, ...read(seen('inflamed', 2, ['neck'])) }], ['C12', 'no beard', {}], ['C13', 'lip-safe on the lips', {}],
    ['D02', 'toned', { protocol: CLARIFYING }], ['D03', 'blotted', { protocol: ACID }], ['D12', 'neutralised', { protocol: ACID }], ['D07', 'flammable, but after the high frequency', { protocol: protocolOf(...CLARIFYING.steps.map((one) => (one.id === 'clearing' ? { ...one, phase: 'tone' as const, product: { productId: 'thyme-spirit', useId: 'tone' } } : one))) }], ['D07', 'flammable, and taken off again', { protocol: protocolOf(...CLARIFYING.steps.map((one) => (one.id === 'tone-1' ? { ...one, product: { productId: 'thyme-spirit', useId: 'tone' }, segments: [...one.segments, { ...one.segments[0]!, id: 'off', kind: 'remove' as const }] } : one))) }],
    ['D17', 'an evening visit', { daytime: false, protocol: protocolOf(...ACID.steps.filter((one) => one.id !== 'sun')) }],
    ['D06', 'steam with an enzyme that allows it', { protocol: protocolOf(...BRIGHTENING.steps.slice(0, 6), CLARIFYING.steps.find((one) => one.id === 'steam')!, ...BRIGHTENING.steps.slice(6)) }],
  ]
  test.each(QUIET)('%s: %s', (rule, _what, given) => {
    const plan = planFor(given)
    expect(plan.status).toBe('ready')
    expect(fired(plan, rule)).toBe(false)
  })
})

describe('the whole visit', () => {
  test.each([['A11', of(yes('infection')), 'Cold sore'], ['A23', { client: client([], { bornOn: '2010-01-01' }) }, 'Under 18']] as const)('%s postpones', (_rule, given, words) => {
    const plan = planFor(given)
    expect(plan.status).toBe('postponed')
    expect(plan.problems[0]).toContain(words)
    expect(plan.segments).toEqual([])
  })
  test('A23: guardian consent dated after the visit does not count', () => expect(planFor({ client: client([yes('guardian-consent', { on: '2026-11-25' })], { bornOn: '2010-01-01' }) }).status).toBe('postponed'))
  test('breathing trouble crosses to the other plant enzymes, whatever clearance there is', () => {
    const cleared = [{ clearance: 'B-pineapple-papaya', by: 'Dr Invented', on: '2026-11-01' }]
    const shelf = { ...DEMO_SHELF, products: DEMO_SHELF.products.filter((one) => one.id !== 'rice-enzyme') }
    const enzyme = (reaction: 'rash' | 'breathing') => product(planFor({ shelf, client: client([yes('allergy:pineapple', { reaction })], { clearances: cleared }) }), 'enzyme')
    expect(enzyme('rash')).toBe('papaya-enzyme')
    expect(enzyme('breathing')).toBeUndefined()
  })
  test('C06: a deep lesion is left alone', () => expect(cautions(planFor(read(seen('deep-lesion', 1, ['chin']))))).toContain('leave deep lesions alone'))
  test('D01: acid comes off cool even when written warm', () => {
    const warm = protocolOf(...ACID.steps.map((one) => (one.id === 'peel' ? { ...one, segments: one.segments.map((segment) => (segment.kind === 'remove' ? { ...segment, temperature: 'warm' as const } : segment)) } : one)))
    const plan = planFor({ protocol: warm })
    expect([fired(plan, 'D01') || product(plan, 'peel') !== 'glycolic-peel', warmth(plan, 'peel')]).toEqual([true, 'cool'])
  })
  test('D11: the set mask is on before it sets', () => {
    const { segments } = planFor()
    const [mix, on] = [segments.find((one) => one.id === 'kelp/mix')!, segments.find((one) => one.id === 'kelp/on')!]
    expect(on.endS - mix.endS).toBeLessThanOrEqual(240)
  })
  test('D24: active dwells last exactly as fitted', () => {
    const plan = planFor()
    for (const one of plan.segments.filter((segment) => segment.kind === 'dwell' && segment.active)) {
      const written = plan.steps.find((candidate) => candidate.id === one.stepId)!.segments.find((segment) => one.id.endsWith(`/${segment.id}`))!
      expect(one.endS - one.startS).toBe(written.usualS)
    }
  })
  test('C13: nothing but lip-safe on the lips', () => {
    const bad = protocolOf(...BRIGHTENING.steps.map((one) => (one.id === 'cream' ? { ...one, zones: [...one.zones, 'lips' as const] } : one)))
    const plan = planFor({ protocol: bad })
    expect(fired(plan, 'C13')).toBe(true)
    expect(step(plan, 'cream')!.zones).not.toContain('lips')
  })
  test('C15: the allowance is kept, the less important one gives way', () => {
    const both = protocolOf(...BRIGHTENING.steps.slice(0, 5), CLARIFYING.steps.find((one) => one.id === 'scrub')!, ...BRIGHTENING.steps.slice(5))
    expect(has(planFor({ protocol: both }), 'scrub')).toBe(true)
    const sensitive = planFor({ protocol: both, ...read(seen('sensitive', 1, ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin'])) })
    expect([has(sensitive, 'enzyme'), has(sensitive, 'scrub'), fired(sensitive, 'C15s')]).toEqual([true, false, true])
  })
})
