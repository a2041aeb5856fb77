import { daysBetween } from '../client/facts'
import { zonesInWords } from '../skin/zones'
import { USUAL_HOURS } from './aftermath'
import type { AfterSign, LeavingSkin, SkinAnswer } from './model'

/** E05: stinging of at least so much of 10. */
const STRONG_STING = 6
/** E05: redness of at least so much of 4. */
const STRONG_RED = 2
/** E05: redness of at least 2 of 4 for longer than the work announces, or stinging of at least 6 of 10. */
export const isStrong = (answer: SkinAnswer, announcedHours = USUAL_HOURS): boolean =>
  (answer.redness >= STRONG_RED && answer.rednessHours > announcedHours) ||
  answer.stinging >= STRONG_STING
/** E05 on leaving: how long it will be red nobody knows yet, what stings so does. */
export const isStrongOnLeaving = ({ stinging }: LeavingSkin): boolean =>
  stinging !== null && stinging >= STRONG_STING
/** E06: blisters, weeping, swelling or a burn. */
export const isHarm = (
  skin: Pick<SkinAnswer, 'blisters' | 'weeping' | 'swelling' | 'burn'>,
): boolean => skin.blisters || skin.weeping || skin.swelling || skin.burn
/** E13: a new dark mark, or a cold sore, after the visit. */
export const leftTrace = (answer: SkinAnswer): boolean => answer.darkMark || answer.coldSore
const inWords = (
  redness: string,
  { stinging, blisters, weeping, swelling, burn }: LeavingSkin | SkinAnswer,
): string =>
  [
    redness,
    stinging ? `stinging ${stinging} of 10` : '',
    blisters ? 'blisters' : '',
    weeping ? 'weeping' : '',
    swelling ? 'swelling' : '',
    burn ? 'a burn' : '',
  ]
    .filter(Boolean)
    .join(', ')
/** What work that announces days of redness announces too: peeling skin, and a tight feel (house figure; common practice, no source). */
const ANNOUNCED: ReadonlySet<AfterSign> = new Set<AfterSign>(['tight', 'flaking'])
/** A visit that a tablet laid by before these were asked has none of them. */
type AsKept = Omit<SkinAnswer, 'after' | 'zones'> & Partial<Pick<SkinAnswer, 'after' | 'zones'>>
/** What came that the work does not announce: no reason to go down, and no calm. */
export const unsettled = ({ after = [] }: AsKept, announcedHours = USUAL_HOURS): AfterSign[] =>
  after.filter((sign) => !ANNOUNCED.has(sign) || announcedHours <= USUAL_HOURS)

export const AFTER_WORDS: Readonly<Record<AfterSign, string>> = {
  tight: 'tight or dry',
  flaking: 'flaking',
  breakouts: 'breakouts',
  itch: 'itch',
  bruise: 'a bruise',
}
/** What the skin answered, in words. */
export function answerInWords(answer: AsKept): string {
  const { redness, rednessHours, darkMark, coldSore, after = [], still, zones = [] } = answer
  const told = [
    inWords(redness > 0 ? `redness ${redness} of 4 for ${rednessHours} h` : '', answer),
    darkMark ? 'a new dark mark' : '',
    coldSore ? 'a cold sore' : '',
    ...after.map((sign) => AFTER_WORDS[sign]),
  ].filter(Boolean)
  if (told.length === 0) return 'calm'
  const where = zones.length > 0 ? ` (${zonesInWords(zones)})` : ''
  return `${told.join(', ')}${where}${still ? ', still there' : ''}`
}
/** What it showed on leaving, in words. */
export const leavingInWords = (skin: LeavingSkin): string =>
  inWords(skin.redness ? `redness ${skin.redness} of 4` : '', skin) ||
  (skin.redness === null || skin.stinging === null ? 'not looked at whole' : 'nothing')

/** Nothing in it that counts against a lever; `announced`: hours of redness that the work announces. */
export const isUneventful = (answer: SkinAnswer, announced = USUAL_HOURS): boolean =>
  !isStrong(answer, announced) &&
  !isHarm(answer) &&
  !leftTrace(answer) &&
  unsettled(answer, announced).length === 0
/** What was seen on leaving counts against a lever at once. */
export const countsOnLeaving = (skin: LeavingSkin): boolean =>
  isStrongOnLeaving(skin) || isHarm(skin)

/** What was told of a visit on a day (ISO). */
export interface CheckIn {
  readonly askedOn: string
  readonly answer: SkinAnswer
}
/** What was told of a visit, where and when. */
export interface Told {
  /** In the order in which they were told. */
  readonly checkIns: readonly CheckIn[]
  /** At the close, as earlier versions asked it there. */
  readonly atClose: SkinAnswer | null
  readonly leaving: LeavingSkin | null
}
/**
 * What of a visit on a day (ISO) counts as told after it. Of one day the last word, since a finger slips; of several days the worst: a calm week
 * does not unsay the second day. What was told on the day itself counts where something happened, and calms nothing: it is too early to know.
 */
export function toldAfter({ checkIns, atClose }: Told, on: string): SkinAnswer | null {
  const byDay = new Map(checkIns.map((one) => [one.askedOn, one.answer]))
  const told = [...byDay].flatMap(([askedOn, answer]) =>
    askedOn <= on && isUneventful(answer) ? [] : [lasted(answer, daysBetween(on, askedOn))],
  )
  if (told.length > 0) return told.reduce(together)
  return checkIns.length === 0 && atClose && !isUneventful(atClose) ? atClose : null
}
const DAY_HOURS = 24
/** What was still red so many days after has lasted as long at the least. */
const lasted = (answer: SkinAnswer, days: number): SkinAnswer =>
  answer.still && answer.redness > 0
    ? { ...answer, rednessHours: Math.max(answer.rednessHours, days * DAY_HOURS) }
    : answer

/** Two tellings of one visit as one: nothing that was told is lost, and whether it is still there is as told last. */
function together(before: SkinAnswer, after: SkinAnswer): SkinAnswer {
  const { redness, rednessHours } = redderOf(before, after)
  const places = [before, after].filter((one) => !isUneventful(one)).map(({ zones }) => zones)
  const isEverywhere = places.some((zones) => zones.length === 0)
  return {
    ...{ redness, rednessHours, still: after.still },
    stinging: Math.max(before.stinging, after.stinging),
    swelling: before.swelling || after.swelling,
    blisters: before.blisters || after.blisters,
    weeping: before.weeping || after.weeping,
    burn: before.burn || after.burn,
    darkMark: before.darkMark || after.darkMark,
    coldSore: before.coldSore || after.coldSore,
    after: [...new Set([...before.after, ...after.after])],
    zones: isEverywhere ? [] : [...new Set(places.flat())],
  }
}
/** Redness goes with its own hours: the longer one where both are marked, else the stronger. */
function redderOf(one: SkinAnswer, other: SkinAnswer): SkinAnswer {
  const rank = ({ redness, rednessHours }: SkinAnswer) =>
    redness >= STRONG_RED ? STRONG_RED + rednessHours : redness / STRONG_RED
  return rank(other) > rank(one) ? other : one
}
/** What was seen on leaving; what an earlier version asked at the close was seen then. */
export function seenOnLeaving({ leaving, atClose }: Told): LeavingSkin | undefined {
  if (leaving) return leaving
  return atClose ? asLeaving(atClose) : undefined
}
/** What of an answer can be known while the client is still there. */
export const asLeaving = (answer: SkinAnswer): LeavingSkin => {
  const { redness, stinging, swelling, blisters, weeping, burn } = answer
  return { redness, stinging, swelling, blisters, weeping, burn }
}
