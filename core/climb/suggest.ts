import { dateInWords, daysBetween } from '../client/facts'
import { minDays } from './intervals'
import type { LeverId } from '../protocol/words'
import { LEVER_WORDS, LEVERS } from '../protocol/words'
import type { PastVisit, SkinAnswer } from './model'

export type Move = 'first' | 'up' | 'hold' | 'down' | 'restart' | 'stop' | 'wait'

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

/** E05: redness of at least 2 of 4 beyond 24 hours, or stinging of at least 6 of 10. */
export const isStrong = (answer: SkinAnswer): boolean =>
  (answer.redness >= 2 && answer.rednessHours > 24) || answer.stinging >= 6
/** E06: blisters, weeping, swelling or a burn. */
export const isHarm = (answer: SkinAnswer): boolean =>
  answer.blisters || answer.weeping || answer.swelling || answer.burn
/** E13: a new dark mark, or a cold sore, after the visit. */
const leftTrace = (answer: SkinAnswer): boolean => answer.darkMark || answer.coldSore
const isCalm = (answer: SkinAnswer | null): boolean =>
  answer !== null && !isStrong(answer) && !isHarm(answer) && !leftTrace(answer)

interface Use {
  readonly on: string
  readonly rung: number
  readonly answer: SkinAnswer | null
}

function usesOf(lever: LeverId, history: readonly PastVisit[]): Use[] {
  return history
    .flatMap((visit) => {
      const rungs = visit.levers.filter((use) => use.lever === lever).map((use) => use.rung)
      return rungs.length === 0
        ? []
        : [{ on: visit.on, rung: Math.max(...rungs), answer: visit.answer }]
    })
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
}

const answerInWords = (answer: SkinAnswer): string => {
  const parts = [
    answer.redness > 0 ? `redness ${answer.redness} of 4 for ${answer.rednessHours} h` : '',
    answer.stinging > 0 ? `stinging ${answer.stinging} of 10` : '',
    answer.blisters ? 'blisters' : '',
    answer.weeping ? 'weeping' : '',
    answer.swelling ? 'swelling' : '',
    answer.burn ? 'a burn' : '',
  ].filter(Boolean)
  return parts.length > 0 ? parts.join(', ') : 'calm'
}

/**
 * Suggests the rung of one lever from history, by rules E01, E02, E04–E07 and E13. `today` is an ISO date, `age` in years.
 * A lever whose last answer is not recorded holds. E03 is the whole visit's: see `suggest`.
 */
export function suggestLever(
  lever: LeverId,
  history: readonly PastVisit[],
  today: string,
  age?: number,
): Suggestion {
  const uses = usesOf(
    lever,
    history.filter((visit) => visit.on < today),
  )
  const last = uses.at(-1)
  const name = LEVER_WORDS[lever]
  if (!last)
    return {
      lever,
      move: 'first',
      rung: FIRST_RUNG,
      ruleIds: ['E02'],
      why: `No tolerated history of ${name}: one rung below the card, rung ${FIRST_RUNG} at the most, no second layer.`,
    }
  const at = { lever, lastRung: last.rung }
  const harmed = uses.findLast((use) => use.answer !== null && isHarm(use.answer))
  if (harmed === last)
    return {
      ...at,
      move: 'stop',
      rung: 0,
      ruleIds: ['E06'],
      why: `${answerInWords(last.answer!)} after ${dateInWords(last.on)}: ${name} stops; advise a physician before it is used again.`,
    }
  const wait = minDays(lever, last.rung, age) - daysBetween(last.on, today)
  if (wait > 0)
    return {
      ...at,
      move: 'wait',
      rung: 0,
      ruleIds: ['E01'],
      why: `${name[0]!.toUpperCase()}${name.slice(1)} on rung ${last.rung} was on ${dateInWords(last.on)}: ${minDays(lever, last.rung, age)} days between, ${wait} more.`,
    }
  if (daysBetween(last.on, today) > GAP_DAYS)
    return {
      ...at,
      move: 'restart',
      rung: 1,
      ruleIds: ['E07'],
      why: `${daysBetween(last.on, today)} days since ${name} was last used (${dateInWords(last.on)}): start at rung 1 again.`,
    }
  if (last.answer && isStrong(last.answer)) {
    return {
      ...at,
      move: 'down',
      rung: Math.max(1, last.rung - 1),
      ruleIds: ['E05'],
      why: `Strong answer after ${dateInWords(last.on)} (${answerInWords(last.answer)}): ${name} one rung lower, ${last.rung} → ${Math.max(1, last.rung - 1)}.`,
    }
  }
  if (last.answer && leftTrace(last.answer)) {
    const lower = Math.max(1, last.rung - 1)
    return {
      ...at,
      move: 'down',
      rung: lower,
      ruleIds: ['E13'],
      why: `${last.answer.darkMark ? 'A new dark mark' : 'A cold sore'} after ${dateInWords(last.on)}: ${name} one rung lower, ${last.rung} → ${lower}.`,
    }
  }
  const before = uses.at(-2)
  if (before && before.rung === last.rung && isCalm(last.answer) && isCalm(before.answer)) {
    return {
      ...at,
      move: 'up',
      rung: Math.min(4, last.rung + 1),
      ruleIds: ['E04'],
      why: `Two calm visits on rung ${last.rung} (${dateInWords(before.on)}, ${dateInWords(last.on)}): ${name} may go one rung up.`,
    }
  }
  const reason =
    last.answer === null
      ? 'the answer of the last visit is not recorded'
      : 'two calm visits on the same rung come before going up'
  return {
    ...at,
    move: 'hold',
    rung: last.rung,
    ruleIds: ['E04'],
    why: `Rung ${last.rung} again: ${reason}.`,
  }
}

/**
 * Suggestions for every lever of today's visit. One lever goes up per visit (E03): the first in `wanted` that may;
 * the others hold where they stood. `wanted` lists the levers the protocol uses, the most important first.
 */
export function suggest(
  wanted: readonly LeverId[],
  history: readonly PastVisit[],
  today: string,
  age?: number,
): Suggestion[] {
  let raised = false
  return [...new Set(wanted)]
    .filter((lever) => LEVERS.includes(lever))
    .map((lever) => {
      const suggestion = suggestLever(lever, history, today, age)
      if (suggestion.move !== 'up') return suggestion
      if (!raised) {
        raised = true
        return suggestion
      }
      const rung = suggestion.lastRung ?? 1
      return {
        ...suggestion,
        move: 'hold' as const,
        rung,
        ruleIds: ['E03'],
        why: `Rung ${rung} again: one lever goes up per visit, so that the answer can be told apart.`,
      }
    })
}
