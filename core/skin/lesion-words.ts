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
