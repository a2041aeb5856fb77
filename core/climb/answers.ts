import { USUAL_HOURS } from './aftermath'
import type { LeavingSkin, SkinAnswer } from './model'

/** E05: stinging of at least so much of 10. */
const STRONG_STING = 6
/** E05: redness of at least 2 of 4 for longer than the work announces, or stinging of at least 6 of 10. */
export const isStrong = (answer: SkinAnswer, announcedHours = USUAL_HOURS): boolean =>
  (answer.redness >= 2 && answer.rednessHours > announcedHours) || answer.stinging >= STRONG_STING
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
/** What the skin answered, in words. */
export const answerInWords = (answer: SkinAnswer): string =>
  inWords(
    answer.redness > 0 ? `redness ${answer.redness} of 4 for ${answer.rednessHours} h` : '',
    answer,
  ) || 'calm'
/** What it showed on leaving, in words. */
export const leavingInWords = (skin: LeavingSkin): string =>
  inWords(skin.redness ? `redness ${skin.redness} of 4` : '', skin) ||
  (skin.redness === null || skin.stinging === null ? 'not looked at whole' : 'nothing')

/** Nothing in it that counts against a lever; `announced`: hours of redness that the work announces. */
export const isUneventful = (answer: SkinAnswer, announced = USUAL_HOURS): boolean =>
  !isStrong(answer, announced) && !isHarm(answer) && !leftTrace(answer)
/** What was seen on leaving counts against a lever at once. */
export const countsOnLeaving = (skin: LeavingSkin): boolean =>
  isStrongOnLeaving(skin) || isHarm(skin)

/** What was told of a visit, where and when. */
export interface Told {
  /** At a check-in, the newest. */
  readonly checkIn: { readonly askedOn: string; readonly answer: SkinAnswer } | null
  /** At the close, as earlier versions asked it there. */
  readonly atClose: SkinAnswer | null
  readonly leaving: LeavingSkin | null
}
/**
 * What of a visit on a day (ISO) counts as told after it. What was told on the day itself counts where something happened, and calms nothing: it
 * is too early to know.
 */
export function toldAfter({ checkIn, atClose }: Told, on: string): SkinAnswer | null {
  const told = checkIn?.answer ?? atClose
  if (!told) return null
  const isEarly = checkIn === null || checkIn.askedOn <= on
  return isEarly && isUneventful(told) ? null : told
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
