import type { LeverUse, Suggestion } from '../climb'
import type { Finding } from '../skin'

/** A visit whose skin was read. */
export interface ReadVisit {
  /** ISO date. */
  readonly on: string
  readonly findings: readonly Finding[]
  /** How the light was. */
  readonly light?: string | undefined
}

/** A visit as the long ladder needs it. */
export interface LadderVisit extends Partial<Omit<ReadVisit, 'on'>> {
  readonly id: string
  readonly on: string
  readonly levers: readonly LeverUse[]
  /** What the climb said of each lever when it was fitted. */
  readonly suggestions: readonly Pick<Suggestion, 'lever' | 'move' | 'rung'>[]
}
