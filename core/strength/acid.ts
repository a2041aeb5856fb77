import { freeShare, isAcidName, PKA } from '../chemistry'
import type { Product } from '../catalog/model'
import { HIGHEST_RUNG, limitAt, rungHolding, RUNGS } from './rungs'

/** Up to this much free acid a product is on the lowest rung however long it stays. */
const MILD_PERCENT = 3
/** Up to this much it climbs with its minutes alone. */
const SOFT_PERCENT = 7
const SOFT_MINUTES = [2, 10] as const
const LEFT_ON_RUNG = 3

/**
 * Free acid in percent, for the rung: in water by pH and pKa; in alcohol, without water or without a pH all of it counts as free.
 * Undefined where no acid is listed with its percentage.
 */
export function acidPercentOf(product: Product | undefined): number | undefined {
  const parts = (product?.actives ?? []).flatMap(({ name, percent }) =>
    isAcidName(name) ? [{ name, percent }] : [],
  )
  if (!product || parts.length === 0) return undefined
  const { pH, vehicle } = product
  const shareOf = (name: keyof typeof PKA): number =>
    vehicle === 'water' && pH !== undefined ? freeShare(pH, PKA[name]) : 1
  return parts.reduce((sum, { name, percent }) => sum + shareOf(name) * percent, 0)
}

/** What an acid does: free acid in percent, minutes on the skin, and whether it stays. */
export interface AcidWork {
  readonly percent: number
  readonly minutes: number
  readonly isLeftOn: boolean
}

/**
 * The rung an acid stands on. Mild ones stand on the first; soft ones climb with their minutes; above, strength and minutes are capped
 * separately and the higher counts; what is strong and stays on stands above the table. House convention (common practice, no source).
 */
export function acidRung({ percent, minutes, isLeftOn }: AcidWork): number {
  if (percent <= MILD_PERCENT) return 1
  if (percent <= SOFT_PERCENT)
    return isLeftOn ? LEFT_ON_RUNG : rungHolding(SOFT_MINUTES, minutes, LEFT_ON_RUNG)
  if (isLeftOn) return HIGHEST_RUNG
  return Math.max(
    rungHolding(RUNGS.acid.freeAcid!, percent),
    rungHolding(RUNGS.acid.minutes!, minutes),
  )
}

/** The most minutes an acid of this strength may stay on a rung; 0 where it is too strong for it, Infinity where none is set. */
export function acidMinutesAt(
  { percent, isLeftOn }: Omit<AcidWork, 'minutes'>,
  rung: number,
): number {
  if (rung < 1) return 0
  if (percent <= MILD_PERCENT || rung >= HIGHEST_RUNG) return Infinity
  if (percent <= SOFT_PERCENT) {
    if (rung >= LEFT_ON_RUNG) return Infinity
    return isLeftOn ? 0 : SOFT_MINUTES[rung - 1]!
  }
  if (isLeftOn || rungHolding(RUNGS.acid.freeAcid!, percent) > rung) return 0
  return limitAt(RUNGS.acid.minutes!, rung) ?? Infinity
}
