import { OUTCOME_WORDS, type Finding, type Reading, type ZoneId } from '../skin'
import { gradesOf, placesInWords, SIGNS, type SignId } from './signs'

/** What became of a sign in some places from one reading to another. Grade 0: not seen. */
export interface SignMove {
  readonly sign: SignId
  readonly zones: readonly ZoneId[]
  readonly from: number
  readonly to: number
}
export interface ReadingsCompared {
  readonly fell: readonly SignMove[]
  readonly rose: readonly SignMove[]
  readonly same: readonly SignMove[]
}

/** Two readings zone by zone; zones that moved alike stand together, the longest way first. */
export function compareReadings(
  before: readonly Finding[],
  after: readonly Finding[],
): ReadingsCompared {
  const moves = SIGNS.flatMap(({ id }) => movesOf(id, before, after)).sort(
    (a, b) => Math.abs(b.to - b.from) - Math.abs(a.to - a.from) || b.zones.length - a.zones.length,
  )
  return {
    fell: moves.filter(({ from, to }) => to < from),
    rose: moves.filter(({ from, to }) => to > from),
    same: moves.filter(({ from, to }) => to === from),
  }
}

function movesOf(sign: SignId, before: readonly Finding[], after: readonly Finding[]): SignMove[] {
  const [was, is] = [gradesOf(sign, before), gradesOf(sign, after)]
  const moves = new Map<string, { from: number; to: number; zones: ZoneId[] }>()
  for (const zone of new Set([...was.keys(), ...is.keys()])) {
    const [from, to] = [was.get(zone) ?? 0, is.get(zone) ?? 0]
    const move = moves.get(`${from} ${to}`) ?? { from, to, zones: [] }
    move.zones.push(zone)
    moves.set(`${from} ${to}`, move)
  }
  return [...moves.values()].map((move) => ({ sign, ...move }))
}

/** "pigment, cheeks: 3, then 2". */
export const moveWords = ({ sign, zones, from, to }: SignMove): string =>
  `${sign}, ${placesInWords(zones)}: ${gradeWord(from)}${from === to ? '' : `, then ${gradeWord(to)}`}`
const gradeWord = (grade: number): string => (grade === 0 ? 'not seen' : String(grade))

/** Lesions by what became of them, as counts in words: "2 emptied, 1 left alone"; empty where none was pinned. */
export function lesionWords(lesions: Reading['lesions']): string {
  const counts = new Map<string, number>()
  for (const { outcome, decision } of lesions) {
    const became = outcome ? OUTCOME_WORDS[outcome].toLowerCase() : OF_DECISION[decision]
    counts.set(became, (counts.get(became) ?? 0) + 1)
  }
  return [...counts].map(([became, count]) => `${count} ${became}`).join(', ')
}
const OF_DECISION = { ready: 'not begun', leave: 'left alone', refer: 'to be seen by a physician' }

/** A rung of one ladder beside the same of another; one of them may be missing. */
export interface RungPair<Rung> {
  readonly before?: Rung
  readonly after?: Rung
}

/**
 * Rungs of two ladders side by side, in both orders: the longest common run of the same names stands level, what is between stands alone
 * (Needleman & Wunsch, J Mol Biol 1970;48:443–453, with matches of one and gaps of nothing).
 */
export function pairRungs<Rung extends { readonly title: string }>(
  before: readonly Rung[],
  after: readonly Rung[],
): RungPair<Rung>[] {
  const best = commonRuns(before, after)
  const pairs: RungPair<Rung>[] = []
  let [at, other] = [0, 0]
  while (at < before.length || other < after.length) {
    const [rung, counterpart] = [before[at], after[other]]
    if (rung && counterpart && rung.title === counterpart.title) {
      pairs.push({ before: rung, after: counterpart })
      at++
      other++
    } else if (rung && best[at + 1]![other]! >= best[at]![other]!) {
      pairs.push({ before: rung })
      at++
    } else {
      pairs.push({ after: counterpart! })
      other++
    }
  }
  return pairs
}

/** Length of the longest common run from each place of both on. */
function commonRuns(
  before: readonly { readonly title: string }[],
  after: readonly { readonly title: string }[],
): number[][] {
  const best = Array.from({ length: before.length + 1 }, () =>
    Array.from({ length: after.length + 1 }, () => 0),
  )
  for (let at = before.length - 1; at >= 0; at--)
    for (let other = after.length - 1; other >= 0; other--)
      best[at]![other] =
        before[at]!.title === after[other]!.title
          ? 1 + best[at + 1]![other + 1]!
          : Math.max(best[at + 1]![other]!, best[at]![other + 1]!)
  return best
}
