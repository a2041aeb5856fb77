import { NECK, CHEEKS, EYES, FACE, FACE_NECK } from '#core/skin'
import { OPEN, shelfOf, tested, TOUGH, read, pins } from '../build'
import { BRIGHTENING, ACID, CLARIFYING, SET_MASK, SHELF } from '../../fixtures'
import { hasLadder } from '#core/adapt'
import { client, no, protocolOf, seen, TODAY, yes, CALM } from '../../situations'
import { segment } from '#core/protocol'
import { NO_SETTINGS } from '#core/safety'
import {
  step,
  has,
  gone,
  product,
  dwell,
  warmth,
  without,
  rungs,
  minds,
  trays,
  of,
  who,
  work,
  day,
  around,
  x,
  lever,
  at,
  acid,
  on,
  CHIN,
  retinoidNight,
  history,
  scope,
  self,
  using,
  type Case,
} from '../build'

export const FIRES: readonly Case[] = [
  [
    'A00',
    'no current over the throat',
    lever('current', 2, 'current'),
    (p) => without(p, 'neck-front') && !without(p, 'neck-side-left') && !without(p, 'under-chin'),
  ],
  [
    'A00',
    'no firm pressure over the carotids',
    x('firm-pressure'),
    (p) =>
      without(p, 'neck-front', 'neck-side-left', 'neck-side-right') && !without(p, 'under-chin'),
  ],
  [
    'A00',
    'current beside the throat only on the lower rung',
    lever('current', 4, 'current'),
    (p) =>
      has(p, 'x') &&
      without(p, 'neck-front', 'neck-side-left', 'under-chin') &&
      step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A01',
    'pacemaker stops microcurrent',
    { protocol: SET_MASK, ...of(yes('implant-electronic')) },
    (p) => !has(p, 'wands'),
  ],
  [
    'A01',
    'and high frequency, fields, radio frequency and magnets',
    { ...x('field', 'magnet'), ...of(yes('implant-electronic')) },
    gone,
  ],
  [
    'A01',
    'and ultrasound, as infusion or as spatula',
    { ...x('ultrasound', 'ultrasonic-blade'), ...of(yes('implant-electronic')) },
    gone,
  ],
  [
    'A02',
    'braces leave the chin out of current',
    { protocol: SET_MASK, ...of(yes('metal', CHIN)) },
    (p) =>
      !step(p, 'wands')!.zones.includes('chin') && step(p, 'wands')!.zones.includes('forehead'),
  ],
  [
    'A03',
    'seizures: no changing light',
    { ...x('led', 'changing-light'), ...of(yes('epilepsy')) },
    gone,
  ],
  [
    'A03',
    'steady light with a clearance',
    {
      ...x('led'),
      client: client([yes('epilepsy')], {
        clearances: [{ clearance: 'A03-light', by: 'Dr Invented', on: '2026-11-01' }],
      }),
    },
    (p) => !gone(p) && minds(p).includes('steady light'),
  ],
  [
    'A04',
    'pregnancy: no steam',
    { protocol: CLARIFYING, ...of(yes('pregnancy')) },
    (p) => !has(p, 'steam') && !has(p, 'hf'),
  ],
  [
    'A04',
    'pregnancy: acid on rung 1',
    { protocol: ACID, ...of(yes('pregnancy')) },
    (p) => rungs(p, 'peel') === 1 && minds(p).includes('propped up'),
  ],
  [
    'A04',
    'pregnancy: no salicylic peel, not even one of two percent',
    {
      ...shelfOf({ id: 'bha', actives: [{ name: 'salicylic', percent: 2 }], pH: 3.8 }),
      ...around(using('bha')),
      ...of(yes('pregnancy')),
    },
    (p) => product(p, 'x') !== 'bha',
  ],
  [
    'A04',
    'pregnancy: no needling and no ultrasound',
    { ...x('needling', 'ultrasound'), ...scope('needling'), ...of(yes('pregnancy')) },
    gone,
  ],
  [
    'A05',
    'strong photosensitiser stops the panel',
    { protocol: ACID, ...of(yes('photosensitiser-strong')) },
    (p) => !has(p, 'led') && rungs(p, 'peel') === 1,
  ],
  [
    'A05',
    'named as a medicine',
    { protocol: ACID, ...of(yes('medicine:doxycycline')) },
    (p) => !has(p, 'led'),
  ],
  [
    'A05w',
    'weak one: a caution',
    { ...x('led'), ...of(yes('medicine:ibuprofen')) },
    (p) => minds(p).includes('Watch closely'),
  ],
  [
    'A06',
    'isotretinoin stopped five months ago',
    { protocol: ACID, ...of(yes('isotretinoin', on('2026-06-24'))) },
    (p) => !has(p, 'peel'),
  ],
  [
    'A06',
    'as a medicine, 183 days ago',
    { protocol: ACID, ...of(yes('medicine:acitretin', on('2026-05-25'))) },
    (p) => !has(p, 'peel'),
  ],
  ['A06', 'enzyme needs a clearance', { ...of(yes('isotretinoin')) }, (p) => !has(p, 'enzyme')],
  [
    'A07',
    'prescription retinoid stopped three days ago',
    { protocol: ACID, ...of(yes('retinoid-prescription', on('2026-11-21'))) },
    (p) => !has(p, 'peel'),
  ],
  [
    'A07',
    'enzyme on rung 1',
    { ...of(yes('medicine:tretinoin')) },
    (p) => rungs(p, 'enzyme') === 1 && dwell(p, 'enzyme') === 150,
  ],
  [
    'A07',
    'no blade while a prescription retinoid works',
    { ...x('blade'), ...scope('blade'), ...of(yes('retinoid-prescription', on('2026-11-21'))) },
    gone,
  ],
  [
    'A07b',
    'retinol two days ago: a point is spent, lowest rung',
    { ...of(yes('retinol', on('2026-11-22'))) },
    (p) => rungs(p, 'enzyme') === 1,
  ],
  [
    'A07b',
    'no second exfoliation beside it',
    {
      ...around(
        work(['exfoliating', 'enzyme']),
        work(['exfoliating', 'gommage'], { id: 'y', priority: 1 }),
      ),
      ...of(yes('own-exfoliant', on('2026-11-23'))),
    },
    (p) => has(p, 'x') && !has(p, 'y'),
  ],
  [
    'A08',
    'blood thinner: extraction at the surface',
    { ...lever('extraction', 3, 'extraction'), ...of(yes('medicine:warfarin')) },
    (p) => minds(p).includes('surface only'),
  ],
  ['A08', 'no blade', { ...x('blade'), ...scope('blade'), ...of(yes('bleeding-disorder')) }, gone],
  ['A09', 'diabetes: lowest rung', { ...acid(2), ...of(yes('diabetes')) }, gone],
  [
    'A09',
    'suction on the start level',
    { ...lever('suction', 3, 'suction'), ...of(yes('diabetes')) },
    (p) => rungs(p) === 1,
  ],
  [
    'A09r',
    'irradiated chin left out',
    { ...x('cold'), ...of(yes('radiation-field', CHIN)) },
    (p) => without(p, 'chin'),
  ],
  [
    'A10',
    'keloids: no needling',
    { ...x('needling'), ...scope('needling'), ...of(yes('keloid')) },
    gone,
  ],
  [
    'A11w',
    'an open wound leaves its zone out',
    { ...of(yes('open-wound', CHIN)) },
    (p) => p.steps.every((step) => !step.zones.includes('chin')),
  ],
  [
    'A12',
    'cold sores: acid near the mouth on rung 2',
    { protocol: ACID, ...of(yes('cold-sore-history')) },
    (p) => rungs(p, 'peel')! <= 2 && minds(p).includes('cold sores'),
  ],
  [
    'A12',
    'cold sores: nothing that scrubs or plumps on the lips',
    {
      ...at(['lips', 'upper-lip'], 'scrub', 'lip-safe'),
      ...of(yes('cold-sore-history')),
    },
    (p) => without(p, 'lips') && !without(p, 'upper-lip'),
  ],
  ['A13', 'sunburn: no light', { ...x('led'), ...of(yes('sunburn')) }, gone],
  ['A13', 'sunburn', { protocol: ACID, ...of(yes('sunburn')) }, (p) => !has(p, 'peel')],
  [
    'A13',
    'sunburn over, yesterday',
    { ...of({ ...no('sunburn'), askedOn: TODAY, on: '2026-11-23' }) },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'A14',
    'botulinum 14 days ago: light hands there',
    {
      ...x('firm-pressure'),
      ...of(yes('botulinum', { on: '2026-11-10', zones: ['forehead', 'glabella'] })),
    },
    (p) => without(p, 'forehead', 'glabella') && !without(p, 'cheek-left'),
  ],
  [
    'A15',
    'filler last week: no suction there',
    {
      ...lever('suction', 1, 'suction'),
      ...of(yes('filler', { on: '2026-11-17', zones: ['cheek-left'] })),
    },
    (p) => without(p, 'cheek-left'),
  ],
  [
    'A15h',
    'filler three weeks ago: nothing warm',
    { ...x('warming'), ...of(yes('filler', { on: '2026-11-03', zones: ['cheek-left'] })) },
    (p) => without(p, 'cheek-left'),
  ],
  [
    'A15o',
    'skin boosters three weeks ago: no current over them',
    { ...x('current'), ...of(yes('injectables', { on: '2026-11-03', zones: ['cheek-left'] })) },
    (p) => without(p, 'cheek-left') && step(p, 'x')!.zones.includes('forehead'),
  ],
  ['A04b', 'breast-feeding: no retinoid', { ...x('retinoid'), ...of(yes('breast-feeding')) }, gone],
  [
    'A04b',
    'breast-feeding: nothing left on the chest',
    { ...at([...FACE_NECK], 'leave-on'), ...of(yes('breast-feeding')) },
    (p) => without(p, 'decollete') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A09c',
    'cancer two years ago: no light without a clearance',
    { ...x('led'), ...of(yes('cancer', on('2024-11-24'))) },
    gone,
  ],
  [
    'A09c',
    'with a clearance it stays',
    {
      ...x('led'),
      client: client([yes('cancer', on('2024-11-24'))], {
        clearances: [{ clearance: 'A09-cancer', by: 'Dr Invented', on: '2026-11-01' }],
      }),
    },
    (p) => has(p, 'x'),
  ],
  [
    'A09k',
    'skin cancer beside the nose: no firm hands there',
    { ...x('firm-pressure'), ...of(yes('skin-cancer', { zones: ['nose-side-left'] })) },
    (p) => without(p, 'nose-side-left') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A07s',
    'steroid cream two weeks ago: no mechanical peel',
    { ...x('mechanical', 'exfoliating'), ...of(yes('steroid', on('2026-11-10'))) },
    gone,
  ],
  [
    'A13s',
    'sunbed yesterday: acid on rung 1',
    { ...acid(3), ...of(yes('strong-sun', on('2026-11-23'))) },
    (p) => !has(p, 'x') || rungs(p) === 1,
  ],
  [
    'A17e',
    'light hair removal a week ago leaves the chin out',
    { ...x('exfoliating'), ...of(yes('hair-removal', { on: '2026-11-17', ...CHIN })) },
    (p) => without(p, 'chin') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A18j',
    'jaw joint: no firm work at the jaw',
    { ...x('firm-pressure'), ...of(yes('jaw-joint')) },
    (p) => without(p, 'jaw-left', 'jaw-right') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A18e',
    'raised eye pressure: no suction at the eyes',
    { ...at([...FACE, ...EYES], 'suction'), ...of(yes('eye-pressure')) },
    (p) => without(p, 'under-eye-left') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A29',
    'numb from the dentist: nothing cold',
    { ...x('cold'), ...of(yes('dental-injection')) },
    gone,
  ],
  [
    'B06',
    'yarrow in the client’s own words: what lists it by its Latin name goes',
    {
      ...shelfOf(
        { id: 'holds', inci: 'Aqua, Achillea Millefolium Extract' },
        { id: 'free', inci: 'Aqua, Glycerin' },
      ),
      protocol: protocolOf(using('holds')),
      ...of(yes('allergy:word:yarrow')),
    },
    (p) => product(p, 'x') !== 'holds',
  ],
  [
    'B06-dislike',
    'another for what is disliked by name',
    {
      ...shelfOf({ id: 'holds', inci: 'Aqua, Panthenol' }, { id: 'free', inci: 'Aqua, Glycerin' }),
      protocol: protocolOf(using('holds')),
      ...of(yes('allergy:word:panthenol', { reaction: 'dislike' })),
    },
    (p) => product(p, 'x') !== 'holds',
  ],
  ['B07', 'nickel: no metal probe', { ...x('metal-touch'), ...of(yes('allergy:nickel')) }, gone],
  [
    'A16a',
    'light peel a week ago: cold and steady light stay, current goes',
    {
      ...around(
        work(['device', 'cold']),
        work(['device', 'led'], { id: 'y', zones: [...FACE] }),
        work(['device', 'current'], { id: 'z' }),
      ),
      ...of(yes('peel-light', on('2026-11-17'))),
    },
    (p) => has(p, 'x') && has(p, 'y') && !has(p, 'z'),
  ],
  [
    'A16l',
    'light peel two days ago: no light, nothing cold from a machine',
    { ...x('device', 'cold'), ...of(yes('peel-light', on('2026-11-22'))) },
    gone,
  ],
  [
    'A17',
    'an upper lip waxed yesterday leaves the lips out of a scrub',
    {
      ...at([...FACE, 'lips'], 'scrub'),
      ...of(yes('waxing', { on: '2026-11-23', zones: ['upper-lip'] })),
    },
    (p) => without(p, 'upper-lip', 'lips') && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'A22',
    'uneasy when covered: no panel over the face',
    { ...x('led', 'panel'), ...of(yes('claustrophobia')) },
    gone,
  ],
  [
    'C01',
    'flushing cheeks: nothing from the freezer there',
    { ...x('cold', 'iced'), ...read(seen('flushing', 2, CHEEKS)) },
    (p) => without(p, ...CHEEKS) && step(p, 'x')!.zones.includes('forehead'),
  ],
  [
    'D17s',
    'a sun protection of SPF 15 gives way to one of 50',
    {
      ...shelfOf({ ...SHELF.products.find(({ id }) => id === 'sun-veil'), id: 'weak', spf: 15 }),
      protocol: protocolOf(
        ...day.map((one) =>
          one.id === 'sun' ? { ...one, product: { ...one.product!, productId: 'weak' } } : one,
        ),
      ),
    },
    (p) => product(p, 'sun') !== 'weak',
  ],
  [
    'D25',
    'a retinoid by day, whatever its maker says of the evening',
    {
      ...shelfOf({ id: 'retinol', inci: 'Aqua, Retinol', properties: ['retinoid'] }),
      protocol: protocolOf(using('retinol')),
    },
    (p) => product(p, 'x') !== 'retinol',
  ],
  [
    'D01',
    'a cleanser of a little acid comes off lukewarm',
    {
      ...shelfOf({
        id: 'mild',
        kind: 'cleanser',
        actives: [{ name: 'lactic', percent: 2 }],
        pH: 3.8,
      }),
      protocol: protocolOf(using('mild')),
    },
    (p) => ['lukewarm', undefined].includes(warmth(p, 'x')),
  ],
  [
    'C12f',
    'down on the cheeks: a film is minded',
    { ...x('film-peel'), ...read(seen('fine-hair', 1, CHEEKS)) },
    (p) => minds(p).includes('Along the growth'),
  ],
  [
    'D27',
    'steam is tried away from the face; a thermal mask wants the headband back',
    around(
      work(['steam'], { phase: 'soften' }),
      work(['self-heating'], { id: 'y', phase: 'mask' }),
    ),
    (p) => minds(p).includes('tried away from the face') || minds(p).includes('headband'),
  ],
  [
    'D06s',
    'marks on the cheeks: no steam before an acid',
    { ...x('steam', 'steam-cooled'), ...read(seen('marks', 1, ['chin'])) },
    gone,
  ],
  [
    'A15t',
    'threads two months ago',
    { ...x('current'), ...of(yes('threads', { on: '2026-09-24', zones: ['jaw-left'] })) },
    (p) => without(p, 'jaw-left'),
  ],
  [
    'A16a',
    'light peel 14 days ago',
    { ...of(yes('peel-light', on('2026-11-10'))) },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'A16b',
    'needling 28 days ago',
    { ...of(yes('peel-medium', on('2026-10-27'))) },
    (p) => !has(p, 'enzyme') && !has(p, 'globes'),
  ],
  [
    'A16c',
    'surgery 90 days ago',
    { ...of(yes('peel-deep', on('2026-08-26'))) },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'A16d',
    'surgery long ago asks for a clearance',
    { ...of(yes('peel-deep', on('2025-08-26'))) },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'A17',
    'waxed upper lip, three days ago',
    {
      ...x('scrub', 'exfoliating'),
      ...of(yes('waxing', { on: '2026-11-21', zones: ['upper-lip'] })),
    },
    (p) => without(p, 'upper-lip'),
  ],
  [
    'A17s',
    'shaved this morning: no scrub there',
    {
      ...x('scrub', 'exfoliating'),
      ...of(yes('shaved', { on: TODAY, zones: ['jaw-left', 'jaw-right'] })),
    },
    (p) => without(p, 'jaw-left', 'jaw-right'),
  ],
  [
    'A18',
    'thyroid: front of the neck without pressure',
    { ...x('pressure'), ...of(yes('thyroid-carotid')) },
    (p) => without(p, 'neck-front') && !without(p, 'cheek-left'),
  ],
  [
    'A18',
    'thyroid: no massage over the throat',
    {
      ...around(work([], { phase: 'massage', lever: { lever: 'pressure', rung: 2 } })),
      ...of(yes('thyroid-carotid')),
    },
    (p) => without(p, 'neck-front') && !without(p, 'cheek-left'),
  ],
  [
    'A19c',
    'hives from cold: no acid that has to come off cool',
    { protocol: ACID, ...of(yes('cold-urticaria')) },
    (p) => !has(p, 'peel'),
  ],
  ['A19c', 'hives from cold', { ...x('cold'), ...of(yes('cold-urticaria')) }, gone],
  ['A19h', 'hives from heat', { ...x('warming'), ...of(yes('heat-urticaria')) }, gone],
  [
    'A20',
    'lenses out before steam',
    { ...x('steam'), ...of(yes('contact-lenses')) },
    (p) => minds(p).includes('contact lenses out') && trays(p).includes('case for lenses'),
  ],
  [
    'A21',
    'lash extensions: oil off the eyes',
    { ...of(yes('lash-extensions')) },
    (p) =>
      !step(p, 'eyes')!.zones.some((zone) => EYES.includes(zone)) ||
      product(p, 'eyes') === 'eye-oil-free',
  ],
  [
    'A22',
    'uneasy when covered',
    { ...x('occludes-eyes'), ...of(yes('claustrophobia')) },
    (p) => gone(p) && minds(p).includes('hand signal'),
  ],
  [
    'A23y',
    'fifteen: acid on rung 1',
    {
      protocol: ACID,
      client: client([yes('guardian-consent', on('2026-11-01'))], { bornOn: '2011-06-01' }),
    },
    (p) => rungs(p, 'peel') === 1,
  ],
  [
    'A23p',
    'seventeen, where the guardian stays',
    {
      settings: { ...NO_SETTINGS, guardianStays: true },
      practitioner: { scope: ['minors'], hazards: [] },
      client: client([yes('guardian-consent', on('2026-11-01'))], { bornOn: '2009-06-01' }),
    },
    (p) => minds(p).includes('the guardian stays in the room'),
  ],
  [
    'A24',
    'jewellery out before current',
    { ...x('current'), ...of(yes('worn-metal')) },
    (p) => minds(p).includes('jewellery'),
  ],
  [
    'A24s',
    'a piercing that stays leaves its zone out',
    { ...x('current'), ...of(yes('worn-metal-stays', { zones: ['brow-left', 'temple-left'] })) },
    (p) => without(p, 'temple-left'),
  ],
  [
    'A25',
    'asthma: scented toner replaced',
    { ...of(yes('asthma-scent')) },
    (p) => product(p, 'tone-1') !== 'rose-toner',
  ],
  [
    'A27',
    'a changed mole: leave the zone out',
    { ...of(yes('changed-lesion', { zones: ['cheek-left'] })) },
    (p) => p.steps.every((step) => !step.zones.includes('cheek-left')),
  ],
  [
    'A27',
    'the same, seen under the lamp',
    { ...read(seen('new-change', 1, ['nose-bridge'])) },
    (p) => p.steps.every((step) => !step.zones.includes('nose-bridge')),
  ],
  [
    'A27',
    'or pinned on the map',
    { ...pins('changed') },
    (p) => p.steps.every((step) => !step.zones.includes('cheek-left')),
  ],
  [
    'A28',
    'eye surgery seven weeks ago: no eye work',
    { ...of(yes('eye-surgery', on('2026-10-06'))) },
    (p) => p.steps.every((step) => !step.zones.some((zone) => EYES.includes(zone))),
  ],
  ['A29', 'numb: nothing warm', { ...x('warming'), ...of(yes('reduced-feeling')) }, gone],
  ['A30', 'lupus: no light', { ...x('led'), ...of(yes('light-disease')) }, gone],
  [
    'A31',
    'lymph nodes removed: not the arms',
    { ...at(['hands', 'shoulders']), ...of(yes('lymph-nodes')) },
    (p) => without(p, 'hands'),
  ],
  ['A31l', 'a clot: not the feet', { ...at(['feet']), ...of(yes('legs')) }, gone],
  [
    'A35',
    'a patch of eczema left out',
    { ...x('cold'), ...of(yes('skin-patch', CHIN)) },
    (p) => without(p, 'chin'),
  ],
  [
    'A35v',
    'vitiligo: nothing that rubs',
    { ...x('scrub', 'exfoliating'), ...of(yes('vitiligo', CHIN)) },
    (p) => without(p, 'chin'),
  ],
  [
    'A35p',
    'permanent brows last month',
    {
      ...at([...EYES, 'forehead'], 'eye-work'),
      ...of(yes('permanent-makeup', { on: '2026-10-20', zones: ['brow-left', 'brow-right'] })),
    },
    (p) => without(p, 'brow-left', 'brow-right'),
  ],
  [
    'A37',
    'blocked nose: nothing over the mouth',
    { ...x('occludes-mouth'), ...of(yes('blocked-nose')) },
    gone,
  ],
  [
    'B-pineapple',
    'pineapple replaced, papaya not without a clearance',
    { ...of(yes('allergy:pineapple')) },
    (p) => product(p, 'enzyme') === 'rice-enzyme',
  ],
  [
    'B-salicylates-sun',
    'sun protection without salicylates where there is one',
    { ...of(yes('allergy:salicylates')) },
    (p) => product(p, 'sun') === 'sun-veil',
  ],
  [
    'B-latex-gloves',
    'nitrile gloves',
    { ...of(yes('allergy:latex')) },
    (p) => trays(p).includes('nitrile gloves'),
  ],
  [
    'B-algae',
    'iodine: another mask where there is one',
    { ...of(yes('allergy:algae')) },
    (p) =>
      !p.steps.some((step) => step.product?.productId === 'kelp-concentrate') ||
      minds(p).includes('watch closely'),
  ],
  [
    'B00',
    'no list, any allergy',
    {
      protocol: protocolOf(
        ...CLARIFYING.steps.map((step) =>
          step.id === 'scrub'
            ? {
                ...step,
                title: 'Dulse Gommage',
                product: { productId: 'dulse-gommage', useId: 'rub' },
              }
            : step,
        ),
      ),
      ...of(yes('allergy:fig')),
    },
    (p) => product(p, 'scrub') !== 'dulse-gommage',
  ],
  [
    'B01',
    'allergies never asked: no exfoliation yet',
    {
      client: {
        ...client(),
        facts: client().facts.filter((fact) => !fact.code.startsWith('allergy')),
      },
    },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'B02',
    'refused before',
    who({ memories: [{ productId: 'kelp-set-mask', memory: 'refused', on: '2026-09-01' }] }),
    (p) => product(p, 'kelp') !== 'kelp-set-mask' && has(p, 'kelp'),
  ],
  [
    'B03',
    'reacted before',
    who({ memories: [{ productId: 'niacin-serum', memory: 'reacted', on: '2026-09-01' }] }),
    (p) => step(p, 'serum')?.product?.productId !== 'niacin-serum',
  ],
  [
    'C01',
    'flushing cheeks: no scrub there',
    { protocol: CLARIFYING, ...read(seen('flushing')) },
    (p) =>
      !has(p, 'steam') &&
      !step(p, 'scrub')!.zones.includes('cheek-left') &&
      step(p, 'scrub')!.zones.includes('nose-bridge'),
  ],
  [
    'C02',
    'one mark of grade 1: steam stays, a rung lower',
    { protocol: CLARIFYING, ...read(seen('marks', 1, ['chin'])) },
    (p) => rungs(p, 'steam') === 2 && dwell(p, 'steam') === 180,
  ],
  [
    'C02',
    'one mark: nothing that heats by itself over it',
    { protocol: SET_MASK, ...read(seen('marks', 1, ['chin'])) },
    (p) => product(p, 'ember') === 'kelp-set-mask',
  ],
  [
    'C02',
    'one mark: radio frequency goes round it',
    { ...x('rf'), ...scope('rf'), ...read(seen('marks', 1, ['chin'])) },
    (p) => without(p, 'chin') && !without(p, 'forehead'),
  ],
  [
    'C02h',
    'patchy pigment of grade 2: no steam, lukewarm towels',
    { protocol: CLARIFYING, ...read(seen('patchy-pigment')) },
    (p) => !has(p, 'steam') && warmth(p, 'clay') === 'lukewarm',
  ],
  [
    'C02h',
    'marks on three zones, each of grade 1',
    { protocol: CLARIFYING, ...read(seen('marks', 1, ['chin', 'forehead', 'cheek-left'])) },
    (p) => !has(p, 'steam'),
  ],
  [
    'C02h',
    'no self-heating mask: the kelp stands in',
    { protocol: SET_MASK, ...of(yes('melasma')) },
    (p) => product(p, 'ember') === 'kelp-set-mask',
  ],
  [
    'C02h',
    'phototype V with inflammation',
    { protocol: CLARIFYING, ...of(yes('phototype-iv-vi')), ...read(seen('inflamed', 1)) },
    (p) => !has(p, 'steam'),
  ],
  [
    'C03',
    'impaired barrier everywhere',
    { ...read(seen('barrier', 1, FACE_NECK)) },
    (p) => !has(p, 'enzyme'),
  ],
  [
    'C04',
    'sensitive: a strong acid waits for its patch test',
    { protocol: ACID, ...read(seen('sensitive', 2, FACE)) },
    (p) => (product(p, 'peel') ?? 'lactic-peel') === 'lactic-peel',
  ],
  [
    'C04',
    'a passed one lets it in, three minutes at most',
    {
      protocol: protocolOf(
        ...ACID.steps.map((step) =>
          step.id === 'peel'
            ? { ...step, product: { productId: 'mandelic-peel', useId: 'peel' }, title: 'Mandelic' }
            : step,
        ),
      ),
      ...tested('calm'),
      ...read(seen('sensitive', 2, FACE)),
    },
    (p) => (dwell(p, 'peel') ?? 0) <= 180,
  ],
  [
    'C05',
    'inflamed cheeks: no scrub there',
    { protocol: CLARIFYING, ...read(seen('inflamed')) },
    (p) => !step(p, 'scrub')!.zones.includes('cheek-right'),
  ],
  [
    'C05p',
    'three pustules pinned on a cheek: no suction over them',
    { ...lever('suction', 2, 'suction'), ...pins('pustule', 'pustule', 'papule') },
    (p) => without(p, 'cheek-left') && !without(p, 'cheek-right'),
  ],
  [
    'C05w',
    'one pustule is worked round',
    { ...lever('suction', 2, 'suction'), ...pins('pustule') },
    (p) => !without(p, 'cheek-left') && minds(p).includes('A finger’s width round each lesion'),
  ],
  [
    'C06',
    'a deep lesion is left alone',
    { ...lever('extraction', 2, 'extraction'), ...read(seen('deep-lesion', 1, ['chin'])) },
    (p) => minds(p).includes('leave deep lesions alone'),
  ],
  [
    'C07',
    'ingrown hair: tweezers',
    { ...lever('extraction', 2, 'extraction'), ...pins('ingrown') },
    (p) => trays(p).includes('sterile tweezers'),
  ],
  [
    'C08',
    'surface-dry: hydrated before extraction, clay short',
    {
      ...around(work(['extraction'], { lever: { lever: 'extraction', rung: 2 } }), {
        ...work(['drying'], { id: 'y' }),
        segments: [
          segment('on', 'apply', 2),
          segment('dwell', 'dwell', [5, 12, 15]),
          segment('off', 'remove', 2),
        ],
      }),
      ...read(seen('surface-dry', 2, FACE)),
    },
    (p) => has(p, 'x+softening') && dwell(p, 'y') === 480,
  ],
  [
    'C09',
    'a mask that dries leaves the eyes free, and then needs no eye gel first',
    { ...at([...FACE, ...EYES], 'drying') },
    (p) => !has(p, 'x+eye-work') && without(p, ...EYES),
  ],
  [
    'C09',
    'kept over the eye contour by the practitioner: eye gel first',
    {
      ...at([...FACE, ...EYES], 'drying'),
      overrides: [{ ruleId: 'C09', stepId: 'x', reason: 'small', by: 'Somebody', at: TODAY }],
    },
    (p) =>
      has(p, 'x+eye-work') && p.steps.find((step) => step.id === 'x')!.zones.includes(EYES[0]!),
  ],
  [
    'C10',
    'a nodule: gentle care, and a physician besides',
    { ...acid(3), ...pins('nodule') },
    (p) => (rungs(p) ?? 1) === 1 && hasLadder(p) && p.refer.some((why) => why.ruleId === 'C10'),
  ],
  [
    'C10',
    'a nodule: nothing mechanical, on no zone',
    { ...x('mechanical', 'exfoliating'), ...pins('nodule') },
    (p) => !has(p, 'x'),
  ],
  [
    'C10',
    'twenty inflamed lesions',
    {
      ...lever('extraction', 4, 'extraction'),
      ...pins(...Array.from({ length: 20 }, () => 'papule' as const)),
    },
    (p) => rungs(p) === 2,
  ],
  [
    'C11',
    'dry: a drying mask at most eight minutes',
    {
      ...around({
        ...work(['drying']),
        segments: [
          segment('on', 'apply', 2),
          segment('dwell', 'dwell', [5, 12, 15]),
          segment('off', 'remove', 2),
        ],
      }),
      ...read(seen('dry', 1, CHEEKS)),
    },
    (p) => dwell(p, 'x') === 480,
  ],
  [
    'C12',
    'beard: removal a quarter longer',
    { ...of(yes('facial-hair')) },
    (p) => step(p, 'cleanse-1')!.segments.find((part) => part.kind === 'remove')!.usualS === 113,
  ],
  ['C12', 'no film peel on it', { ...x('film-peel'), ...of(yes('facial-hair')) }, gone],
  [
    'C13',
    'nothing but lip-safe on the lips',
    {
      protocol: protocolOf(
        ...BRIGHTENING.steps.map((step) =>
          step.id === 'cream' ? { ...step, zones: [...step.zones, 'lips' as const] } : step,
        ),
      ),
    },
    (p) => !step(p, 'cream')!.zones.includes('lips'),
  ],
  [
    'C14',
    'the neck stays out of acid above rung 2',
    { ...acid(3) },
    (p) => without(p, ...NECK, 'decollete') && rungs(p) === 3,
  ],
  ['C14', 'a face-only step keeps to the face', { ...x('face-only') }, (p) => without(p, ...NECK)],
  [
    'C15',
    'three points are the most, for resilient skin too',
    {
      ...around(
        work(['mechanical', 'exfoliating']),
        work(['mechanical', 'exfoliating'], { id: 'y' }),
        work(['exfoliating', 'gommage'], { id: 'z', priority: 1 }),
      ),
      ...read(seen('resilient', 1, FACE_NECK)),
    },
    (p) => has(p, 'x') && has(p, 'y') && !has(p, 'z'),
  ],
  [
    'C15n',
    'two for normal skin',
    {
      ...around(
        work(['scrub', 'exfoliating']),
        work(['enzyme', 'exfoliating'], { id: 'y' }),
        work(['gommage', 'exfoliating'], { id: 'z', priority: 1 }),
      ),
    },
    (p) => has(p, 'x') && has(p, 'y') && !has(p, 'z'),
  ],
  [
    'C15s',
    'one for sensitive skin',
    {
      ...around(
        work(['scrub', 'exfoliating']),
        work(['enzyme', 'exfoliating'], { id: 'y', priority: 1 }),
      ),
      ...read(seen('sensitive', 1, FACE_NECK)),
    },
    (p) => has(p, 'x') && !has(p, 'y'),
  ],
  [
    'C15i',
    'none for an impaired barrier: suction counts',
    { ...lever('suction', 1, 'suction'), ...read(seen('barrier', 1, FACE_NECK)) },
    gone,
  ],
  [
    'C15r',
    'two and a half points with a retinoid, never done before: the retinoid goes',
    { ...retinoidNight(1), ...TOUGH, history: [] },
    (p) => has(p, 'x') && has(p, 'y') && !has(p, 'z'),
  ],
  [
    'C15a',
    'one and a half points on sensitive cheeks: not both',
    { ...retinoidNight(0), ...read(seen('sensitive', 1, CHEEKS)) },
    (p) =>
      has(p, 'x') !== has(p, 'z') || !step(p, 'z')!.zones.some((zone) => CHEEKS.includes(zone)),
  ],
  [
    'C16',
    'high sun: acid one rung lower',
    { ...acid(2), ...of(yes('high-sun')) },
    (p) => gone(p) || rungs(p) === 1,
  ],
  [
    'C16d',
    'dry air is an advice',
    { ...x('exfoliating', 'enzyme'), ...of(yes('dry-air')) },
    (p) => p.advice.some((why) => why.ruleId === 'C16d'),
  ],
  [
    'C17',
    'a wedding on Saturday: small extraction',
    { ...lever('extraction', 4, 'extraction'), ...of(yes('event', on('2026-11-28'))) },
    (p) => rungs(p) === 2,
  ],
  [
    'C17',
    'nothing strong for the first time',
    { history: [], ...of(yes('event', on('2026-11-28'))) },
    (p) => rungs(p, 'enzyme') === 1,
  ],
  ['C17', 'no oil in the hair', { ...at(['scalp'], 'oil'), ...of(yes('event', on(TODAY))) }, gone],
  [
    'C18',
    'no blue light on skin that marks',
    { ...x('led', 'led-blue'), ...of(yes('phototype-iii')) },
    gone,
  ],
  [
    'D01',
    'a sting comes off cool even when written warm',
    {
      ...around({
        ...work(['stings']),
        segments: [
          segment('on', 'apply', 2),
          segment('off', 'remove', 1, { tool: 'sponge', temperature: 'warm' }),
        ],
      }),
    },
    (p) => warmth(p, 'x') === 'cool',
  ],
  [
    'D02',
    'alkaline wash untoned',
    { protocol: protocolOf(...CLARIFYING.steps.filter((step) => step.id !== 'tone-1')) },
    (p) => has(p, 'cleanse-2+toning'),
  ],
  [
    'D03',
    'acid on damp skin',
    {
      protocol: protocolOf(
        ...ACID.steps.filter((step) => !['blot', 'lamp', 'cleanse-2', 'tone-1'].includes(step.id)),
      ),
    },
    (p) => has(p, 'peel+blot'),
  ],
  [
    'D03',
    'an ultrasonic spatula on dry skin',
    { ...around(work(['blotting'], { id: 'y' }), work(['ultrasonic-blade'])) },
    (p) => has(p, 'x+damp'),
  ],
  [
    'D03a',
    'a thermal mask: rather on slightly damp skin',
    x('self-heating', 'heat'),
    (p) => minds(p).includes('rather on slightly damp skin') && !has(p, 'x+damp'),
  ],
  ['D04', 'gel under current', x('current'), (p) => trays(p).includes('conductive gel')],
  [
    'D05',
    'oil wiped off before current',
    {
      protocol: protocolOf(
        day[0]!,
        {
          ...BRIGHTENING.steps.find((step) => step.id === 'massage')!,
          segments: [segment('on', 'apply', 5)],
        },
        work(['current']),
        ...day.slice(1),
      ),
    },
    (p) => has(p, 'x+wipe'),
  ],
  [
    'D06',
    'steam gives way to an acid',
    {
      protocol: protocolOf(
        ...ACID.steps.slice(0, 5),
        CLARIFYING.steps.find((step) => step.id === 'steam')!,
        ...ACID.steps.slice(5),
      ),
    },
    (p) => !has(p, 'steam') && has(p, 'peel'),
  ],
  [
    'D07',
    'nothing flammable before high frequency: the lotion is swapped',
    {
      protocol: protocolOf(
        ...CLARIFYING.steps.map((step) =>
          step.id === 'tone-1'
            ? { ...step, product: { productId: 'thyme-spirit', useId: 'tone' }, priority: 1 }
            : step,
        ),
      ),
    },
    (p) => has(p, 'hf') && product(p, 'tone-1') !== 'thyme-spirit',
  ],
  [
    'D08',
    'radio frequency keeps moving',
    { ...x('rf'), ...scope('rf') },
    (p) => minds(p).includes('always moving'),
  ],
  [
    'D09',
    'polarity of a galvanic infusion',
    x('current', 'infusion'),
    (p) => minds(p).includes('both halves equal'),
  ],
  ['D10', 'eye shields under the panel', x('led'), (p) => trays(p).includes('eye shields')],
  [
    'D11',
    'the set mask is on before it sets',
    {},
    (p) => {
      const end = (id: string) => p.segments.find((part) => part.id === id)!.endS
      return end('kelp/on') - end('kelp/mix') <= 240
    },
  ],
  [
    'D12',
    'acid without its neutraliser',
    { protocol: protocolOf(...ACID.steps.filter((step) => step.id !== 'neutralise')) },
    (p) => has(p, 'peel+neutralising'),
  ],
  [
    'D13',
    'nothing seals in what stands alone',
    around(work(['stand-alone']), work(['occlusive'], { id: 'y', priority: 1 })),
    (p) => has(p, 'x') && !has(p, 'y'),
  ],
  ['D14', 'a mix that rests', x('rests'), (p) => minds(p).includes('let the mix rest')],
  ['D15', 'towels at 40 °C', {}, (p) => minds(p).includes('never above 43')],
  [
    'D16',
    'lactic at pH 2.8 is outside the review',
    {
      ...shelfOf({ id: 'far', kind: 'acid', actives: [{ name: 'lactic', percent: 10 }], pH: 2.8 }),
      ...around(using('far')),
    },
    (p) => minds(p).includes('watch every second'),
  ],
  [
    'D17',
    'day visit without sun protection',
    { protocol: protocolOf(...ACID.steps.filter((step) => step.id !== 'sun')) },
    (p) => p.steps.some((step) => step.phase === 'sun'),
  ],
  [
    'D18',
    'only what is made for open skin',
    {
      ...shelfOf({ id: 'plain' }, { id: 'open', openSkinUse: true }),
      ...around(work(['needling'], { zones: ['chin'], essential: true }), {
        ...using('plain'),
        id: 'y',
        zones: ['chin'],
      }),
      ...scope('needling'),
      ...TOUGH,
    },
    (p) =>
      p.steps
        .filter((step) => step.product && step.zones.includes('chin'))
        .every(
          (step) => step.id === 'cleanse-1' || ['open', ...OPEN].includes(step.product!.productId),
        ) && step(p, 'cream')!.zones.includes('forehead'),
  ],
  [
    'D19',
    'no scrub with needling',
    {
      protocol: protocolOf(
        work(['needling'], { priority: 5 }),
        work(['scrub', 'exfoliating'], { id: 'y' }),
      ),
      ...scope('needling'),
      ...TOUGH,
    },
    (p) => has(p, 'x') && !has(p, 'y'),
  ],
  [
    'D20',
    'no self-heating mask over acid',
    around(
      work(['acid', 'exfoliating'], { priority: 5, lever: { lever: 'acid', rung: 2 } }),
      work(['self-heating'], { id: 'y' }),
    ),
    (p) => has(p, 'x') && !has(p, 'y'),
  ],
  [
    'D20',
    'after an enzyme only once toned',
    around(work(['enzyme', 'exfoliating']), work(['self-heating'], { id: 'y' })),
    (p) => has(p, 'y+toning'),
  ],
  [
    'D21',
    'no longer than the maker says',
    {
      shelf: {
        ...SHELF,
        devices: SHELF.devices.map((device) =>
          device.id === 'cold-globes' ? { ...device, maxMinutes: 4 } : device,
        ),
      },
      ...around(work([], { deviceId: 'cold-globes' })),
    },
    (p) => step(p, 'x')!.segments[0]!.usualS === 240,
  ],
  [
    'D22',
    'a batch past its date',
    { ...shelfOf({ id: 'old', bestBefore: '2026-11-01' }), ...around(using('old')) },
    (p) => product(p, 'x') !== 'old',
  ],
  [
    'D22',
    'open for too long',
    {
      ...shelfOf({ id: 'old', openedOn: '2026-05-01', afterOpeningMonths: 6 }),
      ...around(using('old')),
    },
    (p) => product(p, 'x') !== 'old',
  ],
  [
    'D23',
    'needling: depth and lot',
    { protocol: protocolOf(work(['needling'])), ...scope('needling'), ...TOUGH },
    (p) => trays(p).includes('note its lot'),
  ],
  [
    'D25',
    'an evening product by day',
    { ...shelfOf({ id: 'old', time: 'evening' }), ...around(using('old')) },
    (p) => product(p, 'x') !== 'old',
  ],
  [
    'D26',
    'a mask whose maker prints five minutes at the most',
    {
      ...shelfOf({ id: 'printed', maker: { source: 'Leaflet', minutes: { usual: 4, most: 5 } } }),
      ...around({
        ...using('printed'),
        segments: [
          segment('on', 'apply', 1),
          segment('dwell', 'dwell', [3, 10, 12]),
          segment('off', 'remove', 2, { tool: 'sponge' }),
        ],
      }),
    },
    (p) => product(p, 'x') === 'printed' && dwell(p, 'x') === 300,
  ],
  [
    'D24',
    'active dwells last exactly as fitted',
    {},
    (p) =>
      p.segments
        .filter((part) => part.kind === 'dwell' && part.active)
        .every(
          (part) =>
            part.endS - part.startS ===
            p.steps
              .find((s) => s.id === part.stepId)!
              .segments.find((s) => part.id.endsWith(`/${s.id}`))!.usualS,
        ),
  ],
  [
    'E01',
    'two points a week ago: nothing exfoliates, an enzyme neither',
    { ...history([['steam', 1]], {}, '2026-11-17', { points: 2 }) },
    (p) => !has(p, 'enzyme'),
  ],
  ['E01', 'acid on rung 3 two weeks ago waits', { ...acid(3), ...history([['acid', 3]]) }, gone],
  [
    'E01',
    'gommage four days ago waits',
    { ...x('gommage', 'exfoliating'), ...history([], {}, '2026-11-20', { work: ['gommage'] }) },
    gone,
  ],
  [
    'E02',
    'first visit: one rung lower, two at the most',
    { history: [] },
    (p) => rungs(p, 'enzyme') === 2 && dwell(p, 'enzyme') === 240,
  ],
  [
    'E03',
    'one lever up per visit',
    {
      ...around(
        work(['gommage', 'exfoliating'], { lever: { lever: 'exfoliation', rung: 4 } }),
        work(['enzyme', 'exfoliating'], { id: 'y', lever: { lever: 'enzyme', rung: 4 } }),
      ),
      history: ['2026-10-01', '2026-10-29'].map((visit) => ({
        on: visit,
        answer: CALM,
        levers: [
          { lever: 'exfoliation' as const, rung: 2 },
          { lever: 'enzyme' as const, rung: 2 },
        ],
      })),
    },
    (p) => [rungs(p), rungs(p, 'y')].sort().join() === '2,3',
  ],
  [
    'E04',
    'two calm visits on one rung: up',
    {
      history: ['2026-10-01', '2026-10-29'].map((visit) => ({
        on: visit,
        answer: CALM,
        levers: [{ lever: 'enzyme' as const, rung: 2 }],
      })),
    },
    (p) => rungs(p, 'enzyme') === 3,
  ],
  [
    'E05',
    'after a strong answer',
    history([['enzyme', 3]], { redness: 3, rednessHours: 48 }),
    (p) => rungs(p, 'enzyme') === 2,
  ],
  ['E06', 'after blisters', history([['enzyme', 2]], { blisters: true }), (p) => !has(p, 'enzyme')],
  [
    'E07',
    'after a long gap',
    { history: [{ on: '2026-05-10', levers: [{ lever: 'enzyme', rung: 3 }], answer: CALM }] },
    (p) => rungs(p, 'enzyme') === 2,
  ],
  [
    'E08',
    'clear first, then lighten',
    { client: client([], { concerns: ['brighten'] }), ...read(seen('inflamed', 2)) },
    (p) => p.advice.some((why) => why.ruleId === 'E08'),
  ],
  [
    'E09',
    'a patch test of last spring no longer counts',
    {
      protocol: protocolOf(
        ...ACID.steps.map((step) =>
          step.id === 'peel'
            ? { ...step, product: { productId: 'mandelic-peel', useId: 'peel' }, title: 'Mandelic' }
            : step,
        ),
      ),
      ...tested('calm', '2026-05-01'),
      ...read(seen('sensitive', 2, FACE)),
    },
    (p) => product(p, 'peel') !== 'mandelic-peel',
  ],
  ['E10', 'answers of an earlier visit are asked again', {}, (p) => p.askAgain.length > 10],
  ['E11', 'a window for the next visit stands beside the plan', {}, (p) => p.levers.length > 0],
  [
    'E12',
    'nothing has moved in four visits and three months',
    {
      client: client([], { concerns: ['clarify'] }),
      ...read(seen('congestion', 2)),
      history: ['2026-08-01', '2026-09-01', '2026-10-01', '2026-11-01'].map((visit) => ({
        on: visit,
        levers: [],
        answer: CALM,
        findings: [seen('congestion', 2)],
      })),
    },
    (p) => p.advice.some((why) => why.ruleId === 'E12'),
  ],
  [
    'E13',
    'a new dark mark after the visit',
    history([['enzyme', 3]], { darkMark: true }),
    (p) => rungs(p, 'enzyme') === 2,
  ],
  [
    'A12',
    'switched on by a cold sore after a visit (E13)',
    { ...acid(3), ...history([], { coldSore: true }, '2026-09-15') },
    (p) => (rungs(p) ?? 2) <= 2,
  ],
  ['F01', 'needling out of scope', x('needling'), gone],
  ['F02', 'blade', x('blade'), gone],
  ['F03', 'lancet', x('lancet'), gone],
  ['F04', 'radio frequency', x('rf'), gone],
  ['F05', 'measured infusion', x('measured-infusion'), gone],
  ['F06', 'acid above rung 4', { ...acid(5), history: [] }, gone],
  ['F07', 'high suction', lever('suction', 4, 'suction'), (p) => rungs(p) === 3],
  [
    'F10',
    'your own implant: somebody else holds the electrode',
    { ...x('current'), ...self('current') },
    (p) => minds(p).includes('somebody else'),
  ],
  [
    'F11',
    'your own latex allergy',
    { ...self('latex') },
    (p) => trays(p).includes('nitrile gloves'),
  ],
  [
    'F12',
    'gloves for your own allergy',
    { ...self('ingredient') },
    (p) => trays(p).includes('gloves, two pairs'),
  ],
  [
    'C19',
    'no heat after a sting beyond what is expected',
    { ...x('heat'), felt: [{ stepId: 'cream', because: 'Cream: stinging' }] },
    gone,
  ],
  [
    'C19',
    'something soothing after it',
    {
      ...around(work(['acid', 'exfoliating'], { id: 'y' }), work(['cold'])),
      felt: [{ stepId: 'x', because: 'The step: burning' }],
    },
    (p) => !has(p, 'y') && p.steps.some(({ insertedBy }) => insertedBy?.includes('C19') ?? false),
  ],
  ['H01', 'hands first', {}, (p) => minds(p).includes('hands washed')],
  [
    'H02',
    'hands after the scalp',
    {},
    (p) => p.segments.some((part) => part.stepId === 'scalp' && part.kind === 'hygiene'),
  ],
  ['H03', 'gloves for extraction', x('extraction'), (p) => trays(p).includes('gloves, two pairs')],
  [
    'H04',
    'lancet once',
    { ...x('lancet'), ...scope('lancet') },
    (p) => trays(p).includes('sharps container'),
  ],
  [
    'H05',
    'single use',
    { protocol: protocolOf(work(['needling'])), ...scope('needling'), ...TOUGH },
    (p) => minds(p).includes('single use'),
  ],
  ['H06', 'device wiped', x('device'), (p) => minds(p).includes('device wiped')],
  ['H07', 'fresh linen', {}, (p) => minds(p).includes('fresh linen')],
  ['H09', 'blood exposure card', x('extraction'), (p) => hasLadder(p)],
  ['B04', 'a quick check is no allergy test', { protocol: ACID }, (p) => hasLadder(p)],
]
/** Rules without a case of their own above: held as a whole by the product, not by a plan. */
