import { describe, expect, test } from 'vitest'
import { no, yes } from '../../tests/situations'
import {
  answerByMedicines,
  factsInForce,
  KNOWN,
  QUESTIONS,
  questionByCode,
  saidOfMedicine,
  searchKnown,
  type Fact,
} from '.'

const warfarin = KNOWN.find((entry) => entry.id === 'warfarin')!
const said = (fact: Fact, ...before: Fact[]) =>
  saidOfMedicine(warfarin, fact, factsInForce(before), KNOWN).map(({ code, answer, on }) => [
    code,
    answer,
    on,
  ])
const taken = yes('medicine:warfarin')

describe('what is said of a medicine', () => {
  test('taken: its question is yes; stopped: yes until that day; not any more: no again', () => {
    expect(said(taken)).toEqual([
      ['medicine:warfarin', 'yes', undefined],
      ['anticoagulant', 'yes', undefined],
    ])
    const answer = answerByMedicines('anticoagulant', factsInForce([taken]), KNOWN, '2026-11-20')!
    expect(said({ ...taken, on: '2026-11-01' }, taken, answer)[1]).toEqual([
      'anticoagulant',
      'yes',
      '2026-11-01',
    ])
    expect(said({ ...taken, answer: 'no' }, taken, answer)[1]).toEqual([
      'anticoagulant',
      'no',
      undefined,
    ])
  })
  test('the person’s own yes is not touched, nor a no that is still right', () => {
    expect(said({ ...taken, on: '2026-11-01' }, yes('anticoagulant'))).toEqual([
      ['medicine:warfarin', 'yes', '2026-11-01'],
    ])
    expect(said({ ...taken, answer: 'no' }, no('anticoagulant'))).toEqual([
      ['medicine:warfarin', 'no', undefined],
    ])
  })
  test('one still taken outweighs one that was stopped', () => {
    const both = factsInForce([
      yes('medicine:warfarin', { on: '2026-11-01' }),
      yes('medicine:apixaban'),
    ])
    expect(answerByMedicines('anticoagulant', both, KNOWN, '2026-11-20')).toEqual({
      code: 'anticoagulant',
      answer: 'yes',
      askedOn: '2026-11-20',
      note: 'By Warfarin, Apixaban',
    })
  })
})
test('every entry of the list answers a question that exists, once, and is found by name and by each synonym', () => {
  expect(new Set(KNOWN.map((entry) => entry.id)).size).toBe(KNOWN.length)
  for (const one of KNOWN) {
    expect([
      one.id,
      questionByCode.has(one.code) || QUESTIONS.some((question) => question.code === one.code),
    ]).toEqual([one.id, true])
    for (const word of [one.name, ...one.synonyms])
      expect(searchKnown(word, KNOWN).map((found) => found.id)).toContain(one.id)
  }
})
