import type { Lesion } from './model'

export const LESION_TYPES = [
  'open-comedone',
  'closed-comedone',
  'papule',
  'pustule',
  'nodule',
  'milium',
  'ingrown',
  'mark',
  'changed',
] as const
export type LesionType = (typeof LESION_TYPES)[number]
export const LESION_WORDS: Readonly<Record<LesionType, string>> = {
  'open-comedone': 'Open comedone',
  'closed-comedone': 'Closed comedone',
  papule: 'Papule',
  pustule: 'Pustule',
  nodule: 'Nodule',
  milium: 'Milium',
  ingrown: 'Ingrown hair',
  mark: 'Mark',
  changed: 'A spot that changed',
}
export const DECISIONS = ['ready', 'leave', 'refer'] as const
export type Decision = (typeof DECISIONS)[number]
export const DECISION_WORDS: Readonly<Record<Decision, string>> = {
  ready: 'Ready',
  leave: 'Leave alone',
  refer: 'Refer',
}
export const OUTCOMES = ['emptied', 'partly', 'hair-released', 'left', 'bled'] as const
export type LesionOutcome = (typeof OUTCOMES)[number]
export const OUTCOME_WORDS: Readonly<Record<LesionOutcome, string>> = {
  emptied: 'Emptied',
  partly: 'Partly',
  'hair-released': 'Hair released',
  left: 'Left',
  bled: 'Bled',
}
export const MAP_VIEWS = ['front', 'left', 'right', 'neck'] as const
export type MapView = (typeof MAP_VIEWS)[number]

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
