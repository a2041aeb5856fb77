/** An allergen family: what a client names, and the ingredient names that belong to it. */
export interface Family {
  readonly id: string
  readonly name: string
  /** What clients call it, for search and for the intake. */
  readonly saidAs: readonly string[]
  /** Word sequences that make an ingredient belong. */
  readonly terms: readonly string[]
  /** Word sequences that look like it and are something else: taken out before the terms are looked for. */
  readonly except?: readonly string[]
  /** Families a reaction crosses to; they need a clearance. */
  readonly crosses?: readonly string[]
  /** Families it may cross to; said as a caution. */
  readonly cautions?: readonly string[]
  /** What an allergy does to a product that holds it. Default `stop`. `info`: another substance, nothing follows. */
  readonly effect?: 'stop' | 'caution' | 'info'
  /** Said with the rule. */
  readonly remark?: string
}

const PLANT_ENZYMES = ['pineapple', 'papaya', 'kiwi', 'fig'] as const
const othersOf = (id: string): string[] => PLANT_ENZYMES.filter((other) => other !== id)

/** Declarable fragrance allergens (EU Cosmetics Regulation 1223/2009, Annex III; list from memory). */
const DECLARABLE = ['amyl cinnamal', 'amylcinnamyl alcohol', 'anise alcohol', 'benzyl alcohol', 'benzyl benzoate', 'benzyl cinnamate', 'benzyl salicylate', 'butylphenyl methylpropional', 'cinnamal', 'cinnamyl alcohol', 'citral', 'citronellol', 'coumarin', 'eugenol', 'evernia furfuracea', 'evernia prunastri', 'farnesol', 'geraniol', 'hexyl cinnamal', 'hydroxycitronellal', 'hydroxyisohexyl 3 cyclohexene carboxaldehyde', 'isoeugenol', 'limonene', 'linalool', 'methyl 2 octynoate', 'alpha isomethyl ionone'] as const

