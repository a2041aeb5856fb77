import { describe, expect, test } from 'vitest'
import { openAtFirst } from '#core/record'
import { dateAfter } from '~/support/time'
import { leversAgainst, photosAgainst, type LadderPhoto } from './against'
import { SIZES, type LongLadderData, type Rung } from './drawn'
import { longLayout } from './layout'
import { leverLines, minutesWords, nextLines, skinLines, wentLines, type Went } from './told'

const TODAY = '2026-11-30'
const rung = (on: string, more: Partial<Rung> = {}): Rung => ({
  ...{ id: `visit ${on}`, on, startsAt: `${on}T10:00:00.000Z`, protocol: 'Quiet Tide' },
  ...{ practitioner: 'Anneke Vask', stage: 'closed', isSigned: true, plannedS: 4500 },
  ...{ actualS: 4440, note: null, nextNote: null, levers: [], suggestions: [] },
  ...{ leaving: null, answer: null, findings: null, lesions: null, light: null },
  ...more,
})
const data = (rungs: readonly Rung[], more: Partial<LongLadderData> = {}): LongLadderData => ({
  ...{ today: TODAY, timeZone: 'Etc/UTC', rungs: [...rungs], facts: [], memories: [] },
  ...{ concerns: [], photos: [], productNames: {} },
  ...more,
})
const drawn = (of: LongLadderData, more: object = {}) =>
  longLayout({
    data: of,
    open: openAtFirst(
      of.rungs.map(({ on }) => on),
      of.today,
    ),
    ...{ width: 860, allSigns: false },
    ...more,
  })!
const seen = (kind: 'flushing' | 'patchy-pigment' | 'oily' | 'lines' | 'puffy', grade: number) => ({
  ...{ kind, grade, zones: ['chin' as const] },
})

describe('the long ladder as it is drawn', () => {
  test('nothing to draw before the first visit', () => {
    expect(longLayout({ data: data([]), open: new Set(), width: 860, allSigns: false })).toBe(
      undefined,
    )
  })
  test('five years of weekly visits: names a touch apart, everything inside, quarters folded', () => {
    const weekly = Array.from({ length: 260 }, (_, week) =>
      rung(dateAfter('2021-12-08', 7 * week), { levers: [{ lever: 'acid', rung: 2 }] }),
    )
    const { labels, folds, height, rails } = drawn(data(weekly))
    const places = [...labels, ...folds].map(({ labelY }) => labelY).sort((a, b) => a - b)
    for (const [at, place] of places.slice(1).entries())
      expect(place - places[at]!).toBeGreaterThanOrEqual(SIZES.touch - 0.01)
    expect(rails[0]!.markers).toHaveLength(260)
    for (const { y } of rails[0]!.markers) expect(y).toBeLessThanOrEqual(height)
    expect(folds.length).toBeGreaterThanOrEqual(16)
    expect(height).toBeLessThan(2000)
  })
  test('a lever steps where it moved; what was booked has no mark yet', () => {
    const { rails, labels } = drawn(
      data([
        rung('2026-09-01', { levers: [{ lever: 'acid', rung: 1 }] }),
        rung('2026-10-01', { levers: [{ lever: 'acid', rung: 2 }] }),
        rung('2026-12-15', { isSigned: false, stage: 'booked', levers: null }),
      ]),
    )
    const [first, second] = rails[0]!.markers
    expect(second!.x - first!.x).toBe(SIZES.rung)
    expect(rails[0]!.path).toBe(`M${first!.x},${first!.y}V${second!.y}H${second!.x}`)
    expect(labels.map(({ isAhead }) => isAhead)).toEqual([false, false, true])
  })
  test('signs of the first wish stand first; what has no room is named, and asked for is drawn', () => {
    const findings = [
      seen('oily', 4),
      seen('flushing', 1),
      seen('lines', 2),
      seen('puffy', 3),
      seen('patchy-pigment', 1),
    ]
    const of = data([rung('2026-10-01', { findings })], { concerns: ['brighten'] })
    const narrow = drawn(of, { width: 560 })
    expect(narrow.signs.map(({ sign }) => sign)).toEqual(['pigment', 'oil'])
    expect(narrow.hiddenSigns).toEqual(['puffiness', 'lines', 'redness'])
    expect(drawn(of, { width: 560, allSigns: true }).signs).toHaveLength(5)
  })
  test('what came and went: a bar with its end said, and again where it ends far below', () => {
    const of = data([rung('2026-06-01'), rung('2026-09-01'), rung('2026-11-01')], {
      facts: [
        { code: 'medicine:doxycycline', answer: 'yes', askedOn: '2026-07-01' },
        { code: 'medicine:doxycycline', answer: 'no', askedOn: '2026-08-01' },
        { code: 'lash-extensions', answer: 'yes', askedOn: '2026-07-05' },
      ],
      memories: [{ productId: 'dune-cream', memory: 'refused', on: '2026-09-01' }],
      productNames: { 'dune-cream': 'Dune Day Cream' },
    })
    const { spans } = drawn(of)
    expect(spans.map(({ words, tone }) => [words, tone])).toEqual([
      ['Doxycycline to 1 Aug 2026', 'medicine'],
      ['Lash extensions, lift', 'fact'],
      ['Dune Day Cream not liked', 'refused'],
    ])
    expect(spans.map(({ wordsY }) => wordsY.length)).toEqual([1, 2, 1])
    expect(spans[0]!.x).not.toBe(spans[1]!.x)
  })
})

