import { describe, expect, test } from 'vitest'
import { no, TODAY, yes } from '../../tests/situations'
import {
  factsOn,
  groupStates,
  noneOfThese,
  nothingNew,
  QUESTION_GROUPS,
  QUESTIONS,
  questionByCode,
  type Fact,
} from '.'

const LAST_MONTH = '2026-10-24'
const on = (date: string, ...facts: Fact[]) => factsOn(facts, date)
const groupOf = (id: string, facts: Map<string, Fact>) =>
  groupStates(facts, TODAY).find((group) => group.id === id)!
const told = (facts: readonly Fact[]) => facts.map(({ code, answer }) => [code, answer])

describe('the groups in which a client is asked', () => {
  test('twelve, in each its words, every question in one of them but the guardian’s consent', () => {
    expect(QUESTION_GROUPS).toHaveLength(12)
    const placed = groupStates(new Map(), TODAY).flatMap(({ questions }) => questions)
    expect(
      QUESTIONS.filter((question) => !placed.includes(question)).map(({ code }) => code),
    ).toEqual(['guardian-consent'])
    expect(new Set(placed.map(({ code }) => code)).size).toBe(placed.length)
    for (const { word } of placed) expect(word.length, word).toBeLessThanOrEqual(40)
  })
  test('what was never asked is open; what is true of one day only is open again on the next', () => {
    const facts = on(TODAY, { ...no('infection'), askedOn: LAST_MONTH }, no('changed-lesion'))
    const { open, again } = groupOf('today', facts)
    expect(open.map(({ code }) => code)).toContain('infection')
    expect(again.map(({ code }) => code)).toEqual(['changed-lesion'])
  })
  test('pregnant and breast-feeding are asked apart', () =>
    expect(groupOf('pregnancy', new Map()).open.map(({ code }) => code)).toEqual([
      'pregnancy',
      'breast-feeding',
    ]))
})

describe('none of these', () => {
  const { questions } = groupOf('procedures', new Map())
  test('says no to every word of its group and to nothing else', () => {
    const facts = noneOfThese(questions, new Map(), TODAY)
    expect(told(facts)).toEqual(questions.map(({ code }) => [code, 'no']))
    expect(facts.every(({ askedOn }) => askedOn === TODAY)).toBe(true)
  })
  test('leaves a yes with its own day, and what the client does not know today', () => {
    const before = on(
      TODAY,
      yes('filler', { on: '2026-09-01', askedOn: LAST_MONTH }),
      { code: 'threads', answer: 'unknown', askedOn: TODAY },
      { code: 'botulinum', answer: 'unknown', askedOn: LAST_MONTH },
    )
    const codes = noneOfThese(questions, before, TODAY).map(({ code }) => code)
    expect(codes).not.toContain('filler')
    expect(codes).not.toContain('threads')
    expect(codes).toContain('botulinum')
  })
  test('does not say no to what a medicine answers with yes', () => {
    const medicines = groupOf('medicines', new Map()).questions
    const taken = on(TODAY, yes('medicine:warfarin', { on: '2026-11-02' }))
    expect(
      noneOfThese(medicines, taken, TODAY).find(({ code }) => code === 'anticoagulant'),
    ).toMatchObject({ answer: 'yes', on: '2026-11-02', note: 'By Warfarin' })
  })
})

describe('nothing new', () => {
  test('a cold sore of last month is neither kept nor dated anew', () => {
    const facts = on(TODAY, yes('infection', { askedOn: LAST_MONTH }))
    expect(nothingNew(facts, TODAY)).toEqual([])
    expect(groupOf('today', facts).open.map(({ code }) => code)).toContain('infection')
  })
  test('says again what was no before, and nothing of what nobody asked or knew', () => {
    const facts = on(
      TODAY,
      { ...no('pregnancy'), askedOn: LAST_MONTH },
      { code: 'filler', answer: 'unknown', askedOn: LAST_MONTH },
      yes('isotretinoin', { on: '2026-01-02', askedOn: LAST_MONTH }),
      { ...no('epilepsy'), askedOn: LAST_MONTH },
    )
    expect(nothingNew(facts, TODAY)).toEqual([{ code: 'pregnancy', answer: 'no', askedOn: TODAY }])
  })
  test('every day fact, answered before, stays open', () => {
    const before = QUESTIONS.map(({ code }): Fact => ({ code, answer: 'no', askedOn: LAST_MONTH }))
    const said = nothingNew(factsOn(before, TODAY), TODAY).map(({ code }) => code)
    expect(said.length).toBeGreaterThan(15)
    expect(said.filter((code) => questionByCode.get(code)!.ofTheDay)).toEqual([])
  })
})
