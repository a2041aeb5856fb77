import type { Device, Product, Shelf, Use } from '../core/catalog/model'
import { segment } from '../core/protocol/segments'
import type { Segment } from '../core/protocol/model'
import { EYE_CONTOUR, EYES, FACE, FACE_NECK, T_ZONE, type ZoneId } from '../core/skin/zones'

// The house range of an invented studio. Names, formulas, lists and figures are invented for the demo only.

type Tool = NonNullable<Segment['tool']>
type Heat = NonNullable<Segment['temperature']>
const on = (time: number) => segment('on', 'apply', time)
const off = (time: number, tool: Tool = 'sponge', temperature: Heat = 'lukewarm') => segment('off', 'remove', time, { tool, temperature })
const rest = (time: readonly [number, number, number], more: Partial<Segment> = {}) => segment('dwell', 'dwell', time, { presence: 'room', admits: ['quiet'], ...more })
const dry = (time: number) => segment('dry', 'settle', time)
const use = (id: string, phase: Use['phase'], zones: readonly ZoneId[], segments: Segment[], dose?: [number, 'g' | 'mL']): Use => ({ id, phase, zones: [...zones], segments, ...(dose ? { dose: { amount: dose[0], unit: dose[1] } } : {}) })

const BASE = { concerns: [], vehicle: 'water', actives: [], properties: [], skin: 'any', leaves: 'nothing', emergencyOff: 'rinse', openSkinUse: false, expected: [], stock: 200 } as const satisfies Partial<Product>
const make = (product: Partial<Product> & Pick<Product, 'id' | 'name' | 'kind' | 'uses'>): Product => ({ ...structuredClone(BASE) as unknown as Product, ...product })

const EYES_LIPS: readonly ZoneId[] = [...EYES, 'lips']
const SERUM_ZONES = FACE_NECK
const pump = (per: number) => ({ name: 'pump', unit: 'mL', per } as const)
const MASK_TIME: readonly [number, number, number] = [10, 15, 20]
const MASK_FREE = { admits: ['quiet', 'hands', 'scalp', 'shoulders', 'lips', 'eyes'] as NonNullable<Segment['admits']>, presence: 'room' as const }

const CLEANSING: Product[] = [
  make({ id: 'eye-two-phase', name: 'Two-Phase Eye Remover', kind: 'makeup-remover', properties: ['oil', 'lip-safe', 'cleansing'], vehicle: 'anhydrous', inci: 'Aqua, Isododecane, Isopropyl Palmitate, Sodium Chloride, Panthenol', uses: [use('eyes', 'eye-makeup', EYES_LIPS, [on(2), off(0.5, 'gauze')], [3, 'mL'])] }),
  make({ id: 'eye-oil-free', name: 'Oil-Free Eye Remover', kind: 'makeup-remover', properties: ['lip-safe', 'cleansing'], inci: 'Aqua, Poloxamer 184, Glycerin, Panthenol, Disodium EDTA', uses: [use('eyes', 'eye-makeup', EYES_LIPS, [on(2.5), off(0.5, 'gauze')], [3, 'mL'])] }),
  make({ id: 'oat-cleanser', name: 'Oat Milk Cleanser', kind: 'cleanser', pH: 5.5, properties: ['cleansing'], measure: pump(1.6), inci: 'Aqua, Avena Sativa Kernel Extract, Glycerin, Coco-Caprylate, Cetearyl Alcohol, Tocopherol', uses: [use('first', 'first-cleanse', FACE_NECK, [on(1), off(1.5)], [4.8, 'mL']), use('second', 'second-cleanse', FACE_NECK, [on(1), off(1.5)], [3.2, 'mL'])] }),
  make({ id: 'reed-wash', name: 'Foaming Reed Wash', kind: 'cleanser', pH: 9.2, concerns: ['clarify'], properties: ['cleansing'], measure: pump(1.2), inci: 'Aqua, Potassium Cocoate, Glycerin, Phragmites Communis Extract, Potassium Hydroxide', uses: [use('second', 'second-cleanse', FACE_NECK, [on(1), segment('off', 'remove', 1.5, { tool: 'sponge', temperature: 'lukewarm', end: { by: 'repeat', sign: 'no residue on the sponge', usualCount: 1, maxCount: 3 } })], [2.4, 'mL'])] }),
  make({ id: 'chamomile-toner', name: 'Chamomile Toner', kind: 'toner', pH: 5, properties: ['toning'], inci: 'Aqua, Chamomilla Recutita Flower Extract, Glycerin, Lactic Acid, Sodium Lactate', uses: [use('tone', 'tone', FACE_NECK, [on(0.5), dry(0.25)], [3, 'mL'])] }),
  make({ id: 'rose-toner', name: 'Rosewater Toner', kind: 'toner', pH: 5, concerns: ['calm'], properties: ['toning'], inci: 'Aqua, Rosa Damascena Flower Water, Glycerin, Parfum, Geraniol, Citronellol', uses: [use('tone', 'tone', FACE_NECK, [on(0.5), dry(0.25)], [3, 'mL'])] }),
  make({ id: 'thyme-spirit', name: 'Thyme Spirit Lotion', kind: 'toner', pH: 5, vehicle: 'alcohol', concerns: ['clarify'], properties: ['toning'], inci: 'Alcohol Denat., Aqua, Thymus Vulgaris Leaf Extract, Glycerin', uses: [use('tone', 'tone', FACE_NECK, [on(0.5), dry(0.25)], [3, 'mL'])] }),
]

