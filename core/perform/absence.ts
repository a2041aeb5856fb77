/** Hands were at another client: from when, with the call bell within this one's reach, when they were back, and when clean and gloved anew. Wall-clock milliseconds. */
export interface Absence {
  readonly leftMs: number
  readonly bell?: true
  readonly cameMs?: number
  readonly readyMs?: number
}

/** Whether whoever performs is with this client: there, elsewhere, or back and not clean yet. */
export type Whereabouts = 'here' | 'away' | 'washing'

/** Where whoever performs is, by the last absence. */
export function whereabouts(absences: readonly Absence[]): Whereabouts {
  const last = absences.at(-1)
  if (last === undefined || last.readyMs !== undefined) return 'here'
  return last.cameMs === undefined ? 'away' : 'washing'
}

/** Nobody leaves twice; a bell that was confirmed on any tablet is confirmed. */
export function left(absences: readonly Absence[], ms: number, bell?: true): Absence[] {
  const last = absences.at(-1)
  const isAway = whereabouts(absences) === 'away'
  if (last && isAway) return [...absences.slice(0, -1), { ...last, ...(bell ? { bell } : {}) }]
  // Called away again before the hands were clean.
  return [...readyAgain(absences, ms), { leftMs: ms, ...(bell ? { bell } : {}) }]
}

export const back = (absences: readonly Absence[], ms: number): Absence[] =>
  absences.map((one) => (isOver(one) ? one : { cameMs: ms, ...one }))

/** Whoever goes on is back, and clean. */
export const readyAgain = (absences: readonly Absence[], ms: number): Absence[] =>
  absences.map((one) => (isOver(one) ? one : { cameMs: ms, ...one, readyMs: ms }))

const isOver = ({ readyMs }: Absence): boolean => readyMs !== undefined
