import { describe, expect, test } from 'vitest'
import {
  ALL_NO,
  input,
  no,
  planFor,
  seen,
  readingOf,
  client,
  yes,
  TODAY,
} from '~~/tests/situations'
import { compile, requirementWords } from '#core/adapt'
import { contradictions, factsInForce, KNOWN, QUESTIONS } from '#core/client'
import { RULE_BOOK } from '#core/safety'
import {
  cardState,
  clearancesWanted,
  LASTING_QUESTIONS,
  medicinesOf,
  nothingNew,
  SINCE_CARDS,
  WALK_IN_QUESTIONS,
} from './consult'
import { rulePage, rulesFound } from '~/support/rules/rule-book'
import { askable, rulesAbout } from '~/support/fit/why-not'

const inForce = (...facts: Parameters<typeof factsInForce>[0]) => factsInForce(facts)

describe('the cards of Consult', () => {
  test('every question has one place: since last time, what stays, or the guardian’s consent', () => {
    const since = SINCE_CARDS.flatMap((card) => card.questions.map((question) => question.code))
    expect(new Set(since).size).toBe(since.length)
    const placed = new Set([
      ...since,
      ...LASTING_QUESTIONS.map((question) => question.code),
      'guardian-consent',
    ])
    expect(
      QUESTIONS.filter((question) => !placed.has(question.code)).map((question) => question.code),
    ).toEqual([])
  })
  test('twelve questions for a walk-in', () => expect(WALK_IN_QUESTIONS.length).toBe(12))
  test('a card is asked when all of it was answered that day; what was never asked is open', () => {
    const card = SINCE_CARDS.find((card) => card.id === 'hair')!
    const open = cardState(card, inForce(no('waxing')), TODAY)
    expect([open.asked, open.open]).toEqual([false, card.questions.length - 1])
    const all = card.questions.map((question) => ({ ...no(question.code), askedOn: TODAY }))
    expect(cardState(card, inForce(...all), TODAY)).toEqual({ asked: true, open: 0, yes: [] })
    expect(
      cardState(
        card,
        inForce(...all, { ...yes('waxing', { on: '2026-11-20' }), askedOn: TODAY }),
        TODAY,
      ).yes,
    ).toEqual([expect.stringMatching(/Wax.*20 Nov/)])
    expect(cardState(card, inForce(...all), '2026-12-24').asked).toBe(false)
  })
  test('"nothing new" keeps what was told, dates it anew and says no to the rest', () => {
    const kept = nothingNew(
      SINCE_CARDS.find((card) => card.id === 'medicine')!.questions,
      inForce(yes('isotretinoin', { on: '2026-01-02' }), {
        ...no('anticoagulant'),
        answer: 'unknown',
      }),
      TODAY,
    )
    expect(kept.find((fact) => fact.code === 'isotretinoin')).toEqual(
      yes('isotretinoin', { on: '2026-01-02', askedOn: TODAY }),
    )
    expect(
      kept
        .filter((fact) => fact.code !== 'isotretinoin')
        .map((fact) => [fact.answer, fact.askedOn]),
    ).toEqual(Array(4).fill(['no', TODAY]))
  })
  test('a medicine answers its question: nothing new leaves it so, and no contradiction comes of it', () => {
    const questions = SINCE_CARDS.find((card) => card.id === 'medicine')!.questions
    const taken = inForce(
      no('anticoagulant'),
      yes('medicine:warfarin', { on: '2026-11-02' }),
      yes('medicine:apixaban', { on: '2026-10-02' }),
    )
    const confirmed = nothingNew(questions, taken, TODAY)
    expect(confirmed.find((fact) => fact.code === 'anticoagulant')).toEqual({
      code: 'anticoagulant',
      answer: 'yes',
      on: '2026-11-02',
      askedOn: TODAY,
      note: 'By Warfarin, Apixaban',
    })
    expect(contradictions([...taken.values(), ...confirmed], KNOWN)).toEqual([])
  })
  test('medicines taken, without those answered no', () => {
    const id = KNOWN.find((entry) => entry.kind === 'medicine')!.id
    expect(
      medicinesOf([yes(`medicine:${id}`)], KNOWN).map((medicine) => medicine.known.id),
    ).toEqual([id])
    expect(
      medicinesOf([yes(`medicine:${id}`), { ...no(`medicine:${id}`), askedOn: TODAY }], KNOWN),
    ).toEqual([])
  })
  test('a clearance is wanted where a known answer asks for it, until it is given; never because nobody asked', () => {
    const rules = RULE_BOOK.flatMap((rule) =>
      rule.effects.flatMap((effect) =>
        effect.unless?.kind === 'clearance'
          ? [{ id: rule.id, title: rule.title, clearance: effect.unless.id }]
          : [],
      ),
    )
    const wanted = (...more: Parameters<typeof client>) => {
      const given = input({ client: client(...more) })
      return clearancesWanted(compile(given), given, rules).map((clearance) => clearance.id)
    }
    expect(wanted([yes('allergy:papaya')])).toContain('B-papaya-pineapple')
    expect(
      wanted([yes('allergy:papaya')], {
        clearances: [{ clearance: 'B-papaya-pineapple', by: 'Clinic', on: '2026-11-01' }],
      }),
    ).not.toContain('B-papaya-pineapple')
    expect(wanted([])).toEqual([])
    expect(wanted([], { facts: ALL_NO.filter((fact) => fact.code !== 'diabetes') })).toEqual([])
  })
})