const ENZYME_FEEL = [{ sensation: 'tingling', onsetS: 30, fadeS: 120, comfort: 'Mist it lightly' }] as const
const ACID_FEEL = [{ sensation: 'tingling', onsetS: 5, fadeS: 180, comfort: 'Fan it' }, { sensation: 'stinging', onsetS: 5, fadeS: 60, comfort: 'Fan it, cool air' }] as const
const enzymeUse = (min: number, usual: number, max: number) => [use('mask', 'exfoliate', FACE_NECK, [segment('mix', 'prepare', 1, { potLifeS: 240 }), on(1.5), rest([min, usual, max], { active: true }), off(2, 'sponge', 'lukewarm')], [6, 'g'])]
const acidUse = (min: number, usual: number, max: number) => [use('peel', 'exfoliate', FACE, [on(1), rest([min, usual, max], { active: true, presence: 'client', admits: [] }), off(1.5, 'sponge', 'cool')], [4, 'mL'])]

const ACTIVE: Product[] = [
  make({ id: 'pineapple-enzyme', name: 'Pineapple Enzyme Powder', kind: 'enzyme', concerns: ['brighten', 'smooth'], properties: ['exfoliating', 'enzyme', 'softening'], measure: { name: 'scoop', unit: 'g', per: 3 }, expected: [...ENZYME_FEEL], inci: 'Oryza Sativa Starch, Bromelain, Ananas Sativus Fruit Extract, Kaolin, Allantoin', uses: enzymeUse(3, 8, 10) }),
  make({ id: 'papaya-enzyme', name: 'Papaya Enzyme Gel', kind: 'enzyme', concerns: ['brighten'], properties: ['exfoliating', 'enzyme', 'softening'], expected: [...ENZYME_FEEL], inci: 'Aqua, Glycerin, Papain, Carica Papaya Fruit Extract, Xanthan Gum', uses: enzymeUse(3, 8, 10) }),
  make({ id: 'rice-enzyme', name: 'Rice Enzyme Powder', kind: 'enzyme', concerns: ['brighten', 'calm'], properties: ['exfoliating', 'enzyme', 'softening'], measure: { name: 'scoop', unit: 'g', per: 3 }, expected: [...ENZYME_FEEL], inci: 'Oryza Sativa Bran, Subtilisin, Kaolin, Allantoin, Sodium Bicarbonate', uses: enzymeUse(3, 8, 10) }),
  make({ id: 'bead-scrub', name: 'Jojoba Bead Scrub', kind: 'scrub', concerns: ['smooth'], properties: ['exfoliating', 'mechanical', 'scrub'], inci: 'Aqua, Hydrogenated Jojoba Oil, Glycerin, Cetyl Alcohol', uses: [use('rub', 'exfoliate', FACE, [on(2), off(2)], [5, 'g'])] }),
  make({ id: 'lactic-peel', name: 'Lactic Soft Peel', kind: 'acid', pH: 3.8, concerns: ['hydrate', 'smooth'], actives: [{ name: 'lactic', percent: 12 }], properties: ['exfoliating', 'acid', 'stings', 'peel-solution'], skin: 'dry', expected: [...ACID_FEEL], inci: 'Aqua, Lactic Acid, Sodium Lactate, Glycerin, Hydroxyethylcellulose', uses: acidUse(1, 2, 4) }),
  make({ id: 'glycolic-peel', name: 'Glycolic Brief Peel', kind: 'acid', pH: 3.4, concerns: ['smooth', 'brighten'], actives: [{ name: 'glycolic', percent: 25 }], properties: ['exfoliating', 'acid', 'stings', 'needs-neutraliser', 'peel-solution'], skin: 'dry', emergencyOff: 'neutralise then rinse', expected: [...ACID_FEEL], inci: 'Aqua, Glycolic Acid, Sodium Hydroxide, Glycerin', uses: acidUse(1, 4, 5) }),
  make({ id: 'mandelic-peel', name: 'Mandelic Slow Peel', kind: 'acid', pH: 3.4, concerns: ['clarify', 'calm'], actives: [{ name: 'mandelic', percent: 20 }], properties: ['exfoliating', 'acid', 'stings', 'needs-neutraliser', 'peel-solution'], skin: 'dry', emergencyOff: 'neutralise then rinse', expected: [...ACID_FEEL], inci: 'Aqua, Mandelic Acid, Propanediol, Sodium Hydroxide', uses: acidUse(1, 3, 5) }),
  make({ id: 'soda-neutraliser', name: 'Soda Neutraliser', kind: 'neutraliser', pH: 7.9, properties: ['neutralising'], inci: 'Aqua, Sodium Bicarbonate, Allantoin', uses: [use('neutralise', 'neutralise', FACE_NECK, [segment('on', 'apply', 1, { end: { by: 'sign', sign: 'no more foam comes' } }), off(1, 'sponge', 'cool')], [8, 'mL'])] }),
  make({ id: 'salicylic-fluid', name: 'Willow Clearing Fluid', kind: 'soothing', pH: 4.5, concerns: ['clarify'], actives: [{ name: 'salicylic', percent: 1 }], properties: ['calming', 'leave-on'], leaves: 'leave-on', inci: 'Aqua, Hamamelis Virginiana Water, Salix Alba (Willow) Bark Extract, Salicylic Acid, Panthenol', uses: [use('dab', 'calm', T_ZONE, [on(1), dry(0.5)], [1, 'mL'])] }),
  make({ id: 'zinc-fluid', name: 'Zinc Calming Fluid', kind: 'soothing', pH: 5.5, concerns: ['calm', 'clarify'], properties: ['calming', 'leave-on'], leaves: 'leave-on', inci: 'Aqua, Zinc PCA, Glycerin, Allantoin, Panthenol', uses: [use('dab', 'calm', FACE, [on(1), dry(0.5)], [1, 'mL'])] }),
  make({ id: 'kelp-concentrate', name: 'Hydrating Kelp Concentrate', kind: 'concentrate', concerns: ['hydrate'], properties: ['softening', 'leave-on'], leaves: 'leave-on', measure: { name: 'dropper', unit: 'mL', per: 0.75 }, inci: 'Aqua, Laminaria Digitata Extract, Sodium Hyaluronate, Glycerin', uses: [use('press', 'soften', FACE_NECK, [on(1), dry(0.5)], [1.5, 'mL'])] }),
]

