import type { Measures } from '#core/salon'

/** What most salons of a place begin with. */
export interface PlaceGuess {
  readonly currency: string
  readonly emergencyNumber: string
  readonly measures: Measures
}

const EURO: PlaceGuess = { currency: 'EUR', emergencyNumber: '112', measures: 'metric' }
const US: PlaceGuess = { currency: 'USD', emergencyNumber: '911', measures: 'us' }
const CANADA: PlaceGuess = { currency: 'CAD', emergencyNumber: '911', measures: 'metric' }

/** By time zone; the emergency numbers are values from memory, shown to be checked. 112 is the number of every EU country (Directive 2018/1972, 109). */
const PLACES: Readonly<Record<string, PlaceGuess>> = {
  'America/New_York': US,
  'America/Chicago': US,
  'America/Denver': US,
  'America/Phoenix': US,
  'America/Los_Angeles': US,
  'America/Anchorage': US,
  'Pacific/Honolulu': US,
  'America/Toronto': CANADA,
  'America/Winnipeg': CANADA,
  'America/Edmonton': CANADA,
  'America/Vancouver': CANADA,
  'America/Halifax': CANADA,
  'Europe/London': { currency: 'GBP', emergencyNumber: '999', measures: 'metric' },
  'Europe/Zurich': { ...EURO, currency: 'CHF' },
  'Europe/Stockholm': { ...EURO, currency: 'SEK' },
  'Europe/Copenhagen': { ...EURO, currency: 'DKK' },
  'Europe/Oslo': { ...EURO, currency: 'NOK' },
  'Europe/Warsaw': { ...EURO, currency: 'PLN' },
  'Europe/Prague': { ...EURO, currency: 'CZK' },
  'Europe/Budapest': { ...EURO, currency: 'HUF' },
  'Europe/Bucharest': { ...EURO, currency: 'RON' },
  'Australia/Sydney': { currency: 'AUD', emergencyNumber: '000', measures: 'metric' },
  'Australia/Melbourne': { currency: 'AUD', emergencyNumber: '000', measures: 'metric' },
  'Australia/Brisbane': { currency: 'AUD', emergencyNumber: '000', measures: 'metric' },
  'Australia/Perth': { currency: 'AUD', emergencyNumber: '000', measures: 'metric' },
  'Pacific/Auckland': { currency: 'NZD', emergencyNumber: '111', measures: 'metric' },
}

/** Elsewhere nothing is guessed of the number to call: it is better asked for than wrong. */
export function guessFor(timeZone: string): PlaceGuess {
  const known = PLACES[timeZone]
  if (known) return known
  return timeZone.startsWith('Europe/') ? EURO : { ...EURO, emergencyNumber: '' }
}
