import { describe, expect, test } from 'vitest'
import { ALL_NO, client, readingOf, seen, TODAY, yes } from '../../tests/situations'
import { HOME_SHELF } from '../../tests/home-shelf'
import { dateAfter } from '../client'
import type { Concern, Fact } from '../client'
import { CHEEKS, EYES, NECK } from '../skin'
import { homePlan, isStrong, type HomeInput, type HomeLine, type HomePlan, type HomeUse } from '.'

const NOTHING: HomeInput['done'] = { levers: [], work: [], points: 0 }
const input = (
  concerns: readonly Concern[],
  { facts = ALL_NO, ...more }: Partial<HomeInput> & { readonly facts?: readonly Fact[] } = {},
): HomeInput => ({
  client: { ...client(facts), concerns: [...concerns] },
  ...{ reading: readingOf(), history: [], shelf: HOME_SHELF, date: TODAY },
  ...{ done: NOTHING, uses: [], rests: [], splits: false },
  ...more,
})
const use = (more: Partial<HomeUse> & Pick<HomeUse, 'role'>): HomeUse => ({
  ...{ name: '', times: ['evening'], perWeek: 7, prescribed: false },
  ...more,
})
const without = (code: string, ...more: Fact[]): Fact[] => [
  ...ALL_NO.filter((fact) => fact.code !== code),
  ...more,
]
const roles = ({ lines }: HomePlan) => lines.map(({ role }) => role)
const lineOf = ({ lines }: HomePlan, role: HomeLine['role']) =>
  lines.find((line) => line.role === role)!
const evenings = ({ days }: HomePlan, id: string) =>
  days.filter(({ evening }) => evening === id).map(({ date }) => date)

