import type { Shelf } from '../catalog/model'
import type { Step } from '../protocol/model'
import type { Subject } from '../strength'
import type { Constraint } from '../safety/rule'
import type { Change } from './change'

/** One way to do (or not do) a written step. */
export interface Option {
  /** Undefined: the step is left out. */
  readonly step: Step | undefined
  readonly changes: readonly Change[]
}

export interface OptionContext {
  readonly shelf: Shelf
  readonly read: (step: Step) => Subject
  /** Constraints a step is subject to, overrides already taken out. */
  readonly constraintsFor: (step: Step) => readonly Constraint[]
  /** Whether somebody asked this client for allergies: until then nothing with another family of ingredients is put in. */
  readonly allergiesAsked: boolean
}
