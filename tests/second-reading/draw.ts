import fc from 'fast-check'
import { ALLERGENS } from './allergens'
import { client, input, no, readingOf, seen, TOLERATED, ALL_NO, yes } from '../situations'
import { CARDS, SHELF } from '../fixtures'
import type { CompileInput } from '#core/adapt'
import type { Fact } from '#core/client'
import { segment, type ProtocolVersion, type Step } from '#core/protocol'
import { FACE_NECK, FINDING_KINDS, LESION_TYPES, type ZoneId } from '#core/skin'

const CODES = ALL_NO.map(({ code }) => code).filter((code) => !code.startsWith('allergy'))
const MEDICINES = [
  'isotretinoin',
  'tretinoin',
  'doxycycline',
  'warfarin',
  'pacemaker',
  'lupus',
  'facial-palsy',
  'pregnant',
  'goitre',
]
const DATES = [
  '2026-11-23',
  '2026-11-20',
  '2026-11-13',
  '2026-11-05',
  '2026-10-20',
  '2026-09-01',
  '2026-05-01',
]
const zones = fc.subarray([...FACE_NECK, 'lips' as ZoneId], { minLength: 1, maxLength: 6 })

const answers: fc.Arbitrary<Fact> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc
      .record({
        code: fc.constantFrom(...CODES),
        on: fc.option(fc.constantFrom(...DATES)),
        at: fc.option(zones),
      })
      .map(({ code, on, at }) =>
        yes(code, { ...(on ? { on } : {}), ...(at ? { zones: at } : {}) }),
      ),
  },
  {
    weight: 2,
    arbitrary: fc
      .constantFrom(...CODES)
      .map((code) => ({ ...no(code), askedOn: '2026-11-24', answer: 'unknown' as const })),
  },
  { weight: 2, arbitrary: fc.constantFrom(...MEDICINES).map((id) => yes(`medicine:${id}`)) },
  {
    weight: 2,
    arbitrary: fc
      .record({
        family: fc.constantFrom(...ALLERGENS),
        reaction: fc.constantFrom('breathing' as const, 'rash' as const, 'dislike' as const),
      })
      .map(({ family, reaction }) => yes(`allergy:${family}`, { reaction })),
  },
)

const bare = (at: number, more: Omit<Step, 'id' | 'properties' | 'essential'>): Step => ({
  id: `s${at}`,
  properties: [],
  essential: false,
  ...more,
})
const priorities = fc.integer({ min: 1, max: 5 })
const minutes = fc.integer({ min: 2, max: 14 })

const ofProduct = (at: number) =>
  fc
    .record({
      product: fc.constantFrom(...SHELF.products.filter(({ uses }) => uses.length > 0)),
      priority: priorities,
      essential: fc.boolean(),
    })
    .map(({ product, priority, essential }): Step => {
      const { id: useId, phase, zones: on, segments } = product.uses[0]!
      const pick = { productId: product.id, useId }
      const step = { phase, title: product.name, zones: [...on], product: pick, segments, priority }
      return { ...bare(at, step), essential: essential && priority > 3 }
    })
const ofDevice = (at: number) =>
  fc
    .record({ device: fc.constantFrom(...SHELF.devices), priority: priorities, long: minutes })
    .map(({ device, priority, long }) =>
      bare(at, {
        ...{ phase: 'device', title: device.name, zones: [...FACE_NECK], deviceId: device.id },
        ...{ segments: [segment('on', 'apply', long)], priority },
        tray: ['conductive gel', 'sterile single-use tip'],
      }),
    )
const extraction = (at: number) =>
  minutes.map((long): Step => ({
    ...bare(at, {
      ...{ phase: 'extract', title: 'Extraction', priority: 4 },
      zones: ['nose-side-left', 'nose-side-right', 'chin'],
      segments: [segment('on', 'apply', long)],
    }),
    properties: ['extraction'],
  }))

/** A step of a card that nobody who knows the trade has written: products and devices in any order, without a lever. */
const rung = (at: number): fc.Arbitrary<Step> =>
  fc.oneof(ofProduct(at), ofDevice(at), extraction(at))
