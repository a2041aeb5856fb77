import { countsOnLeaving, type LeavingSkin, type LeverUse } from '../climb'
import { LEVER_WORDS, type Property } from '../protocol'
import { LEVER_KIND } from '../strength'

/** What of a signed visit says whether somebody is called about it. */
export interface LeftVisit {
  readonly levers: readonly LeverUse[]
  readonly leaving: LeavingSkin | null
  /** Something was felt that was more than expected, or strong. */
  readonly feltMore: boolean
  /** Days ago; from a week on it is asked a second time. */
  readonly daysAgo: number
  /** What was worked with. */
  readonly work: readonly Property[]
}

/** Days after which strong work is asked after once more. */
export const SECOND_CALL_DAYS = 7
/** So often somebody is asked for; not reached, it stays unknown. */
export const MOST_TRIES = 3

/** From this rung on the skin is asked after (house figure; common practice, no source). */
const ASKED_FROM_RUNG = 3
/** So red on leaving, of 4, it is asked after too. */
const RED_ON_LEAVING = 3

/** Why somebody is asked how the skin is, one to three days after a visit; undefined where nothing calls for it. What was seen comes before what was done. Others can see the board: what it was stands in the visit. */
export function whyCall({
  levers,
  leaving,
  feltMore,
  daysAgo,
  work,
}: LeftVisit): string | undefined {
  if (daysAgo >= SECOND_CALL_DAYS) return whyAgain(levers, work)
  if (leaving && isMarked(leaving)) return 'skin marked when leaving'
  if (feltMore) return 'more felt than expected'
  return highWords(levers)
}
function highWords(levers: readonly LeverUse[]): string | undefined {
  const [highest] = [...levers].sort((a, b) => b.rung - a.rung)
  return highest && highest.rung >= ASKED_FROM_RUNG
    ? `${LEVER_WORDS[highest.lever]} high`
    : undefined
}
/** A second time after needling, and after a high rung of what the skin answers. */
function whyAgain(levers: readonly LeverUse[], work: readonly Property[]): string | undefined {
  if (work.includes('needling')) return 'a week after needling'
  const high = highWords(levers.filter(({ lever }) => LEVER_KIND[lever] === 'answering'))
  return high && `a week after ${high}`
}
const isMarked = (skin: LeavingSkin): boolean =>
  countsOnLeaving(skin) || (skin.redness ?? 0) >= RED_ON_LEAVING
