import { DEMO_SHELF } from './shelf'
import { describe, expect, test } from 'vitest'
import { PATTERNS } from './patterns'
import { DEMO_PROTOCOLS } from './protocols'
import { CLIENTS } from './people'
import { visitOf } from '../tests/person-visit'
import { read } from '../tests/wrong-orders'
import type { ProtocolVersion } from '#core/protocol/model'
import { lint, movementsSeconds, usualSeconds, type Step } from '#core/protocol'
import { compile, type CompileInput, type FittedPlan } from '#core/adapt'

/** Somebody of the demo studio on the day of the tests, with its own shelf. */
const demoVisit = (name: string, card: ProtocolVersion, more: Partial<CompileInput> = {}) =>
  visitOf(
    CLIENTS.find((client) => client.name === name)!,
    card,
    { shelf: DEMO_SHELF, ...more },
  )
const cardOf = (protocolId: string) =>
  DEMO_PROTOCOLS.find((card) => card.protocolId === protocolId)!

const planOf = (row: (typeof PATTERNS)[number]): FittedPlan => {
  const card = cardOf(row.protocolId)
  const calm = Object.fromEntries(
    card.steps
      .filter((step) => step.gate === 'quick-check')
      .map((step) => [step.id, 'calm' as const]),
  )
  return compile(
    demoVisit(row.client, card, {
      practitioner: { scope: ['minors', ...(row.scope ?? [])], hazards: [] },
      gates: calm,
      daytime: !row.evening,
    }),
  )
}

/** What no placed ladder may break: one pair of hands, every dwell within its limits, segments of a step in order and without a gap. */
function broken(plan: FittedPlan): string[] {
  const faults: string[] = []
  const written = new Map<string, Step['segments'][number]>(
    plan.steps.flatMap((step) =>
      step.segments.map((part) => [`${step.id}/${part.id}`, part] as const),
    ),
  )
  for (const placed of plan.segments) {
    const part = written.get(placed.id)!
    const lastsS = placed.endS - placed.startS
    if (placed.startS < 0 || lastsS < part.minS || lastsS > Math.max(part.maxS, part.usualS))
      faults.push(`${placed.id} lasts ${lastsS} s`)
    if (part.active && lastsS !== part.usualS) faults.push(`${placed.id} is active and stretched`)
  }
  const hands = plan.segments.filter((part) => part.hands).sort((a, b) => a.startS - b.startS)
  for (const [at, one] of hands.slice(1).entries())
    if (one.startS < hands[at]!.endS) faults.push(`${hands[at]!.id} and ${one.id} at once`)
  for (const step of plan.steps) {
    const own = plan.segments.filter((part) => part.stepId === step.id && part.kind !== 'prepare')
    for (const [at, one] of own.slice(1).entries())
      if (one.startS !== own[at]!.endS) faults.push(`${one.id} does not follow ${own[at]!.id}`)
  }
  return faults
}

describe.each(PATTERNS)('pattern $pattern, $protocolId on $client', (row) => {
  const plan = planOf(row)
  test('compiles whole', () => {
    expect([plan.status, plan.problems, plan.askFirst]).toEqual(['ready', [], []])
    const gone = cardOf(row.protocolId)
      .steps.filter((step) => !plan.steps.some((other) => other.id === step.id))
      .map((step) => step.id)
    expect(gone).toEqual(row.without ?? [])
  })
  test('keeps every limit', () => expect(broken(plan)).toEqual([]))
  test('takes what was added up by hand', () => {
    expect(plan.totalS / 60).toBeGreaterThanOrEqual(row.minutes[0])
    expect(plan.totalS / 60).toBeLessThanOrEqual(row.minutes[1])
  })
  test('its card has no wrong order, and its ladder as fitted neither', () => {
    expect(
      lint(cardOf(row.protocolId).steps.map(read), true).filter(
        (finding) => finding.level === 'wrong',
      ),
    ).toEqual([])
    expect(lint(plan.steps.map(read), true).filter((finding) => finding.level === 'wrong')).toEqual(
      [],
    )
  })
})