const ends: readonly Step[] = CARDS[0]!.steps.filter(({ phase }) =>
  ['first-cleanse', 'moisturise', 'sun', 'close'].includes(phase),
)
const made: fc.Arbitrary<ProtocolVersion> = fc
  .record({ many: fc.integer({ min: 1, max: 7 }), framed: fc.boolean() })
  .chain(({ many, framed }) =>
    fc.tuple(...Array.from({ length: many }, (_, at) => rung(at))).map((steps) => ({
      ...CARDS[0]!,
      id: 'made-v1',
      protocolId: 'made',
      steps: framed ? [ends[0]!, ...steps, ...ends.slice(1)] : steps,
    })),
  )

const PAST_WORK = ['needling', 'mechanical', 'gommage', 'scrub', 'blade'] as const
const past: fc.Arbitrary<CompileInput['history']> = fc.oneof(
  fc.constant(TOLERATED),
  fc.constant([]),
  fc
    .record({
      on: fc.constantFrom(...DATES),
      work: fc.constantFrom(...PAST_WORK),
      rung: fc.integer({ min: 1, max: 4 }),
      points: fc.constantFrom(undefined, 0, 0.5, 1, 1.5, 2, 3),
    })
    .map(({ on, work, points, rung: at }) => [
      ...TOLERATED,
      {
        ...{ on, levers: [{ lever: 'acid' as const, rung: at }], answer: null, work: [work] },
        ...(points === undefined ? {} : { points }),
      },
    ]),
)

const findings = fc.uniqueArray(
  fc
    .record({
      kind: fc.constantFrom(...FINDING_KINDS),
      grade: fc.integer({ min: 1, max: 3 }),
      at: zones,
    })
    .map(({ kind, grade, at }) => seen(kind, grade, at)),
  { maxLength: 2, selector: ({ kind }) => kind },
)
const lesions = fc.array(
  fc.record({ type: fc.constantFrom(...LESION_TYPES), zone: fc.constantFrom(...FACE_NECK) }),
  { maxLength: 4 },
)
const readings = fc.record({ findings, lesions }).map((drawn) => ({
  ...readingOf(...drawn.findings),
  lesions: drawn.lesions.map((lesion, at) => ({
    ...{ id: String(at), view: 'front' as const, x: 0.5, y: 0.5, ...lesion },
    ...{ painful: false, deep: false, head: true, decision: 'leave' as const },
  })),
}))

const IDS = SHELF.products.map(({ id }) => id)
const shelves = fc.subarray(IDS, { maxLength: 6 }).map((out) => ({
  ...SHELF,
  products: SHELF.products.map((product) =>
    out.includes(product.id) ? { ...product, stock: 0 } : product,
  ),
}))

const clients = fc
  .record({
    facts: fc.uniqueArray(answers, { maxLength: 2, selector: ({ code }) => code }),
    refused: fc.option(fc.constantFrom(...IDS)),
    bornOn: fc.constantFrom('1990-01-01', '1990-01-01', '1990-01-01', '2010-03-03', '1950-01-01'),
  })
  .map(({ facts, refused, bornOn }) => {
    const memory = 'reacted' as const
    const memories = refused ? [{ productId: refused, memory, on: '2026-10-01' }] : []
    return client(facts, { bornOn, memories })
  })

/** A visit of nobody: facts alone and in pairs, skin, pins, history, what is out, refusals, slots, cards of ours and made ones. */
export const drawn: fc.Arbitrary<CompileInput> = fc
  .record({
    protocol: fc.oneof(fc.constantFrom(...CARDS), made),
    client: clients,
    reading: readings,
    history: past,
    shelf: shelves,
    slotMinutes: fc.constantFrom(30, 45, 60, 75, 90),
    daytime: fc.boolean(),
    felt: fc.oneof(
      { weight: 9, arbitrary: fc.constant(undefined) },
      { weight: 1, arbitrary: fc.constant([{ stepId: 's0', because: 'it stung' }]) },
    ),
    scope: fc.subarray(['minors', 'rf', 'needling', 'blade', 'lancet'] as const),
  })
  .map(({ scope, ...visit }) =>
    input({ ...visit, practitioner: { scope: [...scope], hazards: [] } }),
  )
