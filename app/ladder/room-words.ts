import type { Clash, NextDue, Stay } from '#core/perform'
import { clockTime, minutesSeconds } from '~/support/time'

type TitleOf = (stepId: string) => string

/** What a room asks for next, in a line: never whose it is, for the client here may read it. */
export function nextWords(next: NextDue, titleOf: TitleOf, nowMs: number): string {
  if (next.kind === 'done') return 'everything is done: finish it'
  const title = titleOf(next.stepId)
  if (next.kind === 'hands') return `waits for your hands: ${title}`
  const leftS = (next.atMs - nowMs) / 1000
  return leftS > 0
    ? `${title} comes off in ${minutesSeconds(leftS)}`
    : `${title} comes off now, ${minutesSeconds(-leftS)} past its time`
}

/** How urgent that is. */
export const isUrgent = (next: NextDue): boolean => next.kind === 'off' && next.level !== 'on'

/** The first whole minute from then on. */
const minuteFrom = (ms: number, timeZone: string): string =>
  clockTime(Math.ceil(ms / 60_000) * 60_000, timeZone)

/** Why a client is not left now, and when that is over. */
export function stayWords(
  { stepId, by, freeMs }: Stay,
  titleOf: TitleOf,
  timeZone: string,
): string {
  const title = titleOf(stepId)
  const free = `free at ${minuteFrom(freeMs, timeZone)}`
  switch (by) {
    case 'hands':
      return `${title} is half done: ${free}.`
    case 'client':
      return `Somebody stays at the client while ${title} lies: ${free}.`
    case 'room':
      return `Somebody stays in the room while ${title} lies: ${free}.`
    case 'off':
      return `${title} comes off first: ${free}.`
  }
}

/** What will want the same hands at once. */
export function clashWords(
  { there, atMs, here, freeMs }: Clash,
  [titleThere, titleHere]: readonly [there: TitleOf, here: TitleOf],
  timeZone: string,
): string {
  const limit = clockTime(atMs, timeZone)
  const free = minuteFrom(freeMs, timeZone)
  return `${titleThere(there)} has to be off by ${limit}; ${titleHere(here)} keeps your hands until ${free}: go before it, or begin it later`
}