describe('what each pattern is about', () => {
  const of = (id: string) => planOf(PATTERNS.find((row) => row.protocolId === id)!)
  const step = (plan: FittedPlan, id: string): Step => plan.steps.find((step) => step.id === id)!
  const seg = (plan: FittedPlan, id: string) => plan.segments.find((part) => part.id === id)!
  const during = (plan: FittedPlan, id: string, host: string) =>
    seg(plan, id).startS >= seg(plan, host).startS && seg(plan, id).endS <= seg(plan, host).endS
  test('1: wash-off or film by what is wanted, the quick check before it, the eye mask meanwhile', () => {
    const film = compile({
      ...demoVisit('Wren Castellane', cardOf('hydrating')),
      client: { ...demoVisit('Wren Castellane', cardOf('hydrating')).client, concerns: ['firm'] },
    })
    expect([
      step(of('hydrating'), 'mask').product!.productId,
      step(film, 'mask').product!.productId,
    ]).toEqual(['peat-mud', 'alder-film'])
    expect(film.open.map((gate) => gate.gateId)).toContain('check')
    expect(during(of('hydrating'), 'eye-mask/on', 'mask/dwell')).toBe(true)
  })
  test('2: the acid stays on, and ampoule and mask come over it', () => {
    const plan = of('leave-on-acid')
    expect(step(plan, 'solution').segments.some((part) => part.kind === 'remove')).toBe(false)
    expect(seg(plan, 'ampoule/on').startS).toBeGreaterThanOrEqual(seg(plan, 'solution/dry').endS)
  })
  test('3: two cleanses, toned within two minutes of the alkaline wash, two masks, three serums; nothing extracted when nothing is seen', () => {
    const plan = of('three-serum')
    expect(seg(plan, 'tone-1/on').startS - seg(plan, 'cleanse-2/off').endS).toBeLessThanOrEqual(120)
    expect(plan.steps.filter((step) => step.phase === 'serum')).toHaveLength(3)
    const clear = compile({
      ...demoVisit('Wren Castellane', cardOf('three-serum')),
      reading: { done: true, findings: [], lesions: [], meters: [] },
    })
    expect(clear.steps.some((step) => step.phase === 'extract' || step.id === 'spot')).toBe(false)
  })
  test('4: the lip enhancement and the scalp massage cost no minute, with permission and hygiene', () => {
    const plan = of('brightening')
    expect(plan.changes.filter((change) => change.kind === 'hung')).toHaveLength(2)
    expect(step(plan, 'scalp').say).toMatch(/May I/)
    expect(seg(plan, 'scalp/hands')).toMatchObject({ kind: 'hygiene' })
  })
  test('5: the mask is mixed while the patches rest', () => {
    const plan = of('patches')
    expect(during(plan, 'alginate/mix', 'patches/dwell')).toBe(true)
    expect(seg(plan, 'alginate/mix').endS).toBe(seg(plan, 'alginate/on').startS)
  })
  test('6: seven machines, a cleanse after every gel, passes with their zones', () => {
    const plan = of('seven-tides')
    expect(new Set(plan.steps.flatMap((step) => step.deviceId ?? []))).toEqual(
      new Set([
        'tide-suction',
        'cold-globes',
        'radio-wand',
        'water-jet',
        'microcurrent',
        'sound-infuser',
        'led-panel',
      ]),
    )
    expect(plan.steps.filter((step) => step.passes).length).toBeGreaterThanOrEqual(6)
    for (const id of ['rf', 'wands', 'sound'])
      expect(plan.steps[plan.steps.findIndex((step) => step.id === id) + 1]!.closes).toBe(id)
  })
  test('7: one of three exfoliants, then a mask that heats itself', () => {
    const ways = (['calm', 'smooth', 'clarify'] as const).map(
      (concern) =>
        step(
          compile({
            ...demoVisit('Yuna Delacroix', cardOf('hearth')),
            client: {
              ...demoVisit('Yuna Delacroix', cardOf('hearth')).client,
              concerns: [concern],
            },
          }),
          'exfoliant',
        ).product!.productId,
    )
    expect(ways).toEqual(['rice-enzyme', 'rice-gommage', 'bead-scrub'])
  })
  test('8: half a vial before, half after; 45 minutes; off again and again until the brush is clean', () => {
    const plan = of('kit')
    expect([step(plan, 'vial-before').share, step(plan, 'vial-after').share]).toEqual([0.5, 0.5])
    expect(plan.tray.find((item) => item.id === 'vial-before:product')!.note).toBe(
      '½ vial · 1.5 mL (50 % of the dose), the rest for ' + step(plan, 'vial-after').title,
    )
    expect(seg(plan, 'tight/dwell').endS - seg(plan, 'tight/dwell').startS).toBe(45 * 60)
    expect(step(plan, 'wash-off').segments.at(-1)!.end).toMatchObject({
      by: 'repeat',
      sign: 'the brush stays clean',
    })
  })
  test('9: what is out is replaced', () =>
    expect(step(of('mixed-bowl'), 'bowl').product!.productId).toBe('oat-cocktail'))
  test('10: three kinds of visit; acid and needling never in one', () => {
    expect(step(of('acid'), 'neutralise').closes).toBe('peel')
    expect(step(of('course-needling'), 'needles').passes!.pattern).toMatch(/scar or pigment/)
    const both = {
      ...cardOf('course-needling'),
      steps: [
        ...cardOf('acid')
          .steps.filter((step) => ['blot', 'peel', 'neutralise', 'gel'].includes(step.id))
          .map((step) => ({
            ...step,
            id: `${step.id}-x`,
            ...(step.closes ? { closes: `${step.closes}-x` } : {}),
          })),
        ...cardOf('course-needling').steps,
      ],
    }
    expect(lint(both.steps.map(read), true).map((finding) => finding.id)).toContain('L24')
    expect(
      compile(
        demoVisit('Marguerite Abiola', both, {
          practitioner: { scope: ['needling'], hazards: [] },
        }),
      ).steps.filter((step) => ['peel-x', 'needles'].includes(step.id)).length,
    ).toBeLessThan(2)
  })
  test('11: three coats one after another, then the enzyme works and does not stretch', () =>
    expect(
      step(of('undertow'), 'coats')
        .segments.filter((part) => part.coat)
        .map((part) => part.coat),
    ).toEqual([1, 2, 3]))
  test('12: nothing warm anywhere', () =>
    expect(
      of('still-water').steps.some(
        (step) =>
          read(step).properties.has('heat') ||
          step.segments.some((part) => part.temperature === 'warm'),
      ),
    ).toBe(false))
  test('13: light lies over the sheet and costs no minute', () => {
    const plan = of('deep-well')
    expect(during(plan, 'led/dwell', 'sheet/dwell')).toBe(true)
  })
  test('14: both poles equally long, each with all seven movements; masks side by side', () => {
    const plan = of('two-currents')
    const galvanic = step(plan, 'galvanic')
    expect(galvanic.movements).toHaveLength(7)
    expect(galvanic.segments.filter((part) => part.polarity).map((part) => part.usualS)).toEqual([
      movementsSeconds(galvanic.movements!),
      movementsSeconds(galvanic.movements!),
    ])
    expect(seg(plan, 'masks.2/dwell').startS).toBeLessThan(seg(plan, 'masks/dwell').endS)
    expect(seg(plan, 'eye-mask/dwell').startS).toBeLessThan(seg(plan, 'masks.2/dwell').endS)
  })
  test('15: eye part and face part on within the working time, off as one', () => {
    const plan = of('quiet-window')
    expect(
      seg(plan, 'algae/eyes').zones.some((zone) => seg(plan, 'algae/face').zones.includes(zone)),
    ).toBe(false)
    expect(seg(plan, 'algae/face').startS).toBe(seg(plan, 'algae/eyes').endS)
    expect(seg(plan, 'algae/face').endS - seg(plan, 'algae/mix').endS).toBeLessThanOrEqual(240)
    expect(step(plan, 'algae').segments.filter((part) => part.kind === 'remove')).toHaveLength(1)
  })
  test('16: what is deep stays, the acid is short, the retinoid only in the evening', () => {
    const plan = of('acne')
    expect(
      usualSeconds({
        segments: step(plan, 'short').segments.filter((part) => part.kind === 'dwell'),
      }),
    ).toBeLessThanOrEqual(120)
    expect(cardOf('acne').steps.find((step) => step.id === 'night')!.when).toEqual({
      time: 'evening',
    })
  })
  test('17: the window is used: hands, tidy, then compress, eye and moisturiser', () => {
    const plan = of('quiet-window')
    expect(
      during(plan, 'hand-massage/rub', 'algae/dwell') && during(plan, 'tidy/tidy', 'algae/dwell'),
    ).toBe(true)
    expect(seg(plan, 'eye/on').startS).toBeGreaterThanOrEqual(seg(plan, 'compress/off').endS)
  })
  test('18: off at room temperature, toned after the alkaline wash, along the growth, the disliked cream replaced', () => {
    const plan = planOf(PATTERNS.find((row) => row.protocolId === 'grain')!)
    expect(step(plan, 'warm').segments.find((part) => part.kind === 'remove')!.temperature).toBe(
      'room',
    )
    expect(step(plan, 'cream').product!.productId).not.toBe('dune-cream')
    expect(plan.changes.some((change) => change.why.some((why) => why.ruleId === 'C12'))).toBe(true)
  })
  test('19: face and neck on rungs of their own; a second layer only later', () => {
    const plan = of('neck')
    expect([
      step(plan, 'face-acid').levers![0]!.writtenRung,
      step(plan, 'neck-acid').levers![0]!.writtenRung,
    ]).toEqual([2, 1])
    expect(
      step(plan, 'neck-acid').zones.every((zone) => !step(plan, 'face-acid').zones.includes(zone)),
    ).toBe(true)
    expect(cardOf('neck').steps.find((step) => step.id === 'second-layer')!.when!.visit).toBe(
      'later',
    )
  })
  test('20: machine and massage take turns', () =>
    expect(
      of('signature')
        .steps.filter((step) => step.deviceId || step.phase === 'massage')
        .map((step) => step.id)
        .slice(0, 4),
    ).toEqual(['suction', 'drain-1', 'wands', 'sculpt']))
  test('21: the blade comes on dry, blotted skin', () => {
    const plan = of('blade-ready')
    expect(
      plan.steps[plan.steps.findIndex((step) => step.id === 'blade') - 1]!.properties,
    ).toContain('blotting')
  })
})
