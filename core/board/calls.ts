import { countsOnLeaving, type LeavingSkin, type LeverUse } from '../climb'
import { LEVER_WORDS } from '../protocol'

/** What of a signed visit says whether somebody is called about it. */
export interface LeftVisit {
  readonly levers: readonly LeverUse[]
  readonly leaving: LeavingSkin | null
  /** Something was felt that was more than expected, or strong. */
  readonly feltMore: boolean
}

/** From this rung on the skin is asked after (house figure; common practice, no source). */
const ASKED_FROM_RUNG = 3
/** So red on leaving, of 4, it is asked after too. */
const RED_ON_LEAVING = 3

/** Why somebody is asked how the skin is, one to three days after a visit; undefined where nothing calls for it. What was seen comes before what was done. Others can see the board: what it was stands in the visit. */
export function whyCall({ levers, leaving, feltMore }: LeftVisit): string | undefined {
  if (leaving && isMarked(leaving)) return 'skin marked when leaving'
  if (feltMore) return 'more felt than expected'
  const [highest] = [...levers].sort((a, b) => b.rung - a.rung)
  return highest && highest.rung >= ASKED_FROM_RUNG
    ? `${LEVER_WORDS[highest.lever]} high`
    : undefined
}
const isMarked = (skin: LeavingSkin): boolean =>
  countsOnLeaving(skin) || (skin.redness ?? 0) >= RED_ON_LEAVING
