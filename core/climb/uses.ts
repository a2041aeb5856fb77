import type { LeverUse } from './model'

/** Each lever once, as high as any of its steps used it, in the order of their first steps; stung where any of them did. */
export function highestUses(
  levers: readonly LeverUse[],
): Pick<LeverUse, 'lever' | 'rung' | 'stung'>[] {
  const highest = new Map<LeverUse['lever'], Pick<LeverUse, 'lever' | 'rung' | 'stung'>>()
  for (const { lever, rung, stung } of levers) {
    const known = highest.get(lever)
    highest.set(lever, {
      lever,
      rung: Math.max(rung, known?.rung ?? 0),
      ...(stung || known?.stung ? { stung: true } : {}),
    })
  }
  return [...highest.values()]
}
