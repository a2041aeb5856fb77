import type { Mixing } from '../catalog/model'

/** Alginates set faster in warmer water: about six seconds a degree (dental alginate practice, value from memory), between 15 and 30 °C. */
const ALGINATE_S_PER_C = 6
const ALGINATE_C = { least: 15, most: 30 } as const
const SHORTEST_S = 20

export interface SettingTimes {
  /** Seconds from the end of mixing in which it must be on the skin. */ readonly workingS: number
  /** Seconds until it is set. */ readonly setsS: number
  /** The temperature lay outside what is known; the times are those of the nearest known one. */ readonly clamped: boolean
}

/**
 * Working and setting time of a mix at a water temperature (°C). Alginate: one figure of its maker, −6 s a degree between 15 and 30 °C,
 * clamped outside. Others: the maker's table, straight between its rows, clamped at its ends. Undefined for what does not set.
 */
export function settingAt(sets: Mixing['sets'], celsius: number): SettingTimes | undefined {
  if (!sets) return undefined
  if (sets.by === 'alginate') {
    const within = clamp(celsius, ALGINATE_C.least, ALGINATE_C.most)
    const change = Math.round((sets.at.celsius - within) * ALGINATE_S_PER_C)
    return {
      workingS: Math.max(SHORTEST_S, sets.at.workingS + change),
      setsS: Math.max(SHORTEST_S, sets.at.setsS + change),
      clamped: within !== celsius,
    }
  }
  const rows = [...sets.rows].sort((a, b) => a.celsius - b.celsius)
  const within = clamp(celsius, rows[0]!.celsius, rows.at(-1)!.celsius)
  const above = rows.findIndex((row) => row.celsius >= within)
  const [low, high] = [rows[Math.max(0, above - 1)]!, rows[above]!]
  const share =
    high.celsius === low.celsius ? 1 : (within - low.celsius) / (high.celsius - low.celsius)
  const between = (a: number, b: number) => Math.round(a + (b - a) * share)
  return {
    workingS: between(low.workingS, high.workingS),
    setsS: between(low.setsS, high.setsS),
    clamped: within !== celsius,
  }
}

const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value))
