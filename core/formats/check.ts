import { constraintsFor } from '../adapt/input'
import { shortRhythm, type ShortRhythm } from '../climb'
import { lint, type LintFinding } from '../protocol/linter'
import { subjectReader } from '../strength'
import { selects } from '../safety/touches'
import { inputOf, type Bundle } from './bundle'

export interface RuleFinding {
  readonly ruleId: string
  readonly stepId: string
  readonly effect: string
  readonly reason: string
  readonly instead: string
  readonly because: string
}
export interface CheckReport {
  readonly lint: readonly LintFinding[]
  /** The card's course is shorter than its own work allows. */
  readonly rhythm?: ShortRhythm
  readonly rules: readonly RuleFinding[]
  readonly checked: readonly string[]
  readonly notChecked: readonly string[]
}

const SPEAKING = new Set(['stop', 'omit-zone', 'refer', 'postpone', 'clearance', 'replace'])

/** Linter and rule findings on a protocol exactly as written, for one client; nothing is changed. */
export function check(bundle: Bundle): CheckReport {
  const input = inputOf(bundle)
  const constraints = constraintsFor(input)
  const read = subjectReader(bundle.shelf)
  const subjects = bundle.protocol.steps.map(read)
  const rules = subjects.flatMap((subject) =>
    constraints.inForce
      .filter(
        (c) =>
          SPEAKING.has(c.effect) &&
          selects(c.target, subject) &&
          (!c.zones || c.zones.some((zone) => subject.step.zones.includes(zone))),
      )
      .map((c) => ({
        ruleId: c.ruleId,
        stepId: subject.step.id,
        effect: c.effect,
        reason: c.reason,
        instead: c.instead,
        because: c.because,
      })),
  )
  const { course } = bundle.protocol
  const rhythm = course && shortRhythm(course, subjects)
  return {
    lint: lint(subjects, bundle.visit.daytime),
    ...(rhythm ? { rhythm } : {}),
    rules,
    checked: constraints.checked,
    notChecked: constraints.notChecked,
  }
}
