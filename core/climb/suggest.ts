import { dateInWords, daysBetween } from '../client/facts'
import { announcedHours } from './aftermath'
import {
  AFTER_WORDS,
  answerInWords,
  countsOnLeaving,
  isHarm,
  isStrong,
  isStrongOnLeaving,
  isUneventful,
  leavingInWords,
  leftTrace,
  unsettled,
} from './answers'
import { minDays } from './intervals'
import type { LeverId } from '../protocol/words'
import { LEVER_WORDS } from '../protocol/words'
import { zonesMeet, type ZoneId } from '../skin/zones'
import { LEVER_KIND, TOP_RUNG, type LeverRung } from '../strength'
import type { AfterSign, LeavingSkin, LeverUse, PastVisit, SkinAnswer } from './model'

/** `free`: found by feeling while it is done, no limit follows. */
export type Move = 'first' | 'up' | 'hold' | 'down' | 'restart' | 'stop' | 'wait' | 'free'

/** Where a client stands on one lever today, and why. */
export interface Suggestion {
  readonly lever: LeverId
  readonly move: Move
  /** Highest rung today; 0 when the lever is stopped or waits. */
  readonly rung: number
  /** Rung of the last visit that used the lever. */
  readonly lastRung?: number
  readonly ruleIds: readonly string[]
  readonly why: string
}

/** E07: after this many days without the lever it starts low again. House figure, editable upward only in caution (common practice, no source). */
export const GAP_DAYS = 84
/** E02: ceiling for a lever that has never been tolerated. */
export const FIRST_RUNG = 2

/** Only what was told a day or more after makes a visit calm; what was strong on leaving is not made so by it. */
const isCalm = ({ answer, leaving, hours }: Use): boolean =>
  answer !== null && isUneventful(answer, hours) && !(leaving && countsOnLeaving(leaving))

interface Use {
  readonly on: string
  readonly levers: readonly LeverUse[]
  readonly rung: number
  readonly answer: SkinAnswer | null
  readonly leaving: LeavingSkin | undefined
  readonly points?: number | undefined
  /** Hours of redness that its work announces. */
  readonly hours: number
  /** It may have caused what came after: its step stung, or nobody said which one did. */
  readonly isBlamed: boolean
}

function usesOf(lever: LeverId, history: readonly PastVisit[]): Use[] {
  const uses = history.flatMap((visit) => {
    const { on, levers, answer, leaving, points } = visit
    const used = levers.filter((use) => use.lever === lever)
    if (used.length === 0) return []
    return [
      {
        on,
        levers: used,
        rung: Math.max(...used.map(({ rung }) => rung)),
        answer,
        leaving,
        points,
        hours: announcedHours(visit),
        isBlamed: isBlamed(used, levers, answer?.zones ?? []),
      },
    ]
  })
  return uses.sort((a, b) => Number(a.on > b.on) - Number(a.on < b.on))
}

/** E05: where it is known which step stung, only its levers come down; else every one that was used where the skin answered. */
const isBlamed = (
  used: readonly LeverUse[],
  all: readonly LeverUse[],
  answered: readonly ZoneId[],
): boolean =>
  all.some(({ stung }) => stung)
    ? used.some(({ stung }) => stung)
    : used.some(({ zones }) => !zones || answered.length === 0 || zonesMeet(zones, answered))

/** The last two visits with this lever were calm, and the last of them is no longer ago than a gap (E07). `today` is an ISO date. */
export function hasTwoCalm(lever: LeverId, history: readonly PastVisit[], today: string): boolean {
  const lastTwo = usesOf(
    lever,
    history.filter(({ on }) => on < today),
  ).slice(-2)
  return (
    lastTwo.length === 2 && lastTwo.every(isCalm) && daysBetween(lastTwo[1]!.on, today) <= GAP_DAYS
  )
}

/** What is known of one lever when its rung is suggested. */
interface Past {
  readonly lever: LeverId
  /** The rung the card would use. */
  readonly wanted: number
  /** The lever's name in words. */
  readonly name: string
  readonly today: string
  readonly age: number | undefined
  readonly last: Use
  readonly before: Use | undefined
}

