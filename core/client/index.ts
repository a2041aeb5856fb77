export { CONCERNS } from './concerns'
export {
  ageOn,
  dateAfter,
  dateInWords,
  daysBetween,
  factsInForce,
  factsOn,
  MAJORITY,
  nothingKnown,
  nothingOfTheDay,
} from './facts'
export { EVIDENCE_CODES, QUESTION_GROUPS, questionByCode, QUESTIONS } from './questions'
export type { Question, QuestionGroup } from './questions'
export { groupStates, needsGuardian, noneOfThese, nothingNew } from './asking'
export type { GroupState } from './asking'
export {
  answerByMedicines,
  KNOWN,
  medicineCode,
  medicinesFor,
  ofMedicines,
  saidOfMedicine,
  searchKnown,
} from './medicines'
export type { Known } from './medicines'
export type {
  Clearance,
  Client,
  Concern,
  Fact,
  GoalDetails,
  PatchTest,
  ProductMemory,
} from './model'
export { dayFault, patchTestFault, readingFault } from './evidence'
export type { Days, EvidenceFault } from './evidence'
export { contradictions, factFaults } from './faults'
export type { FactFault } from './faults'
export { clientQuery, dayWritten, folded, searchText, type ClientQuery } from './search'