const MASKS: Product[] = [
  make({ id: 'kelp-set-mask', name: 'Kelp Set Mask', kind: 'mask', concerns: ['hydrate', 'brighten', 'firm'], properties: [], emergencyOff: 'lift off', measure: { name: 'scoop', unit: 'g', per: 10 }, expected: [{ sensation: 'tingling', onsetS: 0, fadeS: 240, comfort: 'Say that it firms, then passes' }], inci: 'Solum Diatomeae, Algin, Calcium Sulfate, Tetrasodium Pyrophosphate, Laminaria Digitata Powder', uses: [use('set', 'mask', FACE_NECK, [segment('mix', 'prepare', 1, { potLifeS: 15, workingS: 240 }), segment('on', 'apply', [1.5, 2, 2.5]), segment('dwell', 'dwell', [15, 20, 25], { ...MASK_FREE, end: { by: 'both', sign: 'firm, and its edge lifts clean' } }), segment('off', 'remove', 1.5, { tool: 'lift-off' })], [30, 'g'])] }),
  make({ id: 'ember-set-mask', name: 'Ember Self-Heating Mask', kind: 'mask', concerns: ['firm', 'hydrate'], properties: ['heat', 'self-heating', 'warming'], emergencyOff: 'cut and lift', expected: [{ sensation: 'warm', onsetS: 240, fadeS: 1200, comfort: 'Say that it warms, then cools' }], inci: 'Calcium Sulfate Hemihydrate, Magnesium Oxide, Kaolin', uses: [use('set', 'mask', FACE, [segment('mix', 'prepare', 1, { potLifeS: 15, workingS: 300 }), segment('on', 'apply', [2.5, 3, 3.5]), segment('dwell', 'dwell', [20, 25, 25], { ...MASK_FREE, active: true }), segment('off', 'remove', 2, { tool: 'lift-off' })], [250, 'g'])] }),
  make({ id: 'clay-mask', name: 'White Clay Mask', kind: 'mask', concerns: ['clarify'], properties: ['calming', 'drying'], inci: 'Aqua, Kaolin, Glycerin, Zinc Oxide, Xanthan Gum', uses: [use('mask', 'mask', FACE, [on(2), segment('dwell', 'dwell', [8, 10, 12], MASK_FREE), off(2.5, 'sponge', 'warm')], [12, 'g'])] }),
  make({ id: 'oat-mask', name: 'Oat Soothing Mask', kind: 'mask', concerns: ['calm', 'hydrate'], properties: ['calming'], inci: 'Aqua, Avena Sativa Kernel Flour, Glycerin, Bisabolol, Squalane', uses: [use('mask', 'mask', FACE_NECK, [on(2), segment('dwell', 'dwell', MASK_TIME, MASK_FREE), off(2, 'towel', 'warm')], [14, 'g'])] }),
  make({ id: 'berry-lip-mask', name: 'Berry Lip Mask', kind: 'lip', concerns: ['smooth'], actives: [{ name: 'lactic', percent: 2 }], pH: 4.5, properties: ['lip-safe'], expected: [{ sensation: 'tingling', onsetS: 5, fadeS: 120, comfort: 'A thinner layer' }], inci: 'Ricinus Communis Seed Oil, Rubus Idaeus Fruit Extract, Lactic Acid, Sucrose', uses: [use('lip', 'enhancement', ['lips'], [segment('on', 'apply', 2), segment('dwell', 'dwell', [5, 6, 7], { active: true, presence: 'room', admits: ['quiet'] }), segment('off', 'remove', 1, { tool: 'gauze', temperature: 'lukewarm' }), segment('oil', 'apply', 1)], [1, 'g'])] }),
]

