import { Step as StepModel } from '../protocol/model'
import { describe, expect, test } from 'vitest'
import { CARDS, ACID, BRIGHTENING, CLARIFYING, SET_MASK, SHELF } from '../../tests/fixtures'
import { read } from '../../tests/wrong-orders'
import { placingOf } from '../adapt'
import { lint, PHASES, type Step } from '../protocol'
import { place } from '../schedule'
import { applyMethod, METHODS, searchCatalogue, STEP_CATALOGUE, stepFrom } from '.'

const ids = (steps: readonly Step[]) => steps.map((step) => step.id)
const wrong = (steps: readonly Step[]) =>
  lint(steps.map(read), true)
    .filter((finding) => finding.level === 'wrong')
    .map((finding) => `${finding.id} ${finding.stepId}`)

describe('step catalogue', () => {
  // The trade's table of usual times and of devices, row by row (common practice, no source): what must be found by its first two letters or more.
  test.each([
    'eye and lip make-up',
    'first cleanse',
    'second cleanse',
    'look',
    'tone',
    'scrub',
    'gommage',
    'enzyme',
    'acid, rinsed',
    'acid solution',
    'short acid',
    'blot',
    'cleanser left',
    'steam',
    'softening pads',
    'extraction',
    'high frequency',
    'massage',
    'concentrate',
    'line patches',
    'cream or clay',
    'firming retinoid',
    'warming',
    'eye mask',
    'film',
    'two-part',
    'self-heating',
    'tightening',
    'sheet',
    'LED panel',
    'serum',
    'moisturiser',
    'sun',
    'lip balm',
    'lip enhancement',
    'welcome',
    'scalp',
    'hand',
    'arm',
    'foot',
    'close',
    'hydro',
    'ultrasonic spatula',
    'vibration',
    'galvanic',
    'microcurrent',
    'radio',
    'ultrasound',
    'cold',
    'jet',
    'measured',
    'mechanical',
    'needling',
    'current',
  ])('has “%s”', (name) => expect(searchCatalogue(name).length).toBeGreaterThan(0))
  test('two letters are enough to bring the common steps to the top', () => {
    for (const [typed, id] of [
      ['ex', 'extract'],
      ['sc', 'scrub'],
      ['en', 'enzyme'],
      ['se', 'second-cleanse'],
      ['fi', 'first-cleanse'],
      ['su', 'sun'],
      ['mo', 'moisturise'],
      ['li', 'patches'],
      ['ga', 'galvanic'],
      ['st', 'steam'],
    ] as const)
      expect(
        searchCatalogue(typed)
          .slice(0, 6)
          .map((row) => row.id),
        typed,
      ).toContain(id)
    expect(searchCatalogue('zzz')).toEqual([])
    expect(searchCatalogue('')).toHaveLength(STEP_CATALOGUE.length)
  })
  test.each([
    ['cl', 'first-cleanse', 'second-cleanse'],
    ['cl', 'tone', 'mask'],
    ['cl', 'sun', 'close'],
    ['se', 'first-cleanse', 'second-cleanse'],
    ['se', 'mask', 'serum'],
    ['to', 'exfoliate', 'tone'],
    ['ex', 'tone', 'scrub'],
    ['fi', 'start', 'first-cleanse'],
  ] as const)('“%s” on a rung of %s brings %s first', (typed, standing, id) =>
    expect(searchCatalogue(typed, standing)[0]!.id).toBe(id),
  )
  test('what begins so is not lost behind a family that usually comes next', () => {
    const ids = searchCatalogue('ma', 'calm').map(({ id }) => id)
    expect(ids.slice(0, 6)).toContain('massage')
    expect(ids.slice(0, 3)).toContain('mask')
  })
  test.each(['cl', 'mask'])(
    '“%s” offers a cleanser left on as a mask only behind the masks',
    (typed) => {
      for (const standing of ['start', 'tone', 'concentrate', 'massage'] as const) {
        const ids = searchCatalogue(typed, standing).map((row) => row.id)
        expect(ids.indexOf('cleanser-mask')).toBeGreaterThan(ids.indexOf('mask'))
      }
    },
  )
  // A step alone: what it wants before or after it cannot be there.
  const WANTS_OTHERS = ['L02', 'L03', 'L06', 'L09', 'L11', 'L21', 'L25', 'L30', 'L32']
  test.each(STEP_CATALOGUE.map((row) => [row.id, row] as const))(
    '%s becomes a step that can be read, checked and placed; twice gives another id',
    (_id, row) => {
      const step = stepFrom(row, [], SHELF)
      expect(StepModel.safeParse(step).error).toBeUndefined()
      expect(PHASES).toContain(step.phase)
      const alone = { ...step, floating: undefined }
      expect(place(placingOf([alone as Step])).kind).toBe('optimal')
      expect(
        lint([step].map(read), true).filter(
          (finding) => finding.level === 'wrong' && !WANTS_OTHERS.includes(finding.id),
        ),
      ).toEqual([])
      expect(stepFrom(row, [step], SHELF).id).not.toBe(step.id)
    },
  )
  test('an empty shelf still gives a step, with the properties the rules look for', () => {
    const empty = { products: [], devices: [] }
    for (const row of STEP_CATALOGUE) {
      const step = stepFrom(row, [], empty)
      expect(step.product ?? step.deviceId).toBeUndefined()
      for (const property of row.properties.filter((other) => other !== 'sets'))
        expect(step.properties).toContain(property)
    }
  })
})

