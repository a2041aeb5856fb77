import { describe, expect, test } from 'vitest'
import { TODAY } from '../../tests/situations'
import { CHEEKS, FOREHEAD } from '../skin'
import {
  answerInWords,
  CALM_ANSWER,
  suggest,
  suggestLever,
  toldAfter,
  type PastVisit,
  type SkinAnswer,
} from '.'

describe('what else came after', () => {
  const visit = (
    on: string,
    answer: Partial<SkinAnswer>,
    more: Partial<PastVisit> = {},
  ): PastVisit => ({
    ...{ on, levers: [{ lever: 'acid', rung: 2 }], answer: { ...CALM_ANSWER, ...answer } },
    ...more,
  })
  const twoOf = (answer: Partial<SkinAnswer>, more: Partial<PastVisit> = {}) =>
    suggestLever(
      { lever: 'acid', rung: 4 },
      [visit('2026-09-01', {}, more), visit('2026-10-10', answer, more)],
      TODAY,
    )
  test.each(['itch', 'breakouts', 'bruise', 'tight', 'flaking'] as const)(
    '%s is no reason to go down, and no calm',
    (sign) => {
      const suggestion = twoOf({ after: [sign] })
      expect(suggestion).toMatchObject({ move: 'hold', rung: 2 })
      expect(suggestion.why).toContain('the skin was not calm after it')
    },
  )
  test('peeling skin after needling is what was announced', () => {
    expect(twoOf({ after: ['flaking', 'tight'] }, { work: ['needling'] }).move).toBe('up')
    expect(twoOf({ after: ['flaking', 'itch'] }, { work: ['needling'] }).move).toBe('hold')
  })
  test('what is still red when it is told has lasted as long', () => {
    const answer = { ...CALM_ANSWER, redness: 2, rednessHours: 12, still: true, zones: [...CHEEKS] }
    const told = (askedOn: string) =>
      toldAfter({ checkIns: [{ askedOn, answer }], atClose: null, leaving: null }, '2026-10-10')!
    expect(answerInWords(told('2026-10-12'))).toBe('redness 2 of 4 for 48 h (cheeks), still there')
    expect(twoOf(told('2026-10-12')).move).toBe('down')
    // A day after, a day of redness is what may be.
    expect(twoOf(told('2026-10-11')).move).not.toBe('down')
  })
  test('said where, only what was used there comes down; nowhere said, all of it', () => {
    const strong = { ...CALM_ANSWER, redness: 3, rednessHours: 40 }
    const levers = [
      { lever: 'acid' as const, rung: 3, zones: [...CHEEKS] },
      { lever: 'enzyme' as const, rung: 3, zones: [...FOREHEAD] },
    ]
    const movesAfter = (zones: SkinAnswer['zones'], used: PastVisit['levers'] = levers) =>
      suggest(
        [
          { lever: 'acid', rung: 4 },
          { lever: 'enzyme', rung: 4 },
        ],
        [{ on: '2026-10-10', levers: used, answer: { ...strong, zones } }],
        TODAY,
      ).map(({ move }) => move)
    expect(movesAfter(['cheek-left'])).toEqual(['down', 'hold'])
    expect(movesAfter(['forehead'])).toEqual(['hold', 'down'])
    expect(movesAfter([])).toEqual(['down', 'down'])
    // Of visits of before it is not known where.
    expect(
      movesAfter(
        ['forehead'],
        levers.map(({ lever, rung }) => ({ lever, rung })),
      ),
    ).toEqual(['down', 'down'])
    // What stung then is known better than where it was red.
    const stung = [levers[0]!, { ...levers[1]!, stung: true as const }]
    expect(movesAfter(['cheek-left'], stung)).toEqual(['hold', 'down'])
  })
  test('what a tablet laid by before these were asked is read as it was', () => {
    const { after: _, zones: __, still: ___, ...kept } = CALM_ANSWER
    const history = ['2026-09-01', '2026-10-10'].map((on) =>
      visit(on, {}, { answer: kept as SkinAnswer }),
    )
    expect(suggestLever({ lever: 'acid', rung: 4 }, history, TODAY).move).toBe('up')
    expect(answerInWords(kept as SkinAnswer)).toBe('calm')
  })
  test('several days together: the worst of each, its own hours, places of what happened alone', () => {
    const at = (askedOn: string, answer: Partial<SkinAnswer>) => ({
      askedOn,
      answer: { ...CALM_ANSWER, ...answer },
    })
    const told = (...checkIns: ReturnType<typeof at>[]) =>
      toldAfter({ checkIns, atClose: null, leaving: null }, '2026-10-10')
    const strong = at('2026-10-12', { redness: 3, rednessHours: 40, zones: [...CHEEKS] })
    const calm = at('2026-10-17', {})
    expect(told(strong, calm)).toEqual(strong.answer)
    expect(told(calm, strong)).toEqual(strong.answer)
    // Of one day the last word.
    expect(told(strong, at('2026-10-12', {}))).toEqual(CALM_ANSWER)
    // A pale blush for days does not make a short marked one long.
    const [short, pale] = [
      at('2026-10-12', { redness: 3, rednessHours: 2 }),
      at('2026-10-17', { redness: 1, rednessHours: 96 }),
    ]
    expect(told(short, pale)).toMatchObject({ redness: 3, rednessHours: 2 })
    expect(told(strong, at('2026-10-17', { after: ['itch'], zones: ['chin'] }))).toMatchObject({
      ...{ redness: 3, rednessHours: 40, after: ['itch'] },
      zones: [...CHEEKS, 'chin'],
    })
    expect(told(strong, at('2026-10-17', { after: ['itch'] }))!.zones).toEqual([])
    // What went wrong on the evening itself is not unsaid by a calm day after.
    expect(told(at('2026-10-10', { swelling: true }), at('2026-10-11', {}))!.swelling).toBe(true)
    expect(told(at('2026-10-10', {}))).toBeNull()
  })
})