const FINISH: Product[] = [
  make({ id: 'grape-oil', name: 'Grape Seed Massage Oil', kind: 'massage', vehicle: 'anhydrous', properties: ['oil'], leaves: 'oil', inci: 'Vitis Vinifera Seed Oil, Tocopherol', uses: [use('massage', 'massage', FACE_NECK, [on(8), off(1.5, 'towel', 'warm')], [6, 'mL'])] }),
  make({ id: 'niacin-serum', name: 'Barley Niacinamide Serum', kind: 'serum', concerns: ['brighten', 'clarify'], properties: ['leave-on'], leaves: 'leave-on', inci: 'Aqua, Niacinamide, Hordeum Vulgare Extract, Glycerin', uses: [use('serum', 'serum', SERUM_ZONES, [on(1), dry(0.5)], [1, 'mL'])] }),
  make({ id: 'eye-gel', name: 'Cornflower Eye Gel', kind: 'eye', properties: ['eye-work', 'leave-on'], leaves: 'leave-on', inci: 'Aqua, Centaurea Cyanus Flower Water, Glycerin, Caffeine', uses: [use('eye', 'eye', EYE_CONTOUR, [on(0.5)], [0.5, 'mL'])] }),
  make({ id: 'dune-cream', name: 'Dune Day Cream', kind: 'moisturiser', concerns: ['hydrate'], properties: ['leave-on'], leaves: 'leave-on', inci: 'Aqua, Squalane, Glycerin, Cetearyl Alcohol, Tocopherol', uses: [use('cream', 'moisturise', FACE_NECK, [on(1)], [1.5, 'g'])] }),
  make({ id: 'scent-cream', name: 'Lavender Rest Cream', kind: 'moisturiser', concerns: ['calm'], properties: ['leave-on'], leaves: 'leave-on', inci: 'Aqua, Butyrospermum Parkii Butter, Lavandula Angustifolia Oil, Linalool, Parfum', uses: [use('cream', 'moisturise', FACE_NECK, [on(1)], [1.5, 'g'])] }),
  make({ id: 'sun-veil', name: 'Mineral Sun Veil', kind: 'sun', properties: ['sun-filter', 'leave-on'], leaves: 'leave-on', measure: { name: 'teaspoon', unit: 'mL', per: 4.93 }, inci: 'Aqua, Zinc Oxide, Caprylic/Capric Triglyceride, Glycerin', uses: [use('sun', 'sun', FACE_NECK, [on(1)], [3, 'mL'])] }),
  make({ id: 'sun-fluid', name: 'Light Sun Fluid', kind: 'sun', properties: ['sun-filter', 'leave-on'], leaves: 'leave-on', inci: 'Aqua, Homosalate, Ethylhexyl Salicylate, Butyl Methoxydibenzoylmethane', uses: [use('sun', 'sun', FACE_NECK, [on(1)], [3, 'mL'])] }),
  make({ id: 'cucumber-gel', name: 'Cucumber Soothing Gel', kind: 'soothing', concerns: ['calm', 'hydrate'], properties: ['calming', 'leave-on'], leaves: 'leave-on', inci: 'Aqua, Cucumis Sativus Fruit Extract, Aloe Barbadensis Leaf Juice, Glycerin', uses: [use('gel', 'calm', FACE_NECK, [on(1), dry(0.5)], [3, 'mL'])] }),
  make({ id: 'dulse-gommage', name: 'Dulse Gommage', kind: 'gommage', concerns: ['smooth'], properties: ['exfoliating', 'gommage'], uses: [use('rub', 'exfoliate', FACE, [on(4), off(1)], [6, 'g'])] }),
]

