import { describe, expect, test } from 'vitest'
import { protocolOf } from '../../tests/situations'
import { ACID, BRIGHTENING, CLARIFYING, DEMO_PROTOCOLS } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { subjectReader } from '../safety'
import { lint, type Segment, type Step } from '.'

// Wrong orders of the trade (common practice, no source): each once broken, and once mended.
const read = subjectReader(DEMO_SHELF)
const found = (steps: readonly Step[], daytime = true) => lint(steps.map(read), daytime).map((finding) => finding.id)
const without = (protocol: typeof ACID, ...ids: string[]) => protocol.steps.filter((step) => !ids.includes(step.id))
const changed = (protocol: typeof ACID, id: string, change: (step: Step) => Partial<Step>) => protocol.steps.map((step) => (step.id === id ? { ...step, ...change(step) } : step))
const segments = (step: Step, change: (segment: Segment) => Segment | undefined) => ({ segments: step.segments.flatMap((segment) => change(segment) ?? []) })
const moved = (protocol: typeof ACID, id: string, to: number) => {
  const rest = without(protocol, id)
  return [...rest.slice(0, to), protocol.steps.find((step) => step.id === id)!, ...rest.slice(to)]
}
const steam = CLARIFYING.steps.find((step) => step.id === 'steam')!

const BROKEN: readonly (readonly [id: string, what: string, steps: readonly Step[]])[] = [
  ['L01', 'a mask without a way off', changed(BRIGHTENING, 'kelp', (step) => segments(step, (segment) => (segment.kind === 'remove' ? undefined : segment)))],
  ['L02', 'an acid without its neutraliser', without(ACID, 'neutralise')],
  ['L02', 'a neutraliser that comes later than directly after', moved(ACID, 'neutralise', 9)],
  ['L03', 'an alkaline wash untoned', without(CLARIFYING, 'tone-1')],
  ['L04', 'steam in an acid visit', [...ACID.steps.slice(0, 6), steam, ...ACID.steps.slice(6)]],
  ['L05', 'an acid taken off warm', changed(ACID, 'peel', (step) => segments(step, (segment) => (segment.kind === 'remove' ? { ...segment, temperature: 'warm' } : segment)))],
  ['L06', 'extraction before anything softened', without(CLARIFYING, 'steam', 'scrub')],
  ['L07', 'nothing calming after extraction', without(CLARIFYING, 'hf', 'clearing', 'clay', 'oat')],
  ['L08', 'eye care after the moisturiser', moved(CLARIFYING, 'eye', CLARIFYING.steps.length - 2)],
  ['L09', 'a tightening mask over the eye contour', changed(BRIGHTENING, 'kelp', (step) => ({ properties: ['tightening'], zones: [...step.zones, 'eye-contour'] }))],
  ['L10', 'an active dwell past its own maximum', changed(BRIGHTENING, 'enzyme', (step) => segments(step, (segment) => (segment.active ? { ...segment, usualS: segment.maxS + 60 } : segment)))],
  ['L11', 'a day without sun filter', without(ACID, 'sun')],
  ['L12', 'a flammable lotion left on under high frequency', changed(CLARIFYING, 'tone-1', () => ({ product: { productId: 'thyme-spirit', useId: 'tone' } }))],
]

describe('wrong orders', () => {
  test.each(BROKEN)('%s: %s', (id, _what, steps) => expect(found(steps)).toContain(id))
  test.each(DEMO_PROTOCOLS.map((protocol) => [protocol.name, protocol] as const))('%s is free of them as written', (_name, protocol) => {
    expect(lint(protocol.steps.map(read), true).filter((finding) => finding.level === 'wrong')).toEqual([])
  })
})

describe('what is no fault', () => {
  test('an evening without sun filter', () => expect(found(without(ACID, 'sun'), false)).not.toContain('L11'))
  test('a visit that treats nothing needs no sun filter', () => expect(found(protocolOf(CLARIFYING.steps.find((step) => step.id === 'bye')!).steps)).toEqual([]))
  test('high frequency before the lotion', () => expect(found([...CLARIFYING.steps.slice(0, 9), { ...CLARIFYING.steps[3]!, id: 'later', product: { productId: 'thyme-spirit', useId: 'tone' } }, ...CLARIFYING.steps.slice(9)])).not.toContain('L12'))
  test('a leave-on without a way off', () => expect(found(BRIGHTENING.steps)).not.toContain('L01'))
  test('steam and acid on zones that do not meet', () => {
    const away = { ...steam, zones: ['neck' as const], segments: steam.segments }
    expect(found([...ACID.steps.slice(0, 6), away, ...ACID.steps.slice(6)])).not.toContain('L04')
  })
  test('every finding says what to do', () => {
    for (const [, , steps] of BROKEN) for (const finding of lint(steps.map(read), true)) expect([finding.says, finding.fix].every((text) => text.endsWith('.'))).toBe(true)
  })
})
