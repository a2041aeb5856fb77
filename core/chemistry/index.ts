export { ALKALINE_PH, exposureIndex, freeAcid, freeShare, isAcidName, PKA } from './acids'
export type { AcidName, AcidPart, FreeAcid, NoFigure } from './acids'
export { AHA_REVIEW, isOutsideAhaReview, isReviewed, reviewFlags, worthAt } from './review'
export type { ReviewFlag } from './review'
