import type { Property } from '../../protocol/words'

/** An ingredient that does something a rule speaks of: its names, and the property a product that lists it has. */
export interface Active {
  readonly id: string
  readonly name: string
  readonly terms: readonly string[]
  readonly property?: Property
}

/** Recognised actives (INCI names from memory). A property follows from the list alone, whatever the label says. */
export const ACTIVES: readonly Active[] = [
  { id: 'glycolic', name: 'Glycolic acid', terms: ['glycolic acid'] },
  { id: 'lactic', name: 'Lactic acid', terms: ['lactic acid'] },
  { id: 'mandelic', name: 'Mandelic acid', terms: ['mandelic acid'] },
  { id: 'malic', name: 'Malic acid', terms: ['malic acid'] },
  { id: 'tartaric', name: 'Tartaric acid', terms: ['tartaric acid'] },
  { id: 'citric', name: 'Citric acid', terms: ['citric acid'] },
  {
    id: 'salicylic',
    name: 'Salicylic acid',
    terms: ['salicylic acid', 'capryloyl salicylic acid', 'betaine salicylate'],
  },
  { id: 'azelaic', name: 'Azelaic acid', terms: ['azelaic acid', 'potassium azeloyl diglycinate'] },
  { id: 'pyruvic', name: 'Pyruvic acid', terms: ['pyruvic acid'] },
  { id: 'polyhydroxy', name: 'Polyhydroxy acids', terms: ['gluconolactone', 'lactobionic acid'] },
  {
    id: 'retinoid',
    name: 'Retinoid',
    terms: [
      'retinol',
      'retinal',
      'retinaldehyde',
      'retinyl palmitate',
      'retinyl acetate',
      'retinyl retinoate',
      'retinyl propionate',
      'hydroxypinacolone retinoate',
      'tretinoin',
      'adapalene',
    ],
    property: 'retinoid',
  },
  { id: 'hydroquinone', name: 'Hydroquinone', terms: ['hydroquinone'], property: 'hydroquinone' },
  { id: 'benzoyl-peroxide', name: 'Benzoyl peroxide', terms: ['benzoyl peroxide'] },
  { id: 'sulfur', name: 'Sulfur', terms: ['sulfur', 'sulphur'] },
  { id: 'niacinamide', name: 'Niacinamide', terms: ['niacinamide'] },
  {
    id: 'vitamin-c',
    name: 'Vitamin C',
    terms: [
      'ascorbic acid',
      'sodium ascorbyl phosphate',
      'magnesium ascorbyl phosphate',
      'ascorbyl glucoside',
      'tetrahexyldecyl ascorbate',
      '3 o ethyl ascorbic acid',
    ],
  },
  {
    id: 'hyaluronate',
    name: 'Hyaluronate',
    terms: ['hyaluronic acid', 'sodium hyaluronate', 'hydrolyzed hyaluronic acid'],
  },
  {
    id: 'enzyme',
    name: 'Enzyme',
    terms: [
      'papain',
      'bromelain',
      'subtilisin',
      'protease',
      'ficin',
      'actinidin',
      'lipase',
      'keratinase',
    ],
  },
  {
    id: 'warming',
    name: 'Warming',
    terms: [
      'capsicum',
      'capsaicin',
      'benzyl nicotinate',
      'methyl nicotinate',
      'ethyl nicotinate',
      'hexyl nicotinate',
      'vanillyl butyl ether',
    ],
    property: 'warming',
  },
  { id: 'tranexamic', name: 'Tranexamic acid', terms: ['tranexamic acid'] },
  { id: 'kojic', name: 'Kojic acid', terms: ['kojic acid', 'kojic dipalmitate'] },
  { id: 'arbutin', name: 'Arbutin', terms: ['arbutin', 'alpha arbutin'] },
  { id: 'zinc-oxide', name: 'Zinc oxide', terms: ['zinc oxide'] },
  { id: 'titanium', name: 'Titanium dioxide', terms: ['titanium dioxide'] },
  {
    id: 'organic-filters',
    name: 'Organic sun protection',
    terms: [
      'butyl methoxydibenzoylmethane',
      'octocrylene',
      'homosalate',
      'ethylhexyl salicylate',
      'ethylhexyl triazone',
      'ethylhexyl methoxycinnamate',
      'bis ethylhexyloxyphenol methoxyphenyl triazine',
      'diethylamino hydroxybenzoyl hexyl benzoate',
      'methylene bis benzotriazolyl tetramethylbutylphenol',
      'phenylbenzimidazole sulfonic acid',
      'benzophenone 3',
      'benzophenone 4',
    ],
  },
]

