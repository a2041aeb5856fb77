import type { Lesion } from './model'
import type { LesionType, Decision } from './lesion-words'

/**
 * The suggested decision for one lesion (domain section 10): *ready* when superficial and white or open, *leave* when deep, painful or
 * without a head, *refer* when it changed. The practitioner's own decision is what counts.
 */
export function suggestDecision(lesion: Pick<Lesion, 'type' | 'painful' | 'deep' | 'head'>): {
  decision: Decision
  why: string
} {
  const { type, painful, deep, head } = lesion
  if (type === 'changed')
    return { decision: 'refer', why: 'A spot that changes is looked at by a physician.' }
  if (type === 'nodule' || deep)
    return { decision: 'leave', why: 'Deep: pressing spreads it downward.' }
  if (painful && !head)
    return { decision: 'leave', why: 'Painful and without a head: it is not ready.' }
  if (type === 'papule' && !head) return { decision: 'leave', why: 'No head yet.' }
  if (type === 'mark') return { decision: 'leave', why: 'A mark holds nothing to release.' }
  if (type === 'ingrown')
    return {
      decision: 'ready',
      why: 'At the surface: release it with sterile tweezers, do not squeeze.',
    }
  if (type === 'milium')
    return {
      decision: 'leave',
      why: 'Closed under the skin: opening it needs a lancet and the scope for it.',
    }
  return {
    decision: 'ready',
    why: type === 'open-comedone' ? 'Open, at the surface.' : 'White, at the surface.',
  }
}

/** Whether a lesion of this kind usually has a head or an opening: what is assumed until the practitioner says otherwise. */
export const hasHead = (type: LesionType): boolean =>
  type === 'open-comedone' || type === 'closed-comedone' || type === 'pustule' || type === 'ingrown'

/** Inflamed: counted for rule C10. */
export const isInflamed = (lesion: Pick<Lesion, 'type'>): boolean =>
  lesion.type === 'papule' || lesion.type === 'pustule' || lesion.type === 'nodule'