describe('a visit told', () => {
  test('levers in what their rung means; nobody has said is said', () => {
    const one = rung('2026-10-01', {
      levers: [
        { lever: 'pressure', rung: 3 },
        { lever: 'acid', rung: 2, stung: true },
      ],
    })
    expect(leverLines(one)).toEqual([
      { name: 'Massage pressure', words: 'rung 3, medium' },
      { name: 'Acid strength', words: 'rung 2, stung', isMarked: true },
    ])
    expect(skinLines(one)).toEqual([{ name: 'After', words: 'nobody has said yet' }])
    expect(skinLines({ ...one, isSigned: false })).toEqual([])
    expect(minutesWords(one)).toBe('74 of 75 min')
  })
  test('a lever of two steps, on the neck and on the face, is one line, as high as the higher', () => {
    const two = (face: number) =>
      rung('2026-10-01', {
        levers: [
          { lever: 'acid', rung: 1 },
          { lever: 'acid', rung: face },
        ],
      })
    expect(leverLines(two(2))).toEqual([{ name: 'Acid strength', words: 'rung 2' }])
    expect(leversAgainst([two(2), two(3)])).toEqual([
      { name: 'acid strength', words: 'rung 2, then rung 3' },
    ])
    const [first, second] = [two(3), { ...two(2), id: 'next' }]
    expect(nextLines(first, data([first, second]))).toMatchObject([{ words: '3 → 2' }])
  })
  test('what the next visit made of it, with why', () => {
    const [first, second] = [
      rung('2026-09-01', { levers: [{ lever: 'acid', rung: 3 }] }),
      rung('2026-10-01', {
        levers: [{ lever: 'acid', rung: 2 }],
        suggestions: [
          { lever: 'acid', move: 'down', rung: 2, ruleIds: ['E05'], why: 'Redness 3 for 40 h' },
        ],
      }),
    ]
    const all = data([first, second])
    expect(nextLines(first, all)).toEqual([
      { name: 'Acid strength', words: '3 → 2: Redness 3 for 40 h', isMarked: true },
    ])
    expect(nextLines(second, all)).toEqual([])
  })
  test('products that were new, unless all of them were', () => {
    const use = (productId: string, name: string) => ({
      ...{ productId, name, lot: 'a', amount: 1 },
      ...{ kind: 'serum' as const, unit: 'mL' as const },
    })
    const went: Went = {
      ...{ plan: null, events: [] },
      ...{ used: [use('a', 'Sea Gel'), use('b', 'Oat Milk')], firstUses: ['b'] },
    }
    expect(wentLines(went)).toEqual([{ name: 'First time', words: 'Oat Milk' }])
    expect(wentLines({ ...went, firstUses: ['a', 'b'] })).toEqual([])
  })
})

describe('two visits', () => {
  const before = rung('2026-09-01', {
    levers: [
      { lever: 'acid', rung: 1 },
      { lever: 'light', rung: 4 },
    ],
  })
  const after = rung('2026-10-01', {
    levers: [
      { lever: 'acid', rung: 2 },
      { lever: 'enzyme', rung: 1 },
    ],
  })
  test('levers of both, and of one alone', () => {
    expect(leversAgainst([before, after])).toEqual([
      { name: 'acid strength', words: 'rung 1, then rung 2' },
      { name: 'light', words: 'rung 4, then not used' },
      { name: 'enzyme time', words: 'not used, then rung 1' },
    ])
  })
  test('photographs of the same view and moment, in one light where there are such', () => {
    const photo = (
      of: Rung,
      id: string,
      view: LadderPhoto['view'],
      moment: LadderPhoto['moment'],
      light: string,
    ): LadderPhoto => ({
      ...{ id, visitId: of.id, on: of.on, view, moment, light },
      ...{ takenAt: of.startsAt, width: 3, height: 4 },
    })
    const photos = [
      photo(before, 'a', 'front', 'start', 'lamp'),
      photo(before, 'b', 'front', 'end', 'lamp'),
      photo(before, 'c', 'left', 'start', 'lamp'),
      photo(after, 'd', 'front', 'start', 'window'),
      photo(after, 'e', 'front', 'end', 'Lamp '),
    ]
    expect(
      photosAgainst(photos, [before, after]).map((pair) => [
        pair.before.id,
        pair.after.id,
        pair.isSameLight,
      ]),
    ).toEqual([['b', 'e', true]])
    expect(photosAgainst(photos.slice(0, 4), [before, after])).toMatchObject([
      { before: { id: 'a' }, after: { id: 'd' }, isSameLight: false },
    ])
  })
})
