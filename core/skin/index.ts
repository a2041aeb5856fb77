export {
  CHEEKS,
  ELSEWHERE,
  EYE_CONTOUR,
  EYES,
  FACE,
  FACE_NECK,
  FOREHEAD,
  LIDS,
  MOUTH,
  NECK,
  NOSE,
  READ_ZONES,
  sharedZones,
  T_ZONE,
  WHOLE_FACE,
  withoutZones,
  ZONE_GROUPS,
  ZONES,
  zoneName,
  zonesInWords,
  zonesMeet,
} from './zones'
export type { ZoneGroup, ZoneId } from './zones'
export { MUSCLES, musclesUnder } from './muscles'
export type { MuscleId } from './muscles'
export { FINDING_KINDS, FINDING_PARTS, FINDINGS, findingWords } from './findings'
export type { FindingKind, FindingPart, FindingWords } from './findings'
export { zoneStacks } from './layers'
export type { LaidOn, ZoneLayer } from './layers'
export {
  DECISION_WORDS,
  DECISIONS,
  LESION_TYPES,
  LESION_WORDS,
  MAP_VIEWS,
  OUTCOME_WORDS,
  OUTCOMES,
} from './lesion-words'
export { hasHead, isInflamed, suggestDecision } from './lesions'
export type { Decision, LesionOutcome, LesionType, MapView } from './lesion-words'
export {
  gradesFromLesions,
  lesionIndex,
  phototype,
  PHOTOTYPE_QUESTIONS,
  PHOTOTYPES,
  pigmentIndex,
  typologyAngle,
} from './indices'
export { LESION_REGIONS, PIGMENT_REGIONS } from './index-regions'
export type { LesionGrade, LesionIndex, Phototype, PigmentGrade } from './indices'
export type { LesionRegion, PigmentRegion } from './index-regions'
export { deltaE2000, hexOf, labOf } from './colour'
export type { Lab } from './colour'
export { summarise } from './summary'
export type { SkinSummary, SummaryWord } from './summary'
export { METER_SCALE, METERS } from './meters'
export type { MeterKind } from './meters'
export { asLastTime, READING_PRESETS, withPreset } from './presets'
export type { ReadingPreset } from './presets'
export { probeSamples } from './probe'
export type { ProbeSample } from './probe'
export type { Finding, Lesion, MeterValue, Reading } from './model'
