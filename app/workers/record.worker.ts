import { expose } from 'comlink'
import { signsSeen, trendOf, type ReadVisit, type Trend } from '#core/record'

/** The trend of every sign that was ever seen, readings oldest first. */
const trends = (readings: readonly ReadVisit[]): Trend[] =>
  signsSeen(readings.map(({ findings }) => findings)).map((sign) => trendOf(sign, readings))

const records = { trends }
export type Records = typeof records
expose(records)
