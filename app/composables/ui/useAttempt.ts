import { refusalOf } from '~/support/api'

/** Runs work that may be refused: `trouble` says why, and is empty again once something worked. Gives what the work gave; undefined when it was refused. */
export function useAttempt(trouble = ref('')) {
  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      const done = await work()
      trouble.value = ''
      return done
    } catch (error) {
      trouble.value = refusalOf(error).detail
      return undefined
    }
  }
  return { trouble, attempt }
}
