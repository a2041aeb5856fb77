import type { Match } from './layout'

/** Where the written ladder ends and the fitted one begins, in the drawing’s pixels. */
export interface BandEnds {
  readonly fromX: number
  readonly toX: number
}
const STUB_PX = 6
const LEFT_OUT_PX = 26

/** From a written rung to the fitted one: a line where nothing changed, a band where it did, a point where it is left out. */
export function bandPath({ changed, from: [top, bottom], to }: Match, { fromX, toX }: BandEnds) {
  if (!to)
    return `M${fromX} ${top} L${fromX + LEFT_OUT_PX} ${(top + bottom) / 2} L${fromX} ${bottom} Z`
  const [toTop, toBottom] = to
  if (!changed)
    return `M${fromX} ${top + 0.5} H${fromX + STUB_PX} L${toX - STUB_PX} ${toTop + 0.5} H${toX}`
  return `M${fromX} ${top + 1} L${toX} ${toTop + 1} V${toBottom - 1} L${fromX} ${bottom - 1} Z`
}
