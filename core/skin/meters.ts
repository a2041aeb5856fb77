export const METERS = ['hydration', 'sebum', 'redness', 'pH', 'L', 'a', 'b'] as const
export type MeterKind = (typeof METERS)[number]

/** Scale of each meter, and what is usual on it. Hydration, sebum and redness on the probe's own 0–100; pH; CIELAB. */
export const METER_SCALE: Readonly<
  Record<
    MeterKind,
    {
      readonly name: string
      readonly unit: string
      readonly least: number
      readonly most: number
      readonly usual: number
    }
  >
> = {
  hydration: { name: 'Hydration', unit: 'of 100', least: 0, most: 100, usual: 45 },
  sebum: { name: 'Sebum', unit: 'of 100', least: 0, most: 100, usual: 50 },
  redness: { name: 'Redness', unit: 'of 100', least: 0, most: 100, usual: 35 },
  // Skin surface pH is on average below 5 (Lambers et al., Int J Cosmet Sci 2006;28:359–370, value from memory).
  pH: { name: 'pH', unit: '', least: 3.5, most: 9, usual: 5 },
  L: { name: 'L*', unit: '', least: 0, most: 100, usual: 60 },
  a: { name: 'a*', unit: '', least: -20, most: 40, usual: 10 },
  b: { name: 'b*', unit: '', least: -20, most: 50, usual: 17 },
}
