export { ageOn, dateInWords, daysBetween, factsInForce } from './facts'
export { EVIDENCE_CODES, questionByCode, QUESTIONS } from './questions'
export type { Question } from './questions'
export type { Clearance, Client, Concern, Fact, ProductMemory } from './model'