describe('why not?', () => {
  const given = input({
    client: client([yes('implant-electronic')]),
    reading: readingOf(seen('patchy-pigment')),
  })
  const about = (id: string) =>
    rulesAbout(given, askable(given).find((question) => question.id === id)!.step)
  test('the rules in force on a step, the strictest first, each with what caused it', () => {
    const steam =
      given.protocol.steps.find((step) => step.properties.includes('steam')) ??
      given.protocol.steps.find((step) => step.phase === 'exfoliate')!
    const speaking = about(`step:${steam.id}`)
    expect(speaking.length).toBeGreaterThan(0)
    for (const rule of speaking)
      expect([
        rule.ruleId.length > 1,
        rule.because !== '',
        rule.reason !== '',
        rule.instead !== '',
      ]).toEqual([true, true, true, true])
    const ranks = speaking.map((rule) =>
      [
        'stop',
        'postpone',
        'refer',
        'scope',
        'clearance',
        'replace',
        'omit-zone',
        'limit',
        'require',
        'caution',
        'advice',
      ].indexOf(rule.effect),
    )
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
  })
  test('every product of the shelf can be asked about; a rule that does not touch it keeps quiet', () => {
    expect(
      askable(given).filter((question) => question.id.startsWith('product:')).length,
    ).toBeGreaterThan(20)
    expect(about('product:oat-mask').map((rule) => rule.ruleId)).not.toContain('A01')
  })
})

describe('the rule book as pages', () => {
  const pages = RULE_BOOK.map(rulePage)
  test.each([
    ['pacemaker', 'A01'],
    ['STEAM pigment', 'C02'],
    ['isotretinoin', 'A06'],
    ['latex kiwi', 'B-latex-kiwi'],
    ['flush', 'C01'],
  ])('searching for "%s" finds %s', (typed, id) => {
    const found = rulesFound(pages, typed)
    expect(found.some((page) => page.rule.id.startsWith(id))).toBe(true)
    expect(found.length).toBeLessThan(pages.length / 2)
  })
  test('nothing typed shows all; nonsense shows none; every page has a sign and a basis', () => {
    expect([rulesFound(pages, '  ').length, rulesFound(pages, 'zzzz').length]).toEqual([
      pages.length,
      0,
    ])
    for (const page of pages)
      expect([
        page.strictest.words.length > 3,
        page.basis.length > 3,
        page.effects.every((effect) => effect.words !== ''),
      ]).toEqual([true, true, true])
    expect(requirementWords('gloves')).toContain('gloves')
    expect(planFor().status).toBe('ready')
  })
})
