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
import { CLARIFYING, SET_MASK } from '~~/tests/fixtures'
import { compile, questionsNeeded, requirementWords } from '#core/adapt'
import { factsInForce, KNOWN, type Fact } from '#core/client'
import { RULE_BOOK } from '#core/safety'
import { askedGroups, clearancesWanted, medicinesOf, openGroups } from './consult'
import { allergensSaid, flippedAllergen } from './allergens'
import { heldCodes, isHeldBack, notKnownOf } from '~/support/fit/held-back'
import { rulePage, rulesFound } from '~/support/rules/rule-book'
import { askable, rulesAbout } from '~/support/fit/why-not'

describe('the groups of Consult', () => {
  const needed = questionsNeeded(input())
  const groups = (facts: readonly Fact[]) => askedGroups(factsInForce(facts), TODAY, needed)
  const open = (facts: readonly Fact[]) => openGroups(factsInForce(facts), TODAY, needed)
  test('groups that the card needs come first; a card without machines needs no implants', () => {
    const at = groups([])
    const first = at.filter(({ isNeeded }) => isNeeded)
    expect(at.slice(0, first.length)).toEqual(first)
    expect(first.map(({ id }) => id)).toContain('allergies')
    expect(at.filter(({ isNeeded }) => !isNeeded).map(({ id }) => id)).toEqual(['implants'])
    const withCurrent = questionsNeeded(input({ protocol: SET_MASK }))
    expect(withCurrent.codes.has('implant-electronic')).toBe(true)
  })
  test('what a card needs does not depend on what is known of the client', () => {
    const somebody = input({ client: client([yes('pregnancy'), yes('allergy:papaya')]) })
    expect(questionsNeeded(somebody)).toEqual(needed)
  })
  test('nobody asked: every needed group is open; all no: none', () => {
    expect(open([])).toHaveLength(11)
    expect(open(ALL_NO)).toEqual([])
  })
  test('“does not know” is an answer: the group is not open, and its line says so', () => {
    const facts: Fact[] = [
      ...ALL_NO.filter(({ code }) => code !== 'keloid'),
      { code: 'keloid', answer: 'unknown', askedOn: TODAY },
    ]
    expect(open(facts)).toEqual([])
    const healing = groups(facts).find(({ id }) => id === 'healing')!
    expect(healing.told).toContain('Raised scars: does not know')
  })
  test('what is known of a group in one line', () => {
    const procedures = groups([
      ...ALL_NO,
      yes('filler', { on: '2026-11-02' }),
      { ...no('waxing'), askedOn: TODAY },
    ]).find(({ id }) => id === 'procedures')!
    expect(procedures.told).toMatch(/^Filler, 2 Nov 2026 · else none, told 24 Nov 2026$/)
    expect(groups([]).find(({ id }) => id === 'skin')!.told).toBe('not asked')
    const [allergic] = groups([yes('allergy:word:yarrow')]).filter(({ id }) => id === 'allergies')
    expect([allergic!.told, allergic!.isDone]).toEqual(['1 known, told 20 Nov 2026', true])
  })
  test('held back: only not asked; what a client does not know is a change like any other', () => {
    const unasked = client([], { facts: ALL_NO.filter(({ code }) => code !== 'heat-urticaria') })
    const change = (given: typeof unasked) => {
      const plan = compile(input({ client: given, protocol: CLARIFYING }))
      return plan.changes.filter((one) => isHeldBack(one, factsInForce(given.facts)))
    }
    expect(change(unasked).length).toBeGreaterThan(0)
    const notKnown: Fact = { code: 'heat-urticaria', answer: 'unknown', askedOn: TODAY }
    expect(change({ ...unasked, facts: [...unasked.facts, notKnown] })).toEqual([])
  })
  test('what could stop the visit and nobody can answer is said, so that no button is shut without a reason', () => {
    const somebody = client([], {
      facts: [
        ...ALL_NO.filter(({ code }) => code !== 'infection'),
        { code: 'infection', answer: 'unknown', askedOn: TODAY },
      ],
    })
    const plan = compile(input({ client: somebody }))
    expect(plan.status).toBe('ask-first')
    expect(open(somebody.facts)).toEqual([])
    expect(notKnownOf(plan, factsInForce(somebody.facts))).toEqual(['Cold sore, infection, fever'])
    expect(notKnownOf(planFor(), factsInForce(ALL_NO))).toEqual([])
  })
  test('whatever is held back has its group asked for', () => {
    const unasked = client([], { facts: ALL_NO.filter(({ code }) => code !== 'heat-urticaria') })
    const plan = compile(input({ client: unasked, protocol: CLARIFYING }))
    expect(heldCodes(plan, factsInForce(unasked.facts))).toContain('heat-urticaria')
    const nothing = { codes: new Set(['heat-urticaria']), families: new Set<string>() }
    expect(openGroups(factsInForce(unasked.facts), TODAY, nothing)).toEqual(['Cold, heat, breath'])
  })
  test('an allergen taken back is no; the first one also says that somebody asked', () => {
    const first = flippedAllergen(new Map(), 'allergy:oat', TODAY)
    expect(first.map(({ code, answer }) => [code, answer])).toEqual([
      ['allergy:oat', 'yes'],
      ['allergy:any', 'no'],
    ])
    expect(flippedAllergen(factsInForce(first), 'allergy:oat', TODAY)).toEqual([
      { code: 'allergy:oat', answer: 'no', askedOn: TODAY },
    ])
    expect(
      allergensSaid(factsInForce([yes('allergy:word:lemon-balm'), yes('allergy:oat')])).map(
        ({ name }) => name,
      ),
    ).toEqual([expect.stringMatching(/^Oat/), '“lemon balm”'])
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
