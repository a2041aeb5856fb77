export { FIRST_RUNG, GAP_DAYS, isHarm, isStrong, suggest, suggestLever } from './suggest'
export type { Move, Suggestion } from './suggest'
export { HIGHEST_RUNG, limitAt, rungHolding, RUNGS } from './rungs'
export type { PastVisit, SkinAnswer } from './model'
