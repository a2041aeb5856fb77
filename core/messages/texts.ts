import { filledWords, USUAL_WORDS } from '../salon'

/** What a message says. Nothing in it tells of anybody's health: not even what is done at the visit. */
export interface MessageText {
  readonly subject: string
  readonly body: string
}

export interface VisitWords {
  readonly salon: string
  readonly address: string
  readonly name: string
  /** As in: Tuesday 24 November 2026, 09:30 to 11:00. */
  readonly when: string
}
const lines = (...given: readonly string[]): string => given.join('\n')
const firstName = (name: string): string => name.trim().split(/\s+/u)[0]!

const fillingOf = ({ salon, address, name, when }: VisitWords) => ({
  ...{ salon, address, when },
  'first name': firstName(name),
})

/** That a visit is booked, or moved; `words`: the salon's own. */
export const confirmationText = (
  visit: VisitWords,
  words: string = USUAL_WORDS.confirmation,
): MessageText => ({
  subject: `Your visit at ${visit.salon}, ${visit.when}`,
  body: filledWords(words, fillingOf(visit)),
})

/** That a visit does not take place; `words`: the salon's own. */
export const calledOffText = (
  visit: VisitWords,
  words: string = USUAL_WORDS.calledOff,
): MessageText => ({
  subject: `Called off: your visit at ${visit.salon}, ${visit.when}`,
  body: filledWords(words, fillingOf(visit)),
})

interface LinkWords {
  readonly salon: string
  readonly name: string
  readonly url: string
  readonly hours: number
  readonly purpose: 'invite' | 'reset'
}
/** A link that sets a password, to begin with or anew. */
export const linkText = ({ salon, name, url, hours, purpose }: LinkWords): MessageText => ({
  subject: purpose === 'invite' ? `You work at ${salon}` : `A new password at ${salon}`,
  body: lines(
    `Dear ${firstName(name)},`,
    '',
    purpose === 'invite'
      ? 'with this link you choose your password:'
      : 'with this link you choose a new password:',
    url,
    '',
    `It works once, within ${hours} hours. If you did not expect it, leave it alone.`,
    '',
    salon,
  ),
})
