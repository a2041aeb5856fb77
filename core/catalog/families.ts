/** An allergen family: what a client names, and the ingredient names that belong to it. */
export interface Family {
  readonly id: string
  readonly name: string
  /** What clients call it, for search and for the intake. */
  readonly saidAs: readonly string[]
  /** Word sequences that make an ingredient belong. */
  readonly terms: readonly string[]
  /** Ingredients that hold a term and still do not belong. */
  readonly except?: readonly string[]
  /** Families a reaction crosses to; they need a clearance. */
  readonly crosses?: readonly string[]
}

/** Ingredient names are INCI; botanical names as in the INCI dictionary (values from memory). */
export const FAMILIES = [
  {
    id: 'salicylates', name: 'Salicylates (aspirin)', saidAs: ['aspirin', 'salicylate', 'NSAID'],
    terms: ['salicylic acid', 'salicylate', 'salix', 'willow bark', 'wintergreen', 'gaultheria procumbens', 'betula lenta', 'sweet birch', 'capryloyl salicylic acid'],
    except: ['ethylhexyl salicylate', 'octyl salicylate', 'butyloctyl salicylate', 'triethanolamine salicylate'],
  },
  { id: 'sun-salicylates', name: 'Sun-filter salicylates', saidAs: ['octisalate', 'homosalate'], terms: ['ethylhexyl salicylate', 'octyl salicylate', 'homosalate', 'butyloctyl salicylate'] },
  { id: 'pineapple', name: 'Pineapple', saidAs: ['pineapple', 'bromelain'], terms: ['bromelain', 'ananas sativus', 'ananas comosus', 'pineapple'], crosses: ['papaya', 'kiwi', 'fig'] },
  { id: 'papaya', name: 'Papaya', saidAs: ['papaya', 'papain'], terms: ['papain', 'carica papaya', 'papaya'], crosses: ['pineapple', 'kiwi', 'fig'] },
  { id: 'kiwi', name: 'Kiwi', saidAs: ['kiwi'], terms: ['actinidin', 'actinidia', 'actinidia chinensis', 'actinidia deliciosa', 'kiwi'], crosses: ['pineapple', 'papaya', 'fig'] },
  { id: 'fig', name: 'Fig', saidAs: ['fig'], terms: ['ficin', 'ficain', 'ficus carica'], crosses: ['pineapple', 'papaya', 'kiwi'] },
  {
    id: 'fragrance', name: 'Fragrance', saidAs: ['perfume', 'fragrance', 'scent'],
    terms: ['parfum', 'fragrance', 'aroma', 'linalool', 'limonene', 'geraniol', 'citronellol', 'eugenol', 'coumarin', 'citral', 'cinnamal', 'benzyl salicylate', 'hydroxycitronellal', 'farnesol', 'isoeugenol', 'hexyl cinnamal'],
    except: ['fragrance free'],
  },
] as const satisfies readonly Family[]

export type FamilyId = (typeof FAMILIES)[number]['id']
export const familyById: ReadonlyMap<string, Family> = new Map(FAMILIES.map((family) => [family.id, family]))
