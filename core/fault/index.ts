export { Conflict, Fault, Forbidden, Infeasible, Invalid, NotFound } from './fault'
export { PROBLEM_CODES, type ProblemCode } from './codes'
export type { FaultKind, FieldFault, Problem } from './fault'
