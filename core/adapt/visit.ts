import type { Step } from '../protocol/model'
import { unrolled } from '../protocol/unroll'
import type { Constraints } from '../safety/constrain'
import type { Constraint } from '../safety/rule'
import { throughGates } from './gates'
import { constraintsFor, type CompileInput, type Running } from './input'
import { withHygiene } from './lay'
import { prepared } from './prep'

/** One visit while its plan is made: what every stage of `compile` reads and none changes. */
export interface Visit {
  readonly input: CompileInput
  readonly running: Running | undefined
  readonly constraints: Constraints
  /** The card's steps, loops written out, hygiene put in. */
  readonly written: readonly Step[]
}

/** Opens a visit: house mixes composed, the rule book read against it. */
export function openVisit(given: CompileInput, running?: Running): Visit {
  const input = prepared(given)
  return {
    input,
    running,
    constraints: withStung(constraintsFor(input), input),
    written: withHygiene(input.protocol.steps.map(unrolled)),
  }
}

/** A quick check that stung stops its product for today, as a reaction would. */
function withStung(constraints: Constraints, input: CompileInput): Constraints {
  const stung =
    input.stung ?? throughGates(input.protocol.steps, input.reading, input.gates ?? {}).stung
  const stops = stung.map((productId): Constraint => ({
    key: `B05||${productId}`,
    ruleId: 'B05',
    title: 'The quick check stung',
    effect: 'stop',
    target: { productId },
    reason: 'Behind the ear it stung or reddened within two minutes.',
    instead: 'Another of the same kind, or none today.',
    basis: 'common-practice',
    overridable: 'no',
    because: 'the quick check stung',
    unasked: false,
  }))
  return { ...constraints, inForce: [...constraints.inForce, ...stops] }
}
