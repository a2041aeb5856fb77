import type { Step } from '../../protocol/model'
import type { Bench } from './bench'

/** One school of a question, with the reason it gives. */
export interface School {
  readonly id: string
  readonly name: string
  readonly why: string
}
/** A question on which practitioners differ (common practice, no source), and how each answer rewrites a ladder. */
export interface MethodQuestion {
  readonly id: string
  readonly asks: string
  readonly byDefault: string
  readonly schools: readonly School[]
  /** Left out: the answer is kept with the card and read elsewhere, as `kept` says. */
  readonly rewrite?: (bench: Bench, school: string) => readonly Step[]
  readonly kept?: string
}
export interface Rewritten {
  readonly steps: readonly Step[]
  readonly says: readonly string[]
  /** This ladder cannot be rewritten so without becoming wrong; it is as it was. */
  readonly refused?: true
}
