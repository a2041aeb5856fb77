/** Minutes as whole seconds: every duration of the core is integer seconds. */
export const minutes = (count: number): number => Math.round(count * 60)

/** Whole seconds as minutes, to a tenth. */
export const toMinutes = (seconds: number): number => Math.round(seconds / 6) / 10