/** INCI names that are no allergen family and no active: known, so that what is left over stands out. One name per entry (from memory). */
const COMMON = `
aqua|water|eau|glycerin|butylene glycol|pentylene glycol|propanediol|hexylene glycol|1 2 hexanediol|caprylyl glycol|dipropylene glycol|ethylhexylglycerin|phenoxyethanol|sodium benzoate|potassium sorbate|sorbic acid|benzoic acid|dehydroacetic acid|chlorphenesin|methylparaben|ethylparaben|propylparaben|butylparaben
alcohol|alcohol denat|isopropyl alcohol|cetyl alcohol|cetearyl alcohol|stearyl alcohol|behenyl alcohol|myristyl alcohol|cetearyl glucoside|cetearyl olivate|sorbitan olivate|sorbitan stearate|sorbitan oleate|glyceryl stearate|glyceryl stearate se|peg 100 stearate|peg 40 hydrogenated castor oil|peg 8|peg 32|polysorbate 20|polysorbate 60|polysorbate 80|ceteareth 20|steareth 21|laureth 4|poloxamer 184|poloxamer 407
stearic acid|palmitic acid|myristic acid|lauric acid|oleic acid|linoleic acid|linolenic acid|behenic acid|caprylic capric triglyceride|coco caprylate|coco caprylate caprate|isopropyl myristate|isopropyl palmitate|ethylhexyl palmitate|ethylhexyl stearate|c12 15 alkyl benzoate|dicaprylyl carbonate|dicaprylyl ether|isohexadecane|isododecane|isononyl isononanoate|cetyl palmitate|squalane|squalene|petrolatum|paraffinum liquidum|mineral oil|paraffin|cera microcristallina|ozokerite|ceresin|hydrogenated jojoba oil|hydrogenated castor oil|hydrogenated vegetable oil|hydrogenated polyisobutene|polyethylene
dimethicone|cyclopentasiloxane|cyclohexasiloxane|dimethiconol|phenyl trimethicone|caprylyl methicone|dimethicone crosspolymer|peg 10 dimethicone
carbomer|acrylates c10 30 alkyl acrylate crosspolymer|acrylates copolymer|acrylates latex|xanthan gum|guar gum|cellulose gum|cellulose|microcrystalline cellulose|hydroxyethylcellulose|hydroxypropyl methylcellulose|gellan gum|sclerotium gum|carrageenan|algin|sodium alginate|calcium alginate|agar|pectin|polyvinyl alcohol|pvp|sodium polyacrylate|ammonium acryloyldimethyltaurate vp copolymer|polyacrylamide|tapioca starch|oryza sativa starch|oryza sativa bran|oryza sativa|solanum tuberosum starch|aluminum starch octenylsuccinate
sodium cocoyl isethionate|sodium cocoyl glutamate|disodium cocoyl glutamate|cocamidopropyl betaine|coco glucoside|decyl glucoside|lauryl glucoside|caprylyl capryl glucoside|sodium laureth sulfate|sodium lauryl sulfate|sodium lauroyl sarcosinate|sodium lauroyl methyl isethionate|potassium cocoate|potassium stearate|potassium oleate|potassium hydroxide|sodium hydroxide|triethanolamine|aminomethyl propanol|arginine|tromethamine|sodium bicarbonate|sodium carbonate|citric acid|sodium citrate|trisodium phosphate|disodium edta|tetrasodium edta|trisodium ethylenediamine disuccinate|sodium phytate|phytic acid|sodium chloride|magnesium sulfate|magnesium chloride|calcium chloride|potassium chloride
kaolin|bentonite|illite|montmorillonite|solum fullonum|solum diatomeae|diatomaceous earth|magnesium aluminum silicate|hectorite|silica|mica|talc|charcoal powder|calcium carbonate|calcium sulfate|calcium sulfate hemihydrate|calcium sulfate hydrate|tetrasodium pyrophosphate|tetrapotassium pyrophosphate|trisodium polyphosphate|magnesium oxide|magnesium stearate|maris limus|sea silt|peat
allantoin|panthenol|bisabolol|betaine|urea|sodium pca|zinc pca|sodium lactate|trehalose|sorbitol|xylitol|glucose|fructose|saccharide isomerate|inulin|beta glucan|ectoin|ceramide np|ceramide ap|ceramide eop|cholesterol|phytosphingosine|lecithin|hydrogenated lecithin|tocopherol|tocopheryl acetate|ubiquinone|caffeine|carnosine|adenosine|glutathione|resveratrol|ferulic acid|madecassoside|asiaticoside|bakuchiol|azulene|guaiazulene|dipotassium glycyrrhizate|glycyrrhetinic acid
collagen|soluble collagen|hydrolyzed collagen|elastin|hydrolyzed elastin|keratin|hydrolyzed silk|silk|palmitoyl pentapeptide 4|palmitoyl tripeptide 1|palmitoyl tetrapeptide 7|acetyl hexapeptide 8|copper tripeptide 1|saccharomyces ferment|saccharomyces cerevisiae extract|lactobacillus ferment|bifida ferment lysate|galactomyces ferment filtrate
aloe barbadensis leaf juice|aloe barbadensis leaf extract|chamomilla recutita flower extract|anthemis nobilis flower water|calendula officinalis flower extract|centella asiatica extract|camellia sinensis leaf extract|glycyrrhiza glabra root extract|hamamelis virginiana water|hamamelis virginiana leaf extract|cucumis sativus fruit extract|rosa damascena flower water|rosa canina fruit oil|rosa canina seed oil|lavandula angustifolia oil|lavandula angustifolia flower water|rosmarinus officinalis leaf extract|salvia officinalis leaf extract|thymus vulgaris leaf extract|sambucus nigra flower extract|malva sylvestris extract|echinacea purpurea extract|arnica montana flower extract|hypericum perforatum extract|equisetum arvense extract|hedera helix extract|ginkgo biloba leaf extract|panax ginseng root extract|vitis vinifera seed oil|vitis vinifera seed extract|punica granatum extract|rubus idaeus fruit extract|vaccinium myrtillus fruit extract|vaccinium macrocarpon fruit extract|fragaria vesca fruit extract|pyrus malus fruit extract|prunus armeniaca kernel oil|prunus persica kernel oil|olea europaea fruit oil|cocos nucifera oil|cocos nucifera fruit juice|simmondsia chinensis seed oil|argania spinosa kernel oil|butyrospermum parkii butter|theobroma cacao seed butter|mangifera indica seed butter|ricinus communis seed oil|oenothera biennis oil|borago officinalis seed oil|carthamus tinctorius seed oil|linum usitatissimum seed extract|cannabis sativa seed oil|camelina sativa seed oil|limnanthes alba seed oil|hordeum vulgare extract|hordeum vulgare seed extract|fagopyrum esculentum seed extract|secale cereale extract|phragmites communis extract|centaurea cyanus flower water|nelumbo nucifera flower extract|nymphaea alba flower extract|magnolia officinalis bark extract|scutellaria baicalensis root extract|silybum marianum extract|epilobium angustifolium extract|melissa officinalis leaf extract|cymbopogon flexuosus oil|eucalyptus globulus leaf oil|aesculus hippocastanum extract|lonicera japonica flower extract|ruscus aculeatus root extract|cinnamomum camphora bark oil|tilia cordata flower extract
butyl methoxydibenzoylmethane|octocrylene|ethylhexyl triazone|bis ethylhexyloxyphenol methoxyphenyl triazine|diethylamino hydroxybenzoyl hexyl benzoate|ethylhexyl methoxycinnamate|methylene bis benzotriazolyl tetramethylbutylphenol|phenylbenzimidazole sulfonic acid|benzophenone 3|benzophenone 4
bha|bht|butylated hydroxyanisole|butylated hydroxytoluene|t butyl hydroquinone|sodium metabisulfite|sodium sulfite|propyl gallate|pentaerythrityl tetra di t butyl hydroxyhydrocinnamate
iron oxides|ci 77491|ci 77492|ci 77499|ci 77891|ci 77947|ci 19140|ci 42090|ci 16035|ci 15510|ci 15985|ci 75470|carmine|ultramarines|chromium oxide greens|tin oxide|orange 4|yellow 5|blue 1|red 40|caramel|curcuma longa root extract
`
export const COMMON_NAMES: ReadonlySet<string> = new Set(
  COMMON.split(/[|\n]/)
    .map((name) => name.trim())
    .filter(Boolean),
)
