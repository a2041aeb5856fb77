import type { Technique } from '#core/safety'

/** Which card shows which work pattern, on whom of the demo it compiles whole, and how long by hand. */
export interface PatternRow {
  /** 1 to 21, in the trade's list of patterns the product must express. */
  readonly pattern: number
  readonly protocolId: string
  readonly client: string
  /** Total minutes, added up by hand from the card: hands and dwells one after another, what hangs under a mask free. */
  readonly minutes: readonly [number, number]
  readonly scope?: readonly Technique[]
  readonly evening?: true
  /** Steps that do not come for a reason of the card itself (a condition, the other half of a choice). */
  readonly without?: readonly string[]
}

export const PATTERNS: readonly PatternRow[] = [
  { pattern: 1, protocolId: 'hydrating', client: 'Wren Castellane', minutes: [48, 58] },
  { pattern: 2, protocolId: 'leave-on-acid', client: 'Marguerite Abiola', minutes: [38, 46] },
  { pattern: 3, protocolId: 'three-serum', client: 'Yuna Delacroix', minutes: [62, 72] },
  { pattern: 4, protocolId: 'brightening', client: 'Wren Castellane', minutes: [70, 80] },
  { pattern: 5, protocolId: 'patches', client: 'Wren Castellane', minutes: [60, 70] },
  {
    pattern: 6,
    protocolId: 'seven-tides',
    client: 'Wren Castellane',
    minutes: [88, 98],
    scope: ['rf'],
  },
  { pattern: 7, protocolId: 'hearth', client: 'Yuna Delacroix', minutes: [50, 60] },
  { pattern: 8, protocolId: 'kit', client: 'Wren Castellane', minutes: [80, 90] },
  { pattern: 9, protocolId: 'mixed-bowl', client: 'Caspian Hurst', minutes: [45, 54] },
  { pattern: 10, protocolId: 'acid', client: 'Marguerite Abiola', minutes: [52, 64] },
  { pattern: 10, protocolId: 'course-peel', client: 'Marguerite Abiola', minutes: [40, 48] },
  {
    pattern: 10,
    protocolId: 'course-needling',
    client: 'Marguerite Abiola',
    minutes: [42, 50],
    scope: ['needling'],
  },
  { pattern: 11, protocolId: 'undertow', client: 'Wren Castellane', minutes: [34, 42] },
  { pattern: 12, protocolId: 'still-water', client: 'Odalys Fenwick-Rao', minutes: [40, 49] },
  {
    pattern: 13,
    protocolId: 'deep-well',
    client: 'Wren Castellane',
    minutes: [54, 64],
    scope: ['measured-infusion'],
  },
  { pattern: 14, protocolId: 'two-currents', client: 'Yuna Delacroix', minutes: [58, 72] },
  { pattern: 15, protocolId: 'quiet-window', client: 'Wren Castellane', minutes: [38, 46] },
  {
    pattern: 16,
    protocolId: 'acne',
    client: 'Theo Lindqvist',
    minutes: [48, 58],
    without: ['night'],
  },
  { pattern: 17, protocolId: 'quiet-window', client: 'Seraphine Dovey', minutes: [40, 50] },
  { pattern: 18, protocolId: 'grain', client: 'Evander Quill', minutes: [35, 43] },
  {
    pattern: 19,
    protocolId: 'neck',
    client: 'Seraphine Dovey',
    minutes: [48, 58],
    without: ['second-layer', 'night'],
  },
  { pattern: 20, protocolId: 'signature', client: 'Wren Castellane', minutes: [62, 72] },
  {
    pattern: 21,
    protocolId: 'blade-ready',
    client: 'Marguerite Abiola',
    minutes: [40, 48],
    scope: ['blade'],
  },
]
