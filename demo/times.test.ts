import { expect, test } from 'vitest'
import { subjectReader, type Subject } from '#core/strength'
import type { Phase, Property, Segment } from '#core/protocol'
import { DEMO_SHELF } from './shelf'
import { DEMO_PROTOCOLS } from './protocols'

type Range = readonly [least: number, most: number]
interface Row {
  readonly is: (subject: Subject) => boolean
  readonly hands?: Range
  readonly dwell?: Range
  readonly remove?: Range
}

const phase =
  (...phases: Phase[]) =>
  ({ step }: Subject): boolean =>
    phases.includes(step.phase)
const has =
  (...properties: Property[]) =>
  ({ properties: own }: Subject): boolean =>
    properties.every((property) => own.has(property))
const kind =
  (...kinds: string[]) =>
  ({ product }: Subject): boolean =>
    product !== undefined && kinds.includes(product.kind)
const device =
  (...ids: string[]) =>
  ({ step }: Subject): boolean =>
    ids.includes(step.deviceId ?? '')
const product =
  (...ids: string[]) =>
  ({ product: own }: Subject): boolean =>
    ids.includes(own?.id ?? '')
const both =
  (...all: ((subject: Subject) => boolean)[]) =>
  (subject: Subject): boolean =>
    all.every((one) => one(subject))
const about = (minutes: number): Range => [minutes - 0.5, minutes + 0.5]
const NONE: Range = [0, 0]

/** Usual minutes of the trade, the first row that fits (common practice, no source). A single figure is met within half a minute. */
const TRADE: Readonly<Record<string, Row>> = {
  'eye and lip make-up': { is: phase('eye-makeup'), hands: [2, 3] },
  cleanse: {
    is: both(phase('first-cleanse', 'second-cleanse'), kind('cleanser')),
    hands: [1, 2],
    remove: [1, 2],
  },
  'quick check': { is: ({ step }) => step.gate === 'quick-check', hands: [1, 2] },
  lamp: { is: phase('analysis'), hands: [2, 5] },
  tone: { is: both(phase('tone'), kind('toner')), hands: about(0.5) },
  scrub: { is: has('scrub'), hands: [2, 3], dwell: [0, 10], remove: about(2) },
  gommage: { is: has('gommage'), hands: [3, 5], remove: about(1) },
  'tightening mask': { is: has('tightening'), hands: [4, 6], dwell: about(45), remove: [0.5, 6] },
  'enzyme in coats': { is: product('fern-coats'), hands: [4, 6], dwell: [2, 10], remove: [2, 6] },
  enzyme: { is: has('enzyme'), hands: [1, 2], dwell: [2, 10], remove: about(2) },
  'short acid': {
    is: both(phase('calm'), has('acid')),
    hands: about(1),
    dwell: [1, 2],
    remove: [1, 2],
  },
  'acid, left on': { is: has('acid', 'leave-on'), hands: about(1), remove: NONE },
  acid: {
    is: both(phase('exfoliate'), has('acid')),
    hands: about(1),
    dwell: [1, 5],
    remove: about(2),
  },
  steam: { is: has('steam'), hands: about(0.5), dwell: [5, 10] },
  'softening pads': {
    is: both(phase('soften'), ({ product: own, step }) => !own && !step.deviceId),
    hands: about(1),
    dwell: about(5),
  },
  extraction: { is: phase('extract'), hands: [5, 15] },
  'high frequency': { is: device('high-frequency'), hands: [3, 5] },
  cold: { is: device('cold-globes'), hands: [3, 5] },
  massage: { is: phase('massage'), hands: [5, 20], remove: [0, 2] },
  patches: { is: product('line-patches'), hands: [3, 4], dwell: about(5) },
  concentrate: { is: both(phase('concentrate', 'soften'), kind('concentrate')), hands: [1, 2] },
  'self-heating mask': {
    is: has('self-heating'),
    hands: about(3),
    dwell: [20, 30],
    remove: about(2),
  },
  'warming mask': { is: has('warming'), hands: [1, 2], dwell: [12, 15], remove: about(2) },
  'peel-off alginate': {
    is: both(phase('mask'), product('kelp-set-mask', 'algae-two-part')),
    hands: about(2),
    dwell: [15, 20],
    remove: about(1),
  },
  'eye mask': { is: product('plum-eye-mask'), hands: about(1), dwell: [10, 20], remove: about(1) },
  'sheet mask': {
    is: ({ product: own }) => own?.texture === 'sheet',
    hands: about(1),
    dwell: [10, 20],
    remove: about(0.5),
  },
  'cream or clay mask': {
    is: both(phase('mask'), kind('mask')),
    hands: [2, 3],
    dwell: [10, 20],
    remove: [2, 3],
  },
  LED: { is: has('led'), hands: about(0.5), dwell: [10, 20], remove: about(0.5) },
  'device infusion': { is: both(phase('device'), has('infusion')), hands: [5, 15], remove: [0, 2] },
  'serum, eye, moisturiser, sun': {
    is: phase('serum', 'eye', 'moisturise', 'sun'),
    hands: [0.5, 1],
  },
  'lip enhancement': { is: has('lip-safe'), hands: [2, 4], dwell: [5, 7], remove: [1, 2] },
  'hands, scalp, shoulders': {
    is: both(phase('enhancement'), ({ step }) => step.segments.some(isHands)),
    hands: [3, 10],
  },
  close: { is: phase('close'), hands: [3, 5] },
}
const isHands = ({ kind: what }: Segment): boolean => what === 'apply'

const minutesOf = ({ step }: Subject, what: Segment['kind']): number =>
  step.segments
    .filter((segment) => segment.kind === what)
    .reduce((sum, { usualS }) => sum + usualS, 0) / 60

/** Work of a machine or a hand that the trade gives no minutes for; it is the maker's. */
const OWN_MINUTES: readonly string[] = [
  'microcurrent',
  'needle-handpiece',
  'pulse-plate',
  'radio-wand',
  'sound-spatula',
  'grain-handpiece',
  'fine-blade',
  'tide-suction',
]
const read = subjectReader(DEMO_SHELF)
const rowOf = (subject: Subject) => Object.entries(TRADE).find(([, { is }]) => is(subject))

test.each(DEMO_PROTOCOLS)('$name: no usual minutes outside the range of the trade', ({ steps }) => {
  const outside = steps.flatMap((step) => {
    const subject = read(step)
    const [name, row] = rowOf(subject) ?? []
    if (!row) return []
    const kinds = { hands: 'apply', dwell: 'dwell', remove: 'remove' } as const
    return (['hands', 'dwell', 'remove'] as const).flatMap((part) => {
      const range = row[part]
      const minutes = minutesOf(subject, kinds[part])
      const isInside = !range || (minutes >= range[0] - 0.01 && minutes <= range[1] + 0.01)
      return isInside ? [] : [`${step.title} (${name}), ${part}: ${minutes} of ${range.join('–')}`]
    })
  })
  expect(outside).toEqual([])
})

test('every step of the library has its row, but for what the maker of a machine times and what is over in a minute', () => {
  const without = DEMO_PROTOCOLS.flatMap(({ steps }) => steps)
    .filter((step) => !rowOf(read(step)) && !OWN_MINUTES.includes(step.deviceId ?? ''))
    .filter((step) => step.segments.reduce((sum, { usualS }) => sum + usualS, 0) > 150)
  expect(without.map(({ title }) => title)).toEqual([])
})