describe('method switches', () => {
  test('every row of the trade’s table has its schools, a default and a reason', () => {
    expect(METHODS).toHaveLength(22)
    for (const method of METHODS) {
      expect(method.schools.map((school) => school.id)).toContain(method.byDefault)
      expect(method.rewrite ?? method.kept).toBeDefined()
      for (const school of method.schools) expect(school.why.length).toBeGreaterThan(10)
    }
  })
  const all = METHODS.flatMap((method) =>
    method.schools.flatMap((school) =>
      CARDS.map((protocol) => [method.id, school.id, protocol.name, protocol] as const),
    ),
  )
  test.each(all)(
    '%s: %s on %s: twice is once, ids stay single, nothing breaks that was right',
    (question, school, _name, protocol) => {
      const once = applyMethod(protocol.steps, question, school, SHELF)
      expect(applyMethod(once.steps, question, school, SHELF).steps).toEqual(once.steps)
      expect(new Set(ids(once.steps)).size).toBe(once.steps.length)
      expect(once.says.length).toBeGreaterThan(0)
      const before = wrong(protocol.steps)
      expect(wrong(once.steps).filter((one) => !before.includes(one))).toEqual([])
    },
  )
  const answer = (steps: readonly Step[], question: string, school: string) =>
    applyMethod(steps, question, school, SHELF).steps
  const order = (steps: readonly Step[], ...wanted: string[]) =>
    ids(steps).filter((id) => wanted.includes(id))
  test('massage moves, goes and comes', () => {
    expect(
      order(
        answer(BRIGHTENING.steps, 'massage', 'before-exfoliation'),
        'massage',
        'enzyme',
        'kelp',
      ),
    ).toEqual(['massage', 'enzyme', 'kelp'])
    expect(
      order(
        answer(BRIGHTENING.steps, 'massage', 'after-exfoliation'),
        'massage',
        'enzyme',
        'extract',
      ),
    ).toEqual(['enzyme', 'massage', 'extract'])
    expect(order(answer(BRIGHTENING.steps, 'massage', 'none'), 'massage')).toEqual([])
    expect(
      order(
        answer(answer(BRIGHTENING.steps, 'massage', 'none'), 'massage', 'before-mask'),
        'massage',
        'kelp',
      ),
    ).toEqual(['massage', 'kelp'])
  })
  test('tone: everywhere or where it must, and what is alkaline stays toned', () => {
    const every = answer(CLARIFYING.steps, 'tone', 'every')
    expect(every.filter((step) => step.phase === 'tone').length).toBeGreaterThan(
      CLARIFYING.steps.filter((step) => step.phase === 'tone').length,
    )
    expect(ids(answer(every, 'tone', 'alkaline'))).toContain('tone-1')
  })
  test('extraction and its clearing fluid move together', () =>
    expect(
      order(answer(CLARIFYING.steps, 'extraction', 'before'), 'extract', 'clearing', 'scrub'),
    ).toEqual(['extract', 'clearing', 'scrub']))
  test('steam never comes into an acid visit', () =>
    expect(
      answer(ACID.steps, 'steam', 'steam').some((step) => read(step).properties.has('steam')),
    ).toBe(false))
  test('the acid brings its blotting, its neutraliser and its gel', () => {
    const steps = answer(
      SET_MASK.steps.filter((step) => step.id !== 'ember'),
      'acid',
      'before-extraction',
    )
    const at = steps.findIndex((step) => read(step).properties.has('acid'))
    expect(steps[at - 1]!.properties).toContain('blotting')
    expect(steps[at + 1]!.closes).toBe(steps[at]!.id)
  })
  test('serums in one palm and one by one again', () => {
    const two = [
      ...CLARIFYING.steps,
      { ...CLARIFYING.steps.find((step) => step.id === 'serum')!, id: 'serum-2' },
    ]
    const together = answer(two, 'serums', 'cocktail')
    const time = (steps: readonly Step[]) =>
      steps
        .filter((step) => step.phase === 'serum')
        .flatMap((step) => step.segments)
        .reduce((sum, part) => sum + part.usualS, 0)
    expect(time(together)).toBeLessThan(time(two))
    expect(answer(together, 'serums', 'one').map((step) => step.segments)).toEqual(
      two.map((step) => step.segments),
    )
  })
  test('neck in and out; eyes under pads, free, over the lids; gloves; evening; quick check', () => {
    expect(
      answer(CLARIFYING.steps, 'neck', 'priced').some((step) => step.zones.includes('neck-front')),
    ).toBe(false)
    expect(
      answer(answer(CLARIFYING.steps, 'neck', 'priced'), 'neck', 'included').find(
        (step) => step.id === 'oat',
      )!.zones,
    ).toContain('neck-front')
    const set = (how: string) =>
      answer(SET_MASK.steps, 'eye-contour', how).find((step) => step.id === 'ember')!
    expect([
      set('pads').tray?.includes('eye pads'),
      set('over-lids').properties.includes('over-lids'),
      set('free').properties.includes('over-lids'),
    ]).toEqual([true, true, false])
    expect(
      answer(CLARIFYING.steps, 'gloves', 'off').find((step) => step.id === 'sun')!.segments[0],
    ).toMatchObject({ kind: 'hygiene' })
    expect(
      answer(CLARIFYING.steps, 'evening', 'retinoid').find((step) => step.phase === 'sun')!.when,
    ).toEqual({ time: 'day' })
    expect(
      answer(ACID.steps, 'patch-test', 'delayed').some((step) => step.gate === 'quick-check'),
    ).toBe(false)
    expect(
      answer(answer(ACID.steps, 'patch-test', 'delayed'), 'patch-test', 'quick').find(
        (step) => step.gate === 'quick-check',
      )!.checks,
    ).toBe('peel')
  })
  test('a switch that would break the ladder is refused, with the reason', () => {
    const needling = CARDS.find((card) => card.protocolId === 'course-needling')!
    const refused = applyMethod(needling.steps, 'mist', 'before', SHELF)
    expect(refused.steps).toBe(needling.steps)
    expect(refused.says[0]).toMatch(/^Not on this ladder: .*open skin/)
  })
  test('what is kept for elsewhere changes nothing, and a question nobody knows is refused', () => {
    for (const method of METHODS.filter((method) => !method.rewrite))
      for (const school of method.schools)
        expect(applyMethod(ACID.steps, method.id, school.id, SHELF)).toEqual({
          steps: ACID.steps,
          says: [method.kept],
        })
    expect(() => applyMethod(ACID.steps, 'moon', 'full', SHELF)).toThrow(/moon/)
  })
})
