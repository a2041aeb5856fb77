/** Minutes as whole seconds: every duration of the core is integer seconds. */
export const minutes = (count: number): number => Math.round(count * 60)

/** A duration as people say it: "45 s", "7 min", "7½ min", "7 min 20 s". Whole seconds. */
export function durationInWords(seconds: number): string {
  if (seconds < 60) return `${seconds} s`
  const rest = seconds % 60
  const whole = Math.floor(seconds / 60)
  if (rest === 30) return `${whole}½ min`
  return rest === 0 ? `${whole} min` : `${whole} min ${rest} s`
}

/** Whole seconds as minutes, to a tenth. */
export const toMinutes = (seconds: number): number => Math.round(seconds / 6) / 10

/** Whole seconds as minutes to the half, as a sentence wants them: "7½". */
export function inMinutes(seconds: number): string {
  const halves = Math.round(seconds / 30)
  return halves % 2 === 0 ? String(halves / 2) : `${halves === 1 ? '' : (halves - 1) / 2}½`
}
