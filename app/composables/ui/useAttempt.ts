import { refusalOf } from '~/support/api'

/** Runs work that may be refused: `trouble` says why, and is empty again once something that began after it worked. Gives what the work gave; undefined when it was refused. */
export function useAttempt(trouble = ref('')) {
  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    const before = trouble.value
    try {
      const done = await work()
      // What went wrong meanwhile is still to be read.
      if (trouble.value === before) trouble.value = ''
      return done
    } catch (error) {
      trouble.value = refusalOf(error).detail
      return undefined
    }
  }
  return { trouble, attempt }
}
