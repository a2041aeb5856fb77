/** House figures: a folded face towel from a cabinet in a room of usual warmth. `tauS`: time constant of its cooling once it is opened and wrung. */
export const TOWEL = { cabinetC: 70, roomC: 23, targetC: 40, neverC: 43, tauS: 180 } as const

/**
 * Seconds until a towel out of the cabinet has cooled to the target (Newton's law of cooling: T(t) = room + (start − room)·e^(−t/τ)).
 * 0 when it is no warmer. Throws RangeError when the room itself is warmer than the target: it never gets there.
 */
export function towelReadyInS({
  cabinetC,
  roomC,
  targetC,
  tauS,
}: {
  readonly cabinetC: number
  readonly roomC: number
  readonly targetC: number
  readonly tauS: number
} = TOWEL): number {
  if (cabinetC <= targetC) return 0
  if (roomC >= targetC)
    throw new RangeError(`In a room of ${roomC} °C a towel never cools to ${targetC} °C.`)
  return Math.ceil(tauS * Math.log((cabinetC - roomC) / (targetC - roomC)))
}