const DEVICES: Device[] = [
  { id: 'steamer', name: 'Steamer', properties: ['device', 'steam', 'heat', 'softening'], expected: [{ sensation: 'warm', onsetS: 20, fadeS: 600, comfort: 'Move it further away' }], setup: ['water to the line', '35 cm away'], setting: 'fine mist' },
  { id: 'microcurrent', name: 'Microcurrent Wands', properties: ['device', 'current'], expected: [{ sensation: 'tingling', onsetS: 5, fadeS: 600, comfort: 'Lower the level' }], setup: ['conductive gel', 'metal off'], setting: 'start level, lift along the lines' },
  { id: 'high-frequency', name: 'High-Frequency Electrode', properties: ['device', 'current', 'calming', 'spark'], expected: [{ sensation: 'tingling', onsetS: 1, fadeS: 300, comfort: 'Gauze between' }], setup: ['glass electrode', 'gauze'], setting: 'low' },
  { id: 'led-panel', name: 'Light Panel', properties: ['device', 'led'], expected: [{ sensation: 'warm', onsetS: 60, fadeS: 1200, comfort: 'Raise the panel' }], setup: ['eye shields'], setting: 'steady red' },
  { id: 'cold-globes', name: 'Cold Globes', properties: ['device', 'cold', 'calming'], expected: [], setup: ['from the fridge', 'wiped'], setting: 'slow, outward' },
]

export const DEMO_SHELF: Shelf = { products: [...CLEANSING, ...ACTIVE, ...MASKS, ...FINISH], devices: DEVICES }
