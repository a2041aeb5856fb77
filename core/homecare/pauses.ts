import { dateAfter } from '../client'
import type { Done } from '../climb'
import type { Property } from '../protocol/words'
import type { HomePause } from './model'
import type { Paused } from './words'

type Days = Partial<Readonly<Record<Paused, number>>>
interface Work {
  readonly because: string
  readonly isDone: (done: Done) => boolean
  readonly days: Days
  /** Where its days in the sun are from. */
  readonly sunBasis?: string
}

const HOUSE = 'House figures; common practice, no source'
/** Sunburn alert for cosmetics with alpha hydroxy acids: protected from sun while used and for a week after. */
const AHA_LABEL = 'FDA guidance on labels of alpha hydroxy acids, 2005 (value from memory)'
const PEEL_RUNG = 3

const has =
  (...any: Property[]) =>
  ({ work }: Done): boolean =>
    any.some((property) => work.includes(property))
const acidRungOf = ({ levers, work }: Done): number =>
  Math.max(
    work.includes('acid') ? 1 : 0,
    ...levers.filter(({ lever }) => lever === 'acid').map(({ rung }) => rung),
  )

/** Whole days for which something is left alone after a kind of work, counted from the day of the visit. Of several kinds the longest counts. */
export const PAUSES_OF: readonly Work[] = [
  {
    because: 'needling',
    isDone: has('needling'),
    days: { 'own-actives': 7, sun: 14, heat: 3, pool: 3, sport: 2, 'make-up': 1, waxing: 14 },
  },
  {
    because: 'a strong peel',
    isDone: (done) => acidRungOf(done) >= PEEL_RUNG,
    days: { 'own-actives': 7, sun: 14, heat: 3, pool: 3, sport: 2, 'make-up': 1, waxing: 14 },
    sunBasis: AHA_LABEL,
  },
  {
    because: 'a mechanical peel',
    isDone: has('mechanical'),
    days: { 'own-actives': 5, sun: 14, heat: 2, pool: 2, sport: 1, 'make-up': 1, waxing: 14 },
  },
  {
    because: 'the blade',
    isDone: has('blade'),
    days: { 'own-actives': 3, sun: 7, heat: 1, pool: 2, sport: 1, 'make-up': 1, waxing: 14 },
  },
  {
    because: 'an acid',
    isDone: (done) => acidRungOf(done) >= 1,
    days: { 'own-actives': 3, sun: 7, heat: 1, pool: 1, sport: 1, waxing: 7 },
    sunBasis: AHA_LABEL,
  },
  {
    because: 'a retinoid',
    isDone: has('retinoid'),
    days: { 'own-actives': 3, sun: 7, heat: 1, pool: 1, waxing: 7 },
  },
  {
    because: 'exfoliation',
    isDone: has('exfoliating', 'scrub', 'gommage', 'enzyme', 'suction'),
    days: { 'own-actives': 2, sun: 2, heat: 1, pool: 1, waxing: 3 },
  },
  {
    because: 'radio frequency',
    isDone: has('rf'),
    days: { 'own-actives': 2, sun: 2, heat: 2, sport: 1 },
  },
  {
    because: 'extraction',
    isDone: has('extraction'),
    days: { 'own-actives': 2, heat: 1, pool: 1, sport: 1, 'make-up': 1 },
  },
  {
    because: 'warmth',
    isDone: has('warming', 'self-heating', 'heat', 'steam'),
    days: { heat: 1, sport: 1 },
  },
]

/** What is left alone after a visit on a day (ISO), each with the first day on which it is allowed again, the longest pause of each. */
export function pausesAfter(on: string, done: Done): HomePause[] {
  const longest = new Map<Paused, HomePause & { days: number }>()
  for (const { because, days, sunBasis = HOUSE } of PAUSES_OF.filter((work) => work.isDone(done)))
    for (const [what, count] of Object.entries(days) as [Paused, number][])
      if (count > (longest.get(what)?.days ?? 0))
        longest.set(what, {
          what,
          again: dateAfter(on, count),
          because,
          basis: what === 'sun' ? sunBasis : HOUSE,
          days: count,
        })
  return [...longest.values()].map(({ days: _, ...pause }) => pause)
}
