export { exposureIndex, freeAcid, freeShare, isAcidName, PKA } from './acids'
export type { AcidName, AcidPart, FreeAcid, NoFigure } from './acids'
export { AHA_REVIEW, isOutsideAhaReview, reviewFlags, worthAt } from './review'
export type { ReviewFlag } from './review'