/**
 * Suggests the rung of one lever from history. What the skin answers climbs by rules E01, E02, E04–E07 and E13; what is felt starts where
 * it was and comes down after a strong answer; what is comfort follows the client's word. `today` is an ISO date, `age` in years, `wanted`
 * the rung the card would use. An answer that is not recorded holds. E03 is the whole visit's: see `suggest`.
 */
export function suggestLever(
  { lever, rung: wanted }: LeverRung,
  history: readonly PastVisit[],
  today: string,
  age?: number,
): Suggestion {
  const earlier = history.filter((visit) => visit.on < today)
  const uses = usesOf(lever, earlier)
  const last = uses.at(-1)
  const name = LEVER_WORDS[lever]
  const kind = LEVER_KIND[lever]
  if (!last) return kind === 'answering' ? firstTime(lever, name) : byFeeling(lever, name, wanted)
  const past: Past = { lever, wanted, name, today, age, last, before: uses.at(-2) }
  for (const rule of IN_ORDER[kind]) {
    const suggested = rule(past)
    if (suggested) return { lever, lastRung: last.rung, ...suggested }
  }
  return { lever, lastRung: last.rung, ...(kind === 'answering' ? held(past) : asLastTime(past)) }
}

/** Medium: how firm a first massage is at the most. */
const FIRST_PRESSURE = 3

/** A first time of what is felt or comfort begins where the card says. */
function byFeeling(lever: LeverId, name: string, wanted: number): Suggestion {
  if (lever === 'pressure' && wanted > FIRST_PRESSURE) {
    const why = 'A first massage is medium at the most; what is right is felt while it is done.'
    return { lever, move: 'first', rung: FIRST_PRESSURE, ruleIds: ['E02'], why }
  }
  const why = `First time of ${name}: begin as the card says and go by feeling.`
  return { lever, move: 'free', rung: wanted, ruleIds: ['E02'], why }
}

/** What is felt or comfort begins where it was last time. */
function asLastTime({ last, name }: Past): Suggested {
  const why = `${capitalised(name)}: rung ${last.rung} last time (${dateInWords(last.on)}); begin there and go by feeling.`
  return { move: 'free', rung: last.rung, ruleIds: ['E04'], why }
}

const firstTime = (lever: LeverId, name: string): Suggestion => ({
  lever,
  move: 'first',
  rung: FIRST_RUNG,
  ruleIds: ['E02'],
  why: `No tolerated history of ${name}: one rung below the card, rung ${FIRST_RUNG} at the most, no second layer.`,
})

type Suggested = Omit<Suggestion, 'lever' | 'lastRung'>
type LeverRule = (past: Past) => Suggested | undefined

const capitalised = (words: string): string => `${words[0]!.toUpperCase()}${words.slice(1)}`

/** E06: the lever stops after harm. */
const stopped: LeverRule = ({ last, name }) => {
  const { answer, leaving } = last
  const told = [
    answer && isHarm(answer) ? `${answerInWords(answer)} after ${dateInWords(last.on)}` : '',
    leaving && isHarm(leaving)
      ? `${leavingInWords(leaving)} on leaving on ${dateInWords(last.on)}`
      : '',
  ].find(Boolean)
  if (!told) return undefined
  const why = `${told}: ${name} stops; advise a physician before it is used again.`
  return { move: 'stop', rung: 0, ruleIds: ['E06'], why }
}

/** E01: days between. */
const waits: LeverRule = ({ last, name, today, age }) => {
  const least = Math.max(...last.levers.map((use) => minDays(use, age, last.points)))
  const leftDays = least - daysBetween(last.on, today)
  if (leftDays <= 0) return undefined
  const why = `${capitalised(name)} on rung ${last.rung} was on ${dateInWords(last.on)}: ${least} days between, ${leftDays} more.`
  return { move: 'wait', rung: 0, ruleIds: ['E01'], why }
}

/** E07: after a long gap the lever starts low again, never lower than somebody new would. */
const restarted: LeverRule = ({ last, name, today }) => {
  const days = daysBetween(last.on, today)
  if (days <= GAP_DAYS) return undefined
  const rung = Math.min(last.rung, FIRST_RUNG)
  const why = `${days} days since ${name} was last used (${dateInWords(last.on)}): start at rung ${rung} again.`
  return { move: 'restart', rung, ruleIds: ['E07'], why }
}

const lowered = (rung: number): number => Math.max(1, rung - 1)

