/** Date and hour of an instant in a time zone (IANA name). */
export function formatInTimeZone(at: Date, timeZone: string): { date: string; hour: number } {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(at)
  const part = (type: string) => parts.find((part) => part.type === type)?.value ?? ''
  return { date: `${part('year')}-${part('month')}-${part('day')}`, hour: Number(part('hour')) }
}

const HOUR_MS = 3_600_000

/** The salon's day of an instant, in milliseconds since 1970: to the hour, which is as near as a doubtful clock is read. */
export function dayOf(at: Date, timeZone: string): { fromMs: number; toMs: number } {
  const { hour } = formatInTimeZone(at, timeZone)
  const fromMs = at.getTime() - hour * HOUR_MS
  return { fromMs, toMs: fromMs + 24 * HOUR_MS }
}
