import type { Constraint } from '../safety/rule'

const BLOCKING = new Set(['stop', 'clearance', 'refer', 'scope', 'replace', 'omit-zone'])

/** Keeps a step from being done as it stands: stops and their kind, and a patch test that has not been passed. A soft referral only speaks. */
export const blocks = (constraint: Constraint): boolean =>
  (BLOCKING.has(constraint.effect) && !(constraint.effect === 'refer' && constraint.soft)) ||
  constraint.require === 'patch-test'
