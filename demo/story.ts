import type { Fact } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import type { HomeUse } from '#core/homecare'
import type { RunBody } from '#core/perform'
import { CHEEKS, FOREHEAD, type Finding, type Lesion } from '#core/skin'
import type { ProductKind } from '#core/catalog'
import type { DemoClient } from './people'

/** What was said while a past visit ran, of the first step with a product of that kind, or of that phase. */
export interface Said {
  readonly kind?: ProductKind
  readonly phase?: string
  readonly minute: number
  readonly body: Record<string, unknown> & { readonly type: RunBody['type'] }
}
/** One past visit of a demo client. */
export interface DemoVisit {
  readonly daysAgo: number
  readonly protocol?: string
  readonly findings?: readonly Finding[]
  readonly lesions?: readonly Lesion[]
  readonly light?: string
  /** As told two days later; left out: calm. */
  readonly answer?: Partial<SkinAnswer>
  readonly said?: readonly Said[]
  readonly note?: string
  readonly nextNote?: string
  /** Asked anew that day. */
  readonly facts?: readonly Omit<Fact, 'askedOn'>[]
  readonly refused?: string
  /** What they said they use at home; a plan is then given for it. */
  readonly home?: readonly HomeUse[]
}

const EVERY_DAY: Pick<HomeUse, 'times' | 'perWeek' | 'prescribed'> = {
  ...{ times: ['morning', 'evening'], perWeek: 7, prescribed: false },
}
const LAMP = 'ring lamp, 1 m, no window'
const seen = (kind: Finding['kind'], grade: number, zones: Finding['zones']): Finding => ({
  ...{ kind, grade, zones },
})
/** A skin by three grades: pigment on the cheeks, lines on the forehead, redness beside the nose; 0 is not seen. */
const skin = (pigment: number, lines: number, redness: number): Finding[] => [
  ...(pigment ? [seen('patchy-pigment', pigment, [...CHEEKS])] : []),
  ...(lines ? [seen('lines', lines, [...FOREHEAD])] : []),
  ...(redness ? [seen('flushing', redness, ['cheek-left', 'cheek-right'])] : []),
]
const spot = (id: string, x: number, more: Partial<Lesion>): Lesion => ({
  ...{ id, view: 'front', x, y: 0.82, zone: 'chin', type: 'closed-comedone' },
  ...{ painful: false, deep: false, head: true, decision: 'ready' },
  ...more,
})

/** Fourteen months of one client, with a pause in it: what a long ladder is for. */
const LONG_STORY: readonly DemoVisit[] = [
  { daysAgo: 422, findings: skin(4, 2, 1), light: 'window, noon' },
  { daysAgo: 387, findings: skin(4, 2, 1), light: 'window, noon' },
  { daysAgo: 268, findings: skin(4, 2, 1), light: LAMP, note: 'Back after the winter' },
  {
    ...{ daysAgo: 239, protocol: 'acid', findings: skin(3, 2, 1), light: LAMP },
    said: [{ phase: 'massage', minute: 1, body: { type: 'note', text: 'Asleep by the mask' } }],
  },
  {
    ...{ daysAgo: 206, protocol: 'acid', findings: skin(3, 2, 1), light: LAMP },
    facts: [{ code: 'medicine:doxycycline', answer: 'yes' }],
  },
  {
    ...{ daysAgo: 171, findings: skin(3, 1, 1), light: LAMP },
    facts: [{ code: 'lash-extensions', answer: 'yes' }],
    said: [
      {
        ...{ phase: 'massage', minute: 0 },
        body: { type: 'skipped', reason: 'Evening plans, no oil in the hair' },
      },
    ],
    refused: 'dune-cream',
  },
  {
    ...{ daysAgo: 136, protocol: 'acid', findings: skin(2, 1, 1), light: LAMP },
    facts: [{ code: 'medicine:doxycycline', answer: 'no' }],
  },
  {
    ...{ daysAgo: 101, protocol: 'acid', findings: skin(2, 1, 1), light: LAMP },
    answer: { redness: 3, rednessHours: 40, stinging: 4 },
    said: [
      { kind: 'acid', minute: 2, body: { type: 'sensation', sensation: 'stinging', beyond: true } },
    ],
    nextNote: 'Ask after the sun on the boat before anything sour',
  },
  {
    ...{ daysAgo: 66, protocol: 'acid', findings: skin(2, 1, 2), light: LAMP },
    lesions: [
      spot('n1', 0.47, { outcome: 'emptied' }),
      spot('n2', 0.52, { outcome: 'emptied' }),
      spot('n3', 0.56, { outcome: 'left', type: 'papule', head: false, decision: 'leave' }),
    ],
  },
  {
    ...{ daysAgo: 31, findings: skin(1, 1, 1), light: LAMP },
    note: 'Much brighter under the lamp; says so herself',
    nextNote: 'Wedding in the family in spring: plan backwards from it',
    home: [
      { role: 'cleanser', name: 'Oat Milk Cleanser', productId: 'oat-cleanser', ...EVERY_DAY },
      { role: 'scrub', name: 'Sugar scrub', times: ['evening'], perWeek: 1, prescribed: false },
      { role: 'lip', name: 'Lip balm', ...EVERY_DAY },
    ],
  },
]

export const LONG_CLIENT: DemoClient = {
  name: 'Isaura Penhallow',
  bornOn: '1985-09-23',
  concerns: ['brighten', 'smooth'],
  notes: ['Likes it quiet, no scent'],
  away: true,
  nextInDays: 17,
  yes: [{ code: 'phototype-iv-vi' }],
  tested: ['glycolic-peel'],
  photographed: true,
  findings: [],
  protocol: 'brightening',
  past: [],
  story: LONG_STORY,
}
