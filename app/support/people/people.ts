import { endInWords, TECHNIQUE_WORDS, type EndingLicence } from '#core/salon'

interface Standing {
  readonly isInvited: boolean
  readonly lockedAt: string | Date | null
  readonly leftAt: string | Date | null
}
/** How somebody stands, where it is not simply as one who works here. */
export function standingOf({ isInvited, lockedAt, leftAt }: Standing): string {
  if (leftAt) return 'has left'
  if (lockedAt) return 'locked out'
  return isInvited ? 'invited' : ''
}

/** A licence that has to be renewed, in words. */
export const endingInWords = ({ technique, daysLeft }: EndingLicence): string =>
  `${TECHNIQUE_WORDS[technique]}: licence ${endInWords(daysLeft)}`
