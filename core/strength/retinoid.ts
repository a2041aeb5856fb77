import type { Product } from '../catalog/model'
import { rungHolding, TOP_RUNG } from './rungs'

/** Strongest first, so that a product that holds two is taken for the stronger. Percent at most by rung, from `from` on. */
const FORMS: readonly {
  readonly terms: readonly string[]
  readonly rungOf: (percent: number | undefined) => number
}[] = [
  {
    terms: ['tretinoin', 'retinoic acid', 'adapalene', 'tazarotene', 'trifarotene'],
    rungOf: () => TOP_RUNG,
  },
  {
    terms: ['retinal', 'retinaldehyde'],
    rungOf: (percent) => (percent !== undefined && percent <= LOW_RETINAL_PERCENT ? 3 : TOP_RUNG),
  },
  {
    terms: ['retinol'],
    rungOf: (percent) =>
      percent === undefined
        ? TOP_RUNG
        : 1 + rungHolding(RETINOL_PERCENT, percent, RETINOL_PERCENT.length + 1),
  },
  {
    terms: [
      'retinyl palmitate',
      'retinyl acetate',
      'retinyl propionate',
      'retinyl retinoate',
      'hydroxypinacolone retinoate',
      'ester',
    ],
    rungOf: () => 1,
  },
]
/** Retinol up to 0.3 % is rung 2, up to 1 % rung 3 (house convention, common practice, no source). */
const RETINOL_PERCENT = [0.3, 1] as const
const LOW_RETINAL_PERCENT = 0.05

/** The rung of a product with a retinoid, by its form and percentage; the top where neither is written. Steps without a product have none. */
export function retinoidRung(product: Product | undefined): number | undefined {
  if (!product) return undefined
  const found = FORMS.flatMap(({ terms, rungOf }) => {
    const named = product.actives.find(({ name }) => terms.includes(name.toLowerCase()))
    return named ? [rungOf(named.percent)] : []
  })
  return found.length > 0 ? Math.max(...found) : TOP_RUNG
}
