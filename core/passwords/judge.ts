import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common'
import { dictionary as english, translations } from '@zxcvbn-ts/language-en'

// A face of its own: the word lists are large, and are loaded where somebody chooses a password and nowhere else.

/** Characters a password has at the least. */
export const LEAST_PASSWORD = 12
/** Below this score (0 to 4, by the guesses it stands: 2 is a million) it is among the first that are tried. */
const LEAST_SCORE = 2

export interface PasswordVerdict {
  /** 0 to 4, as the package counts. */
  readonly score: number
  /** Why it is not taken, in a sentence; undefined where it is. */
  readonly refusal: string | undefined
}

let meter: ZxcvbnFactory | undefined

/**
 * How well a password would stand, and whether it is taken. `about`: words that whoever tries would know of its owner (name, address, salon).
 * Method: guesses that the package @zxcvbn-ts needs (D. Wheeler, zxcvbn, USENIX Security 2016); length after NIST SP 800-63B, 5.1.1, which
 * asks for eight and lets a service ask for more.
 */
export function judgePassword(password: string, about: readonly string[] = []): PasswordVerdict {
  meter ??= new ZxcvbnFactory({
    dictionary: { ...common, ...english },
    graphs: adjacencyGraphs,
    translations,
  })
  const words = about.flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u))
  const { score } = meter.check(
    password,
    words.filter((word) => word.length > 2),
  )
  return { score, refusal: refusalOf(password, score) }
}

function refusalOf(password: string, score: number): string | undefined {
  const length = [...password].length
  if (length < LEAST_PASSWORD)
    return `At least ${LEAST_PASSWORD} characters: it has ${length}. Three or four words that do not belong together are good.`
  return score < LEAST_SCORE
    ? 'It is among the first that anybody would try. Take words that do not belong together.'
    : undefined
}
