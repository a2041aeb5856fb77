import { dateInWords } from '#core/client'

/** One format for each zone, made once: making one costs more than a ladder's whole drawing. */
function inZone(options: Intl.DateTimeFormatOptions) {
  const made = new Map<string, Intl.DateTimeFormat>()
  return (at: string | number | Date, timeZone: string): string => {
    const known = made.get(timeZone)
    const format = known ?? new Intl.DateTimeFormat('en-GB', { ...options, timeZone })
    if (!known) made.set(timeZone, format)
    return format.format(new Date(at))
  }
}

/** Clock time of an instant in the salon's zone: 09:30. */
export const clockTime = inZone({ hour: '2-digit', minute: '2-digit' })

/** "Tuesday 24 November" of an ISO date. */
export const dayInWords = (date: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  }).format(new Date(`${date}T12:00:00Z`))

/** "24 Nov 2026" of an ISO date or instant. */
export const shortDate = (at: string): string => dateInWords(at.slice(0, 10))

export { dateAfter } from '#core/client'

/** Seconds as minutes and seconds: 3:24. Rounds up, so that 0:00 means over. */
export function minutesSeconds(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** Minutes to the half, as people say them: 24½. */
export { inMinutes as halfMinutes } from '#core/quantity'

/** Day and time of an instant: 28 Nov 2026, 19:20. */
export const dayAndTime = inZone({ dateStyle: 'medium', timeStyle: 'short' })

/** The day (ISO) that an instant falls on in a time zone. */
export const dayIn = (timeZone: string, at: Date): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone }).format(at)

/** How far a time zone's clock is before UTC at noon of a day (ISO), in ms. */
export function zoneOffsetMs(date: string, timeZone: string): number {
  const noon = Date.parse(`${date}T12:00:00Z`)
  const parts = new Intl.DateTimeFormat('en-CA', {
    ...{ timeZone, hourCycle: 'h23', year: 'numeric', month: '2-digit', day: '2-digit' },
    ...{ hour: '2-digit', minute: '2-digit' },
  }).formatToParts(noon)
  const part = (type: string) => parts.find((one) => one.type === type)!.value
  const there = `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}:00Z`
  return Date.parse(there) - noon
}