describe('a home plan', () => {
  test('with nothing against it: bland at once, one strong thing slowly, one new thing a week, in order of use', () => {
    const plan = homePlan(input(['firm', 'brighten', 'eyes']))
    expect(roles(plan)).toEqual(['cleanser', 'serum', 'retinoid', 'moisturiser', 'neck', 'sun'])
    const retinoid = lineOf(plan, 'retinoid')
    expect(retinoid).toMatchObject({ productId: 'night-cream', concern: 'firm', state: 'new' })
    // TODAY is a Tuesday: two evenings a week from the next day, three from the Monday two weeks on.
    expect(retinoid.pace).toEqual([
      { from: '2026-11-25', perWeek: 2 },
      { from: '2026-12-14', perWeek: 3 },
    ])
    expect(evenings(plan, retinoid.id).slice(0, 8)).toEqual([
      ...['2026-11-26', '2026-11-30', '2026-12-03', '2026-12-07', '2026-12-10'],
      ...['2026-12-14', '2026-12-16', '2026-12-18'],
    ])
    expect(lineOf(plan, 'serum').from).toBe('2026-12-02')
    expect(plan.left).toContainEqual(
      expect.objectContaining({
        name: 'Eye care',
        why: { words: 'Five new things are enough to begin with.' },
      }),
    )
    expect(plan.movements).toEqual(['jaw-knuckles', 'cheek-circles'])
  })
  test('nobody asked what is used at home: nothing strong is put in', () => {
    const plan = homePlan(input(['firm', 'clarify'], { uses: undefined }))
    expect(roles(plan).filter(isStrong)).toEqual([])
  })
  test('pregnant: no retinoid, and theirs stops, with the rule', () => {
    const facts = without('pregnancy', yes('pregnancy'))
    const uses = [use({ role: 'retinoid', name: 'My retinol', perWeek: 3 })]
    const plan = homePlan(input(['firm'], { facts, uses }))
    expect(roles(plan)).not.toContain('retinoid')
    expect(plan.left).toContainEqual(
      expect.objectContaining({ name: 'My retinol', isTheirs: true, prescribed: false }),
    )
    expect(plan.left.find(({ name }) => name === 'My retinol')!.why.ruleId).toBe('A04')
    // What is firm about the plan then is a serum.
    expect(roles(plan)).toContain('moisturiser')
  })
  test('a retinoid user: it goes on as often as it did, nothing strong is added, and it shares its evenings', () => {
    const uses = [
      use({ role: 'retinoid', name: 'My retinol', perWeek: 7 }),
      use({ role: 'acid', name: 'My toner', perWeek: 2 }),
    ]
    const plan = homePlan(input(['smooth', 'clarify'], { uses }))
    expect(roles(plan).filter(isStrong)).toEqual(['acid', 'retinoid'])
    const [acid, retinoid] = [lineOf(plan, 'acid'), lineOf(plan, 'retinoid')]
    expect(evenings(plan, acid.id)).toHaveLength(10)
    expect(evenings(plan, retinoid.id)).toHaveLength(25)
    const split = homePlan(input(['smooth'], { uses, splits: true }))
    const own = lineOf(split, 'acid')
    expect(own.times).toEqual(['morning'])
    expect(split.days.filter(({ morning }) => morning === own.id)).toHaveLength(10)
    expect(evenings(split, lineOf(split, 'retinoid').id)).toHaveLength(35)
  })
  test('prescribed: it stays as the physician says; where a rule speaks against it, they are asked', () => {
    const uses = [use({ role: 'retinoid', name: 'From the clinic', perWeek: 7, prescribed: true })]
    const plan = homePlan(input(['firm'], { uses, next: { on: '2026-12-22', isBooked: true } }))
    expect(lineOf(plan, 'retinoid')).toMatchObject({ prescribed: true, state: 'goes on' })
    expect(plan.before).toContainEqual({
      words: 'Ask your physician whether your cream may pause for five days.',
      from: '2026-12-17',
    })
  })
  test('the neck: a line of its own, gentle, upward; nothing strong goes there', () => {
    const plan = homePlan(input(['firm']))
    expect(lineOf(plan, 'neck')).toMatchObject({ zones: NECK, productId: 'dune-cream' })
    expect(lineOf(plan, 'neck').how).toContain('Strokes up')
    for (const { role, zones } of plan.lines.filter((line) => isStrong(line.role)))
      expect(
        zones.filter((zone) => [...NECK, ...EYES].includes(zone)),
        role,
      ).toEqual([])
  })
  test('a beard: shaved the evening before, not on the day', () => {
    const facts = without('facial-hair', yes('facial-hair'))
    const plan = homePlan(input(['calm'], { facts, next: { on: '2026-12-22', isBooked: false } }))
    expect(plan.before.map(({ words, from }) => `${from} ${words}`)).toContain(
      '2026-12-21 Trim or shave the evening before, not on the day.',
    )
    expect(homePlan(input(['calm'])).before).toEqual([])
  })
  test('a barrier that is down on the cheeks: what is strong stays off them, and says why', () => {
    const reading = readingOf(seen('barrier', 2, CHEEKS))
    const plan = homePlan(input(['firm'], { reading }))
    const strong = plan.lines.filter(({ role }) => isStrong(role))
    for (const { zones } of strong)
      expect(zones.filter((zone) => CHEEKS.includes(zone))).toEqual([])
    expect([...strong.flatMap(({ why }) => why), ...plan.left.map(({ why }) => why)]).not.toEqual(
      [],
    )
  })
  test('after a peel: own actives rest a week, the plan begins after it; the end of each pause has its cause', () => {
    const done = {
      levers: [{ lever: 'acid' as const, rung: 3 }],
      work: ['acid' as const],
      points: 2,
    }
    const uses = [use({ role: 'scrub', name: 'Sugar scrub', perWeek: 1 })]
    const plan = homePlan(input(['hydrate'], { done, uses }))
    expect(plan.pauses.find(({ what }) => what === 'own-actives')).toMatchObject({
      again: dateAfter(TODAY, 7),
      because: 'a strong peel',
    })
    expect(plan.days.filter(({ rests }) => rests === 'after')).toHaveLength(6)
    expect(plan.firstDays.until).toBe(dateAfter(TODAY, 7))
    expect(plan.usual[0]).toBe('Your skin may be pink for up to 48 hours.')
  })
  test('what a kit left is taken in with its own words; a peel for the salon never goes home', () => {
    const rests = [{ productId: 'zinc-fluid', amount: 20, home: 'Where it flushes, evenings' }]
    const plan = homePlan(input(['smooth', 'calm'], { rests }))
    expect(lineOf(plan, 'soothing')).toMatchObject({
      ...{ state: 'kit', how: 'Where it flushes, evenings', lastsUntil: dateAfter(TODAY, 10) },
    })
    // 12 % at pH 3.5 is outside what a review finds safe at home (10 %).
    expect(plan.lines.map(({ productId }) => productId)).not.toContain('lactic-peel')
  })
  test('a rule with an end: waxed yesterday, the acid begins once its days are over', () => {
    const facts = without('waxing', yes('waxing', { on: '2026-11-23', askedOn: TODAY }))
    const shelf = {
      ...HOME_SHELF,
      products: HOME_SHELF.products.filter(({ id }) => id !== 'night-cream'),
    }
    const acid = lineOf(homePlan(input(['smooth'], { facts, shelf })), 'acid')
    expect(acid).toMatchObject({ productId: 'lactic-solution', from: '2026-11-28' })
    const open = lineOf(homePlan(input(['smooth'], { shelf })), 'acid')
    expect(open.from).toBe('2026-11-25')
  })
})
