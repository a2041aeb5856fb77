import { setResponseHeader, type H3Event } from 'h3'
import { addAttempt, attemptSucceeded, lockAttempts, recentFailures } from '../db/access.sql'
import { inTransaction } from '../db/rows'
import { poolOf } from './db'
import { outsideOf } from './outside'
import { TooMany } from './problem'
import { secondsToWait } from './waits'

/**
 * Counts a try before what was typed is looked at: `name` is whose, an address or what stands for one. Throws where it has to wait; gives what
 * to call when it was right.
 */
export async function countTry(event: H3Event, name: string): Promise<() => Promise<unknown>> {
  const { address } = outsideOf(event)
  const { waitS, id } = await claimAttempt(name, address)
  if (id === undefined) {
    setResponseHeader(event, 'Retry-After', waitS)
    throw tooMany(waitS)
  }
  return () => attemptSucceeded(poolOf('own'), id)
}

const claimAttempt = (name: string, address: string): Promise<Claimed> =>
  inTransaction(poolOf('own'), async (db) => {
    await lockAttempts(db, name, address)
    const waitS = secondsToWait(await recentFailures(db, name, address))
    return waitS > 0 ? { waitS } : { waitS, id: await addAttempt(db, name, address) }
  })
interface Claimed {
  readonly waitS: number
  readonly id?: string
}

function tooMany(waitS: number): TooMany {
  const minutes = Math.ceil(waitS / 60)
  const time = waitS < 90 ? `${waitS} seconds` : `${minutes} minutes`
  return new TooMany({
    code: 'too_many',
    detail: `Too many tries. Wait ${time} and try again.`,
  })
}
