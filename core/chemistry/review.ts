import { freeShare, isAcidName, PKA, type AcidName } from './acids'

/** What a published review says of one active as it is labelled. Never “illegal”: outside the review is a flag, the maker and local law come first. */
export interface ReviewFlag {
  readonly active: string
  readonly verdict: 'within' | 'outside' | 'none'
  readonly says: string
  readonly source?: string
}
export interface Labelled {
  readonly actives: readonly { readonly name: string; readonly percent: number }[]
  readonly pH?: number | undefined
  readonly home?: boolean | undefined
}

const CIR = 'Cosmetic Ingredient Review, Int J Toxicol 1998;17 Suppl 1 (value from memory)'
const OTC = '21 CFR 333.310, OTC Monograph M006 (value from memory)'
/** Pairs of label figures, not ceilings of free acid: brief professional rinse-off with sun protection, and for home. */
export const AHA_REVIEW = {
  professional: { percent: 30, pH: 3 },
  home: { percent: 10, pH: 3.5 },
} as const
/** Percent ranges of over-the-counter acne actives. */
const ACNE: Readonly<Record<string, readonly [number, number]>> = {
  salicylic: [0.5, 2],
  'benzoyl peroxide': [2.5, 10],
  'benzoyl-peroxide': [2.5, 10],
  sulfur: [3, 10],
}
/** Acids of which the published review speaks. */
export const isReviewed = (name: string): boolean => name === 'glycolic' || name === 'lactic'

/** Glycolic or lactic outside the published pair of figures; other acids have no such review and are not judged. An unknown pH is not held against a product here. */
export function isOutsideAhaReview({ actives, pH, home = false }: Labelled): boolean {
  const limit = AHA_REVIEW[home ? 'home' : 'professional']
  const reviewed = actives.filter((active) => isReviewed(active.name))
  return (
    reviewed.length > 0 &&
    (reviewed.some((active) => active.percent > limit.percent) ||
      (pH !== undefined && pH < limit.pH))
  )
}

/** Every active against the review that speaks of it, as percent and pH are labelled. */
export function reviewFlags(product: Labelled): ReviewFlag[] {
  const limit = AHA_REVIEW[product.home ? 'home' : 'professional']
  const use = product.home
    ? 'at home'
    : 'as a brief rinse-off by a professional, with sun protection'
  return product.actives.flatMap((active): ReviewFlag[] => {
    if (isReviewed(active.name)) {
      if (product.pH === undefined && active.percent <= limit.percent)
        return [
          {
            active: active.name,
            verdict: 'none',
            says: `The review asks for the pH too (at least ${limit.pH.toFixed(1)}); write it from the label.`,
            source: CIR,
          },
        ]
      const outside = isOutsideAhaReview({ ...product, actives: [active] })
      return [
        {
          active: active.name,
          verdict: outside ? 'outside' : 'within',
          says: `${outside ? 'Outside' : 'Within'} the published review: at most ${limit.percent} % and pH at least ${limit.pH.toFixed(1)} ${use}.`,
          source: CIR,
        },
      ]
    }
    const range = ACNE[active.name]
    if (range) {
      const outside = active.percent < range[0] || active.percent > range[1]
      return [
        {
          active: active.name,
          verdict: outside ? 'outside' : 'within',
          says: `${outside ? 'Outside' : 'Within'} the published review: ${range[0]} to ${range[1]} % as an acne active.`,
          source: OTC,
        },
      ]
    }
    return isAcidName(active.name)
      ? [
          {
            active: active.name,
            verdict: 'none',
            says: 'No published review for this acid: its maker’s figure counts.',
          },
        ]
      : []
  })
}

/** The percentage that would have as much free acid at another pH: what "strong because of its pH" is worth. */
export const worthAt = (name: AcidName, percent: number, pH: number, atPH: number): number =>
  (percent * freeShare(pH, PKA[name])) / freeShare(atPH, PKA[name])
