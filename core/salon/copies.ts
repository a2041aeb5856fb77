import type { SalonChoices } from './choices'

const HOUR_MS = 3_600_000
const DAY_HOURS = 24
/** A copy that failed is tried again after this. */
const AGAIN_MS = HOUR_MS
/** Older than this, whoever owns the salon is told. */
const OLD_MS = 2 * DAY_HOURS * HOUR_MS

interface Standing {
  readonly lastOk: Date | null
  readonly lastTry: Date | null
}

/** Hours and minutes of an instant on a clock, in hours. */
function hourOf(at: Date, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    ...{ timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  }).formatToParts(at)
  const part = (type: string) => Number(parts.find((one) => one.type === type)!.value)
  return part('hour') + part('minute') / 60
}

/** Whether a copy is due: none was made since the last time that the clock of the salon came to its hour, and none was tried within the last hour. */
export function isCopyDue(
  { daily, hour }: Pick<SalonChoices['copies'], 'daily' | 'hour'>,
  { lastOk, lastTry }: Standing,
  now: Date,
  timeZone: string,
): boolean {
  if (!daily) return false
  const sinceHours = (hourOf(now, timeZone) - hour + DAY_HOURS) % DAY_HOURS
  const due = now.getTime() - sinceHours * HOUR_MS
  const isMade = lastOk !== null && lastOk.getTime() >= due
  const isTried = lastTry !== null && now.getTime() - lastTry.getTime() < AGAIN_MS
  return !isMade && !isTried
}

/** Whether the newest copy is too old to rest on; `begun`: when the salon began, which needs none on its first days. */
export const isCopyOld = (lastOk: Date | null, begun: Date, now: Date): boolean =>
  now.getTime() - (lastOk ?? begun).getTime() > OLD_MS