/** Ingredient names are INCI; botanical names as in the INCI dictionary (values from memory). */
export const FAMILIES = [
  {
    id: 'salicylates', name: 'Salicylates (aspirin)', saidAs: ['aspirin', 'salicylate', 'NSAID', 'painkiller'],
    terms: ['salicylic acid', 'salicylate', 'salix', 'willow bark', 'willow', 'wintergreen', 'gaultheria procumbens', 'betula lenta', 'betula alba', 'sweet birch', 'salicin', 'capryloyl salicylic acid', 'methyl salicylate'],
    except: ['ethylhexyl salicylate', 'octyl salicylate', 'butyloctyl salicylate', 'triethanolamine salicylate', 'tea salicylate', 'willow herb'],
  },
  { id: 'sun-salicylates', name: 'Sun-filter salicylates', saidAs: ['octisalate', 'homosalate'], terms: ['ethylhexyl salicylate', 'octyl salicylate', 'homosalate', 'butyloctyl salicylate', 'tea salicylate', 'triethanolamine salicylate'], effect: 'caution' },
  { id: 'pineapple', name: 'Pineapple', saidAs: ['pineapple', 'bromelain'], terms: ['bromelain', 'ananas sativus', 'ananas comosus', 'pineapple'], crosses: othersOf('pineapple') },
  { id: 'papaya', name: 'Papaya', saidAs: ['papaya', 'papain'], terms: ['papain', 'carica papaya', 'papaya'], crosses: othersOf('papaya') },
  { id: 'kiwi', name: 'Kiwi', saidAs: ['kiwi'], terms: ['actinidin', 'actinidia', 'kiwi'], crosses: othersOf('kiwi') },
  { id: 'fig', name: 'Fig', saidAs: ['fig', 'ficin'], terms: ['ficin', 'ficus carica', 'fig'], crosses: othersOf('fig') },
  { id: 'latex', name: 'Latex', saidAs: ['latex', 'rubber gloves', 'balloon'], terms: ['hevea brasiliensis', 'hevea', 'natural rubber', 'latex'], except: ['acrylates latex'], cautions: ['papaya', 'pineapple', 'avocado', 'banana', 'kiwi', 'chestnut', 'fig'], remark: 'Wear nitrile gloves.' },
  { id: 'avocado', name: 'Avocado', saidAs: ['avocado'], terms: ['persea gratissima', 'persea americana', 'avocado'] },
  { id: 'banana', name: 'Banana', saidAs: ['banana'], terms: ['musa sapientum', 'musa paradisiaca', 'musa acuminata', 'banana'] },
  { id: 'chestnut', name: 'Chestnut', saidAs: ['chestnut'], terms: ['castanea sativa', 'castanea', 'chestnut'], except: ['horse chestnut', 'water chestnut'] },
  { id: 'bee', name: 'Bee products', saidAs: ['honey', 'propolis', 'beeswax', 'royal jelly', 'bee sting'], terms: ['mel', 'honey', 'propolis', 'cera alba', 'beeswax', 'royal jelly', 'bee venom', 'apis mellifera', 'cera flava'], except: ['honey locust', 'synthetic beeswax'] },
  { id: 'tree-nuts', name: 'Tree nuts', saidAs: ['almond', 'walnut', 'hazelnut', 'cashew', 'macadamia', 'nuts'], terms: ['prunus amygdalus', 'prunus dulcis', 'almond', 'juglans', 'walnut', 'corylus', 'hazelnut', 'macadamia', 'anacardium', 'cashew', 'pistacia vera', 'pistachio', 'bertholletia', 'brazil nut', 'carya illinoinensis', 'pecan'], except: ['indian almond', 'terminalia'] },
  { id: 'peanut', name: 'Peanut', saidAs: ['peanut', 'groundnut'], terms: ['arachis hypogaea', 'arachis', 'peanut', 'groundnut'] },
  { id: 'sesame', name: 'Sesame', saidAs: ['sesame'], terms: ['sesamum indicum', 'sesame'] },
  { id: 'soy', name: 'Soy', saidAs: ['soy', 'soya'], terms: ['glycine soja', 'glycine max', 'soy', 'soya', 'soybean'], except: ['soy free'] },
  { id: 'wheat', name: 'Wheat', saidAs: ['wheat', 'gluten'], terms: ['triticum', 'wheat', 'gluten'], except: ['buck wheat'] },
  { id: 'oat', name: 'Oat', saidAs: ['oat'], terms: ['avena sativa', 'avena', 'oat'] },
  { id: 'corn', name: 'Corn', saidAs: ['corn', 'maize'], terms: ['zea mays', 'corn', 'maize'], except: ['corn flower', 'corn mint'] },
  { id: 'sunflower', name: 'Sunflower', saidAs: ['sunflower'], terms: ['helianthus annuus', 'sunflower'] },
  { id: 'citrus', name: 'Citrus', saidAs: ['citrus', 'lemon', 'orange', 'bergamot'], terms: ['citrus', 'lemon', 'orange', 'bergamot', 'grapefruit', 'lime', 'mandarin', 'tangerine', 'neroli', 'yuzu'], except: ['lemon grass', 'lemon balm', 'lemon verbena', 'orange 4', 'orange 5', 'orange 10', 'orange 11', 'lime stone', 'lime tree', 'lime blossom'] },
  { id: 'milk', name: 'Milk', saidAs: ['milk', 'casein', 'whey'], terms: ['milk', 'lac', 'lactis', 'casein', 'caseinate', 'whey', 'lactalbumin', 'lactoglobulin', 'lactoferrin', 'colostrum', 'butyrum', 'yogurt', 'lactoperoxidase', 'caprae lac'], except: ['oat milk', 'coconut milk', 'almond milk', 'rice milk', 'soy milk', 'milk thistle', 'milk vetch', 'shellac lac'] },
  { id: 'egg', name: 'Egg', saidAs: ['egg'], terms: ['egg', 'ovum', 'ovum powder', 'albumen', 'lysozyme', 'egg yolk', 'ovomucin'], except: ['egg plant'] },
  { id: 'lupin', name: 'Lupin', saidAs: ['lupin'], terms: ['lupinus', 'lupin', 'lupine'] },
  { id: 'shellfish', name: 'Shellfish', saidAs: ['shrimp', 'crab', 'shellfish'], terms: ['chitosan', 'chitin', 'crustacea', 'shrimp', 'crab', 'carboxymethyl chitosan', 'chitosan pca'] },
  { id: 'fish', name: 'Fish', saidAs: ['fish', 'marine collagen', 'caviar'], terms: ['fish', 'marine collagen', 'piscum', 'caviar', 'roe', 'cod liver', 'isinglass', 'salmon', 'sturgeon'] },
  { id: 'algae', name: 'Iodine, algae', saidAs: ['iodine', 'seaweed', 'algae', 'kelp'], terms: ['algae', 'laminaria', 'fucus', 'ascophyllum', 'macrocystis', 'chondrus crispus', 'undaria', 'kelp', 'seaweed', 'spirulina', 'iodine', 'potassium iodide', 'porphyra', 'ulva', 'palmaria'], effect: 'caution', remark: 'Alginate itself is washed of iodine.' },
  { id: 'fragrance', name: 'Fragrance', saidAs: ['perfume', 'scent', 'fragrance'], terms: ['parfum', 'fragrance', 'perfume', 'aroma', ...DECLARABLE], except: ['fragrance free', 'aroma free'] },
  { id: 'cinnamon', name: 'Cinnamon', saidAs: ['cinnamon'], terms: ['cinnamomum', 'cinnamon', 'cinnamal', 'cinnamyl alcohol', 'cassia oil'], except: ['amyl cinnamal', 'hexyl cinnamal', 'cinnamomum camphora'] },
  { id: 'mint', name: 'Mint, menthol', saidAs: ['mint', 'menthol', 'peppermint'], terms: ['menthol', 'mentha', 'peppermint', 'spearmint', 'menthyl lactate', 'menthone'] },
  { id: 'warming', name: 'Capsicum, nicotinates', saidAs: ['chilli', 'capsicum', 'warming', 'plumping'], terms: ['capsicum', 'capsaicin', 'benzyl nicotinate', 'methyl nicotinate', 'ethyl nicotinate', 'hexyl nicotinate', 'vanillyl butyl ether', 'zingiber officinale', 'ginger'] },
  { id: 'benzoyl-peroxide', name: 'Benzoyl peroxide', saidAs: ['benzoyl peroxide'], terms: ['benzoyl peroxide'] },
  { id: 'hydroquinone', name: 'Hydroquinone', saidAs: ['hydroquinone'], terms: ['hydroquinone'], except: ['t butyl hydroquinone', 'tert butyl hydroquinone'] },
  { id: 'lanolin', name: 'Lanolin', saidAs: ['lanolin', 'wool'], terms: ['lanolin', 'adeps lanae', 'lanolate', 'wool wax', 'wool fat', 'acetylated lanolin alcohol', 'isopropyl lanolate'] },
  { id: 'tea-tree', name: 'Tea tree', saidAs: ['tea tree'], terms: ['melaleuca', 'tea tree'] },
  { id: 'isothiazolinones', name: 'MI / MCI', saidAs: ['methylisothiazolinone', 'preservative'], terms: ['methylisothiazolinone', 'methylchloroisothiazolinone', 'octylisothiazolinone', 'benzisothiazolinone'] },
  { id: 'formaldehyde', name: 'Formaldehyde releasers', saidAs: ['formaldehyde', 'preservative'], terms: ['formaldehyde', 'dmdm hydantoin', 'imidazolidinyl urea', 'diazolidinyl urea', 'quaternium 15', '2 bromo 2 nitropropane 1 3 diol', 'bronopol', 'sodium hydroxymethylglycinate', 'polyoxymethylene urea', 'methenamine', 'glyoxal'] },
  { id: 'propylene-glycol', name: 'Propylene glycol', saidAs: ['propylene glycol'], terms: ['propylene glycol'], except: ['propylene glycol dicaprylate', 'propylene glycol dicaprate', 'propylene glycol stearate', 'propylene glycol isostearate', 'propylene glycol laurate', 'propylene glycol ceteth'] },
  { id: 'colophony', name: 'Adhesive, colophony', saidAs: ['plaster', 'adhesive', 'tape', 'rosin'], terms: ['colophonium', 'colophony', 'rosin', 'rosinate', 'abietic acid', 'glyceryl abietate', 'hydrogenated rosin', 'pine resin'] },
  { id: 'sulfonamide', name: 'Sulfonamide medicine', saidAs: ['sulfa', 'sulfonamide'], terms: ['sulfacetamide', 'sulfanilamide', 'sodium sulfacetamide'], remark: 'Elemental sulfur is another substance.' },
] as const satisfies readonly Family[]

export type FamilyId = (typeof FAMILIES)[number]['id']
export const familyById: ReadonlyMap<string, Family> = new Map((FAMILIES as readonly Family[]).map((family) => [family.id, family]))
