import type { ProblemCode } from './codes'

/** One field that is wrong: where it stands in what was sent, and what is wrong with it. */
export interface FieldFault {
  readonly path: string
  readonly says: string
}

/** What a person is told: what, where, and what to do. */
export interface Problem {
  readonly code: ProblemCode
  readonly detail: string
  readonly path?: string | undefined
  readonly faults?: readonly FieldFault[] | undefined
}

/** Why something is refused. The edge gives each a status of its own; see server/utils/problem.ts. */
export type FaultKind =
  | 'invalid'
  | 'not-found'
  | 'conflict'
  | 'forbidden'
  | 'infeasible'
  | 'signed-out'
  | 'wrong-method'
  | 'too-slow'
  | 'too-large'
  | 'wrong-type'
  | 'too-many'
  | 'unavailable'

/** Something that is refused, in words for the person; thrown, and told as it is. A fault of our own code is an Error or a RangeError. */
export abstract class Fault extends Error {
  abstract readonly kind: FaultKind
  constructor(readonly problem: Problem) {
    super(problem.detail)
    this.name = new.target.name
  }
}

/** What was given cannot be so: a figure, a day, a name, a file. */
export class Invalid extends Fault {
  readonly kind = 'invalid'
}

/** What is named is not there, or not in this salon. */
export class NotFound extends Fault {
  readonly kind = 'not-found'
}

/** It stands against what is already so: taken, locked, changed meanwhile. */
export class Conflict extends Fault {
  readonly kind = 'conflict'
}

/** This person, or anybody, may not do it. */
export class Forbidden extends Fault {
  readonly kind = 'forbidden'
}

/** It cannot be done with what there is: nothing left of it, or a step before it is missing. */
export class Infeasible extends Fault {
  readonly kind = 'infeasible'
}