/** E05: a strong answer takes the lever one rung down. */
const downAfterStrong: LeverRule = ({ last, name }) => {
  const { answer, leaving, on } = last
  if (!last.isBlamed) return undefined
  const told = [
    answer && isStrong(answer, last.hours)
      ? `after ${dateInWords(on)} (${answerInWords(answer)})`
      : '',
    leaving && isStrongOnLeaving(leaving)
      ? `on leaving on ${dateInWords(on)} (${leavingInWords(leaving)})`
      : '',
  ].find(Boolean)
  if (!told) return undefined
  const rung = lowered(last.rung)
  const why = `Strong answer ${told}: ${name} one rung lower, ${last.rung} → ${rung}.`
  return { move: 'down', rung, ruleIds: ['E05'], why }
}

/** E13: what was left behind takes the lever one rung down. */
const downAfterTrace: LeverRule = ({ last, name }) => {
  if (!last.answer || !leftTrace(last.answer)) return undefined
  const rung = lowered(last.rung)
  const trace = last.answer.darkMark ? 'A new dark mark' : 'A cold sore'
  const why = `${trace} after ${dateInWords(last.on)}: ${name} one rung lower, ${last.rung} → ${rung}.`
  return { move: 'down', rung, ruleIds: ['E13'], why }
}

/** E04: two calm uses on one rung let the lever go up, where there is a rung above that the card can use. */
const raised: LeverRule = ({ last, before, name, wanted }) => {
  if (before?.rung !== last.rung || !isCalm(last) || !isCalm(before)) return undefined
  const calm = `Two calm visits on rung ${last.rung} (${dateInWords(before.on)}, ${dateInWords(last.on)})`
  if (last.rung >= TOP_RUNG) return stays(last.rung, `${calm}: it stands at the top.`)
  if (wanted <= last.rung) return stays(last.rung, `${calm}: this card asks for no more.`)
  const why = `${calm}: ${name} may go one rung up.`
  return { move: 'up', rung: last.rung + 1, ruleIds: ['E04'], why }
}

const stays = (rung: number, why: string): Suggested => ({
  move: 'hold',
  rung,
  ruleIds: ['E04'],
  why,
})

/** The first that has something to say decides. */
const IN_ORDER: Readonly<Record<'answering' | 'felt' | 'comfort', readonly LeverRule[]>> = {
  answering: [stopped, waits, restarted, downAfterStrong, downAfterTrace, raised],
  felt: [stopped, waits, downAfterStrong],
  comfort: [],
}

function held({ last }: Past): Suggested {
  const came = last.answer ? unsettled(last.answer, last.hours) : []
  const reason = last.answer === null ? NOBODY_SAID : (cameWords(came) ?? TWO_CALM)
  const why = `Rung ${last.rung} again: ${reason}.`
  return { move: 'hold', rung: last.rung, ruleIds: ['E04'], why }
}

const NOBODY_SAID = 'nobody has said yet how the skin was a day after it'
const TWO_CALM = 'two calm visits on the same rung come before going up'
const cameWords = (came: readonly AfterSign[]): string | undefined =>
  came.length === 0
    ? undefined
    : `the skin was not calm after it: ${came.map((sign) => AFTER_WORDS[sign]).join(', ')}`

/**
 * Suggestions for every lever of today's visit. One lever goes up per visit (E03): the first in `wanted` that may;
 * the others hold where they stood. `wanted` lists the levers the card pulls, the most important first, on their written rung.
 */
export function suggest(
  wanted: readonly LeverRung[],
  history: readonly PastVisit[],
  today: string,
  age?: number,
): Suggestion[] {
  let hasRisen = false
  const known = new Set<LeverId>()
  return wanted
    .filter(({ lever }) => !known.has(lever) && known.add(lever))
    .map((pulled) => {
      const suggestion = suggestLever(pulled, history, today, age)
      if (suggestion.move !== 'up') return suggestion
      if (hasRisen) return heldForAnother(suggestion)
      hasRisen = true
      return suggestion
    })
}

/** E03: another lever goes up already. */
function heldForAnother(suggestion: Suggestion): Suggestion {
  const rung = suggestion.lastRung ?? 1
  const why = `Rung ${rung} again: one lever goes up per visit, so that the answer can be told apart.`
  return { ...suggestion, move: 'hold', rung, ruleIds: ['E03'], why }
}
