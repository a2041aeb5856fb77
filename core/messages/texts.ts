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
const SIGNED = 'This address is not watched for urgent matters: call us.'
const lines = (...given: readonly (string | undefined)[]): string =>
  given.filter((line) => line !== undefined).join('\n')
const firstName = (name: string): string => name.trim().split(/\s+/u)[0]!

/** That a visit is booked, or moved. */
export const confirmationText = ({ salon, address, name, when }: VisitWords): MessageText => ({
  subject: `Your visit at ${salon}, ${when}`,
  body: lines(
    `Dear ${firstName(name)},`,
    '',
    `your visit at ${salon} is on ${when}.`,
    address ? `You find us at ${address}.` : undefined,
    '',
    'If you cannot come, please tell us the day before.',
    SIGNED,
    '',
    salon,
  ),
})

/** That a visit does not take place. */
export const calledOffText = ({ salon, name, when }: VisitWords): MessageText => ({
  subject: `Called off: your visit at ${salon}, ${when}`,
  body: lines(
    `Dear ${firstName(name)},`,
    '',
    `your visit at ${salon} on ${when} does not take place.`,
    'Please call us for another time.',
    SIGNED,
    '',
    salon,
  ),
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
