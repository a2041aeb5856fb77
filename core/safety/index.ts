export { constrain, passedTests } from './constrain'
export type { Constraints, Practitioner, Situation } from './constrain'
export { selects, touches } from './touches'
export {
  CLEARANCE_RULES,
  isAdvice,
  NO_SETTINGS,
  RULE_BOOK,
  RULE_BOOK_VERSION,
  ruleById,
  rulesAsking,
  windowOf,
  withSettings,
} from './rules'
export type { RuleSettings } from './rules'
export { EMERGENCIES, emergencySteps } from './rules/g-emergency'
export { EFFECTS, TECHNIQUES } from './rule'
export type {
  Condition,
  Constraint,
  Effect,
  Limit,
  Requirement,
  Rule,
  Selector,
  Technique,
} from './rule'
export {
  conditionWords,
  EFFECT_GLYPHS,
  EFFECT_WORDS,
  effectWords,
  FAMILY_NAMES,
  isForbidding,
} from './words'
