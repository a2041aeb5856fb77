import { refusalOf, type Refusal } from '~/support/api'

/** Runs work that may be refused: `trouble` says why, and is empty again once something that began after it worked. Gives what the work gave; undefined when it was refused. `wordsOf`: what is said of a refusal. */
export function useAttempt(trouble = ref('')) {
  async function attempt<T>(
    work: () => Promise<T>,
    wordsOf: (refusal: Refusal) => string = ({ detail }) => detail,
  ): Promise<T | undefined> {
    const before = trouble.value
    try {
      const done = await work()
      // What went wrong meanwhile is still to be read.
      if (trouble.value === before) trouble.value = ''
      return done
    } catch (error) {
      trouble.value = wordsOf(refusalOf(error))
      return undefined
    }
  }
  return { trouble, attempt }
}
