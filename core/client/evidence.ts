import { dateInWords, daysBetween } from './facts'
import type { PatchTest } from './model'

/** Days between which something can have happened, ISO: not to come, and not before birth (or whatever it hangs on). */
export interface Days {
  readonly earliest: string
  readonly latest: string
}

/** Why a day of evidence cannot be, with the field it stands in. */
export interface EvidenceFault {
  readonly field: string
  readonly code: 'future' | 'long_ago' | 'read_too_soon' | 'read_too_late' | 'half_read'
  readonly says: string
}

/** A day outside of what can be; undefined where it can. */
export function dayFault(
  day: string,
  field: string,
  { earliest, latest }: Days,
): EvidenceFault | undefined {
  if (day > latest)
    return { field, code: 'future', says: `${day} is in the future. Check the date.` }
  if (day < earliest)
    return {
      field,
      code: 'long_ago',
      says: `${day} is before ${dateInWords(earliest)}, and cannot be. Check the year.`,
    }
  return undefined
}

/**
 * A delayed patch test is read from one day after it was placed to the fourth: a late reaction shows between 24 and 96 hours (ESCD guideline for
 * diagnostic patch testing, 2015: days 2 to 4, up to 7; 24 hours is the trade's own least. Values from memory).
 */
const READ_DAYS = { least: 1, most: 4 } as const

/** Why a patch test may not be read on a day; undefined where it may. A quick one is read on its own day. */
export function readingFault(
  { kind, placedOn }: Pick<PatchTest, 'kind' | 'placedOn'>,
  readOn: string,
  days: Days,
): EvidenceFault | undefined {
  const field = 'readOn'
  const outside = dayFault(readOn, field, days)
  if (outside) return outside
  const after = daysBetween(placedOn, readOn)
  const { least, most } = kind === 'quick' ? { least: 0, most: 0 } : READ_DAYS
  if (after < least)
    return {
      field,
      code: 'read_too_soon',
      says: `Placed on ${dateInWords(placedOn)}: it is read from the day after. A late reaction has not shown yet.`,
    }
  if (after > most)
    return {
      field,
      code: 'read_too_late',
      says: `Placed on ${dateInWords(placedOn)}: ${after} days later nothing can be read off it. Place another.`,
    }
  return undefined
}

/** What is wrong with a patch test as it is kept: its days, and that it either waits or has been read. */
export function patchTestFault(test: PatchTest, days: Days): EvidenceFault | undefined {
  if ((test.result === 'waiting') !== (test.readOn === undefined))
    return {
      field: 'readOn',
      code: 'half_read',
      says: 'A test that has been read has a day and a result; one that waits has neither.',
    }
  const placed = dayFault(test.placedOn, 'placedOn', days)
  return placed ?? (test.readOn === undefined ? undefined : readingFault(test, test.readOn, days))
}
