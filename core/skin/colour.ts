import { converter, differenceCiede2000, formatHex } from 'culori'

/** A colour as a meter gives it: CIELAB, D65. */
export interface Lab {
  readonly L: number
  readonly a: number
  readonly b: number
}

const between = differenceCiede2000()
const toLab65 = converter('lab65')
const asColour = ({ L, a, b }: Lab) => ({ mode: 'lab65' as const, l: L, a, b })

/** Colour difference ΔE2000 of two readings (ISO/CIE 11664-6). About 1 is just seen. */
export const deltaE2000 = (lab: Lab, other: Lab): number => between(asColour(lab), asColour(other))

/** The nearest sRGB colour of a reading, for a swatch: #rrggbb. */
export const hexOf = (lab: Lab): string => formatHex(asColour(lab))

/** CIELAB (D65) of an sRGB colour, #rrggbb. Undefined when it is no colour. */
export function labOf(hex: string): Lab | undefined {
  const lab = toLab65(hex)
  return lab && { L: lab.l, a: lab.a, b: lab.b }
}
