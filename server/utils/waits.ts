/** Failed tries in the last quarter of an hour, and how long ago the last of them was. */
export interface Failures {
  readonly count: number
  readonly secondsAgo: number
}

/** From this many failures on somebody waits, at first so long, twice as long each time, at most so long. House figures. */
interface Patience {
  readonly free: number
  readonly firstS: number
  readonly mostS: number
}
/** One account from one address: whoever types it wrong, or guesses. */
const OF_BOTH: Patience = { free: 8, firstS: 30, mostS: 900 }
/** One account from anywhere: guesses from many addresses; its owner is never shut out for longer than a minute. */
const OF_ACCOUNT: Patience = { free: 20, firstS: 2, mostS: 60 }
/** One address: a whole salon may sit behind it. */
const OF_ADDRESS: Patience = { free: 40, firstS: 1, mostS: 10 }

export interface Tries {
  readonly both: Failures
  readonly account: Failures
  readonly address: Failures
}

const waitOf = ({ count, secondsAgo }: Failures, { free, firstS, mostS }: Patience): number =>
  count < free ? 0 : Math.max(0, Math.min(mostS, firstS * 2 ** (count - free)) - secondsAgo)

/** Whole seconds to wait before the next try; 0: none. */
export const secondsToWait = ({ both, account, address }: Tries): number =>
  Math.ceil(
    Math.max(waitOf(both, OF_BOTH), waitOf(account, OF_ACCOUNT), waitOf(address, OF_ADDRESS)),
  )
