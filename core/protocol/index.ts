export {
  ADMITS,
  LEVER_WORDS,
  LEVERS,
  LOCAL_TOOLS,
  PHASES,
  PLACES,
  PROPERTIES,
  propertyWords,
  TEMPERATURES,
  TEMPERATURE_WORDS,
  TOOLS,
} from './words'
export type { Admits, LeverId, Phase, Place, Property, Temperature, Tool } from './words'
export {
  dwellSeconds,
  onClient,
  placeOf,
  presenceOf,
  segment,
  usesHands,
  usualSeconds,
} from './segments'
export { lint } from './linter'
export type { LintFinding } from './linter'
export { freshId, goneWith } from './family'
export { unrolled } from './unroll'
export { CHANGE_OVER_S } from './change-over'
export { MOVEMENT_TYPES, PASS_PATTERNS, PATH_WORDS, PATHS, PRESSURES } from './movement-words'
export { isTwoSided, movementSeconds, movementsSeconds, timedByMovements } from './movement'
export type { PathId } from './movement-words'
export type {
  ChoiceOption,
  Course,
  Movement,
  Pick,
  ProtocolVersion,
  Segment,
  Step,
  Variant,
} from './model'
export { SUPPLY_NAMES, supplyNamed } from './tray'
