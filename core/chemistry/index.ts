export { exposureIndex, freeAcid, freeShare, isAcidName, PKA } from './acids'
export type { AcidName, AcidPart, FreeAcid, NoFigure } from './acids'
