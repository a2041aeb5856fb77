import { answerInWords, highestUses, leavingInWords } from '#core/climb'
import { lastTime, type RunEvent } from '#core/perform'
import { LEVER_WORDS } from '#core/protocol'
import { lesionWords } from '#core/record'
import { rungWords } from '#core/strength'
import type { Reply } from '~/support/api'
import { lastLines } from '~/support/consult/last-time'
import { halfMinutes } from '~/support/time'
import type { LongLadderData, Rung } from './drawn'

export type Went = Reply<'/api/visits/:id/went'>
/** One line of what a visit was: what it is about, and what there is to say. */
export interface ToldLine {
  readonly name: string
  readonly words: string
  /** The client or the skin said more than was expected. */
  readonly isMarked?: boolean
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** How high each lever was, in what that means. */
export const leverLines = ({ levers }: Rung): ToldLine[] =>
  highestUses(levers ?? []).map(({ lever, rung, stung }) => ({
    name: capital(LEVER_WORDS[lever]),
    words: [`rung ${rung}`, rungWords(lever, rung) ?? '', stung ? 'stung' : '']
      .filter(Boolean)
      .join(', '),
    ...(stung ? { isMarked: true } : {}),
  }))

/** What the skin showed and answered, and what became of its lesions. */
export function skinLines({ leaving, answer, lesions, isSigned }: Rung): ToldLine[] {
  const became = lesionWords(lesions ?? [])
  return [
    ...(leaving ? [{ name: 'On leaving', words: leavingInWords(leaving) }] : []),
    ...(isSigned
      ? [{ name: 'After', words: answer ? answerInWords(answer) : 'nobody has said yet' }]
      : []),
    ...(became === '' ? [] : [{ name: 'Lesions', words: became }]),
  ]
}

const NAMES = { felt: 'Felt', 'left out': 'Left out', passes: 'Passes', set: 'Set to' } as const
/** What was felt, left out, repeated and set otherwise, and which products were new. */
export function wentLines({ plan, events, used, firstUses }: Went): ToldLine[] {
  const lines = plan
    ? lastLines(lastTime(plan, events as readonly RunEvent[])).map(
        ({ kind, title, words }): ToldLine => ({
          name: NAMES[kind],
          words: `${title}: ${words}`,
          ...(words.includes('more than expected') ? { isMarked: true } : {}),
        }),
      )
    : []
  const fresh = used.filter(({ productId }) => firstUses.includes(productId))
  const names = [...new Set(fresh.map(({ name }) => name))]
  return [
    ...lines,
    ...(names.length > 0 && names.length < used.length
      ? [{ name: 'First time', words: names.join(', ') }]
      : []),
  ]
}

/** "74 of 75 min"; while it has not been performed what is planned. */
export function minutesWords({ plannedS, actualS }: Rung): string {
  if (plannedS === null) return ''
  return actualS === null
    ? `${halfMinutes(plannedS)} min planned`
    : `${halfMinutes(actualS)} of ${halfMinutes(plannedS)} min`
}

/** What the next visit did with it: every lever that moved, with why. */
export function nextLines(rung: Rung, { rungs }: LongLadderData): ToldLine[] {
  const next = rungs.slice(rungs.indexOf(rung) + 1).find(({ levers }) => levers !== null)
  const before = highestUses(rung.levers ?? [])
  return highestUses(next?.levers ?? []).flatMap(({ lever, rung: now }) => {
    const was = before.find((one) => one.lever === lever)?.rung
    if (was === undefined || was === now) return []
    const why = next?.suggestions?.find((one) => one.lever === lever)?.why
    return [
      {
        name: capital(LEVER_WORDS[lever]),
        words: `${was} → ${now}${why ? `: ${why}` : ''}`,
        ...(now < was ? { isMarked: true } : {}),
      },
    ]
  })
}
