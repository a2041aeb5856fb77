import type { Concern, Fact } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import { LONG_CLIENT, type DemoVisit } from './story'
import { type Finding, type Lesion, type MeterValue, CHEEKS, FACE, NOSE } from '#core/skin'

// Invented people of an invented studio on an invented island. Any likeness is chance.

export const SALON = {
  name: 'Saltgrass Studio',
  timeZone: 'Etc/UTC',
  currency: 'EUR',
  emergencyNumber: '112',
  address: '3 Ropewalk, Orrin Vey',
  turnoverMinutes: 10,
  measures: 'metric',
} as const
/** Every day, early and late by arrangement. */
export const HOURS_OPEN = Array.from({ length: 7 }, (_, at) => ({
  weekday: at + 1,
  opens: '06:00',
  closes: '22:00',
}))
export const ROOMS = ['Tideline', 'Dune'] as const
export const DEMO_PASSWORD = 'quiet-tide'

export const PEOPLE = [
  {
    name: 'Maren Oduya-Lind',
    email: 'maren@saltgrass.example',
    role: 'owner',
    practitioner: true,
    scope: ['minors', 'lancet', 'rf', 'measured-infusion', 'needling', 'blade'],
  },
  {
    name: 'Anneke Vask',
    email: 'anneke@saltgrass.example',
    role: 'practitioner',
    practitioner: true,
    scope: ['minors'],
  },
  {
    name: 'Ruben Hallow',
    email: 'ruben@saltgrass.example',
    role: 'practitioner',
    practitioner: true,
    scope: ['minors'],
  },
  {
    name: 'Tamsin Brae',
    email: 'tamsin@saltgrass.example',
    role: 'assistant',
    practitioner: false,
    scope: [],
  },
  {
    name: 'Joris Penhale',
    email: 'desk@saltgrass.example',
    role: 'front_desk',
    practitioner: false,
    scope: [],
  },
] as const

type Yes = Partial<Fact> & { code: string }
export interface DemoClient {
  readonly name: string
  readonly bornOn: string
  readonly concerns: readonly Concern[]
  readonly notes: readonly string[]
  /** Answers that are yes, or unknown; every other question was answered no. */
  readonly yes: readonly Yes[]
  readonly unknown?: readonly string[]
  readonly refused?: readonly string[]
  readonly findings: readonly Finding[]
  readonly lesions?: readonly Lesion[]
  readonly meters?: readonly MeterValue[]
  /** Products whose delayed patch test was calm a month ago. */
  readonly tested?: readonly string[]
  /** Products whose delayed patch test was placed the day before yesterday. */
  readonly waits?: readonly string[]
  /** Has not signed the consent to the treatment yet. */
  readonly unsigned?: true
  /** Signed the consent to photographs for the record; each past visit has two. */
  readonly photographed?: true
  /** Nothing is booked for them at present. */
  readonly away?: true
  readonly protocol: string
  /** What is booked for today, where it is another card than usual. */
  readonly today?: string
  /** Skin answers of past visits, the oldest first. */
  readonly past: readonly Partial<SkinAnswer>[]
  /** Noted for this time at the last of them. */
  readonly nextNote?: string
  /** Past visits one by one, in the place of `past`. */
  readonly story?: readonly DemoVisit[]
  /** Days until the next visit of somebody who is away today. */
  readonly nextInDays?: number
}

const seen = (kind: Finding['kind'], grade: number, zones: Finding['zones']): Finding => ({
  kind,
  grade,
  zones,
})
const calm = {}
const pin = (
  id: string,
  x: number,
  y: number,
  zone: Lesion['zone'],
  type: Lesion['type'],
  more: Partial<Lesion> = {},
): Lesion => ({
  id,
  view: 'front',
  x,
  y,
  zone,
  type,
  painful: false,
  deep: false,
  head: true,
  decision: 'ready',
  ...more,
})
const meter = (kind: MeterValue['kind'], zone: MeterValue['zone'], value: number): MeterValue => ({
  kind,
  zone,
  value,
  source: 'probe',
})

export const CLIENTS: readonly DemoClient[] = [
  {
    name: 'Wren Castellane',
    bornOn: '1988-05-14',
    concerns: ['brighten', 'hydrate'],
    notes: ['Likes it quiet'],
    yes: [],
    findings: [
      seen('congestion', 2, [...NOSE, 'chin']),
      seen('dehydrated', 1, ['cheek-left', 'cheek-right']),
    ],
    meters: [
      meter('hydration', 'cheek-left', 38),
      meter('sebum', 'nose-bridge', 61),
      meter('L', 'cheek-left', 66),
      meter('a', 'cheek-left', 10),
      meter('b', 'cheek-left', 16),
    ],
    protocol: 'brightening',
    past: [calm, calm, { redness: 1, rednessHours: 3 }],
  },
  {
    name: 'Odalys Fenwick-Rao',
    bornOn: '1979-02-02',
    concerns: ['calm', 'hydrate'],
    notes: [],
    yes: [{ code: 'melasma' }, { code: 'phototype-iv-vi' }],
    findings: [seen('patchy-pigment', 2, [...CHEEKS])],
    protocol: 'set-mask',
    past: [calm, calm],
    nextNote: 'Warmer towels; ask how the new pillow helped her neck',
  },
  {
    name: 'Bastian Okoro',
    today: 'mixed-bowl',
    bornOn: '1995-09-30',
    concerns: ['clarify'],
    notes: ['Full beard'],
    yes: [{ code: 'facial-hair' }, { code: 'phototype-iv-vi' }],
    findings: [seen('inflamed', 2, ['chin']), seen('ingrown', 1, ['neck-front'])],
    protocol: 'clarifying',
    past: [calm, { stinging: 6 }, calm],
    nextNote: 'Shaves on the morning of the visit: ask again for the evening before',
  },
  {
    name: 'Ingrid Solvay',
    bornOn: '1948-11-19',
    concerns: ['firm', 'hydrate'],
    notes: ['Pacemaker since 2019', 'Needs the bed raised slowly'],
    yes: [
      { code: 'implant-electronic' },
      { code: 'medicine:warfarin' },
      { code: 'medicine:hydrochlorothiazide' },
      { code: 'worn-metal' },
      { code: 'cold-urticaria' },
      { code: 'diabetes' },
    ],
    findings: [
      seen('sensitive', 1, [...CHEEKS]),
      seen('dry', 2, [...FACE]),
      seen('laxity', 2, ['jaw-left', 'jaw-right']),
    ],
    protocol: 'set-mask',
    past: [calm, calm, calm, calm],
    nextNote: 'Ask for the list of what her physician changed',
  },
  {
    name: 'Pilar Nwosu',
    bornOn: '1991-07-08',
    concerns: ['hydrate', 'calm'],
    notes: ['Due in spring'],
    yes: [{ code: 'pregnancy' }],
    findings: [],
    protocol: 'brightening',
    past: [calm, calm],
  },
  {
    name: 'Theo Lindqvist',
    bornOn: '2009-04-21',
    concerns: ['clarify'],
    notes: ['School on weekdays until three'],
    yes: [],
    findings: [seen('inflamed', 2, [...CHEEKS, 'chin']), seen('deep-lesion', 1, ['chin'])],
    lesions: [
      pin('t1', 0.56, 0.8, 'chin', 'nodule', {
        painful: true,
        deep: true,
        head: false,
        decision: 'leave',
      }),
      pin('t2', 0.3, 0.62, 'cheek-right', 'pustule', { outcome: 'emptied' }),
      pin('t3', 0.66, 0.58, 'cheek-left', 'papule', { head: false, decision: 'leave' }),
      pin('t4', 0.48, 0.5, 'nose-bridge', 'open-comedone', { outcome: 'partly' }),
    ],
    protocol: 'clarifying',
    past: [calm, calm],
  },
  {
    name: 'Marguerite Abiola',
    bornOn: '1966-01-27',
    concerns: ['smooth', 'brighten'],
    notes: [],
    yes: [{ code: 'lash-extensions' }],
    findings: [seen('resilient', 1, [...FACE])],
    tested: ['glycolic-peel'],
    protocol: 'acid',
    past: [calm, calm, calm, { redness: 3, rednessHours: 48, stinging: 7 }],
  },
  {
    name: 'Caspian Hurst',
    bornOn: '1983-12-05',
    concerns: ['calm'],
    notes: ['Uses a wheelchair: Tideline has the level door'],
    yes: [{ code: 'allergy:fragrance', reaction: 'rash' }],
    findings: [seen('flushing', 3, [...CHEEKS]), seen('vessels', 1, [...NOSE])],
    protocol: 'brightening',
    past: [calm, calm],
  },
  {
    name: 'Yuna Delacroix',
    bornOn: '1999-03-16',
    concerns: ['clarify', 'smooth'],
    notes: ['Needle-shy'],
    yes: [{ code: 'cold-sore-history' }],
    refused: ['kelp-set-mask'],
    waits: ['mandelic-peel'],
    photographed: true,
    findings: [seen('congestion', 3, [...NOSE, 'forehead', 'chin'])],
    protocol: 'acid',
    past: [calm, calm, calm],
  },
  {
    name: 'Hollis Marchetti',
    bornOn: '1972-08-11',
    concerns: ['brighten', 'firm'],
    notes: ['Gets uneasy under covers'],
    unsigned: true,
    yes: [],
    unknown: ['metal', 'isotretinoin', 'photosensitiser-weak'],
    findings: [],
    protocol: 'clarifying',
    past: [calm, calm],
  },
  {
    name: 'Evander Quill',
    bornOn: '1990-06-03',
    concerns: ['clarify', 'hydrate'],
    notes: ['Beard; strokes down', 'On holiday until the new year'],
    away: true,
    yes: [{ code: 'facial-hair' }],
    refused: ['dune-cream'],
    findings: [seen('congestion', 1, [...NOSE])],
    protocol: 'grain',
    past: [calm, calm],
  },
  {
    name: 'Seraphine Dovey',
    bornOn: '1957-10-12',
    concerns: ['firm', 'hydrate'],
    notes: ['Dry neck; likes it slow', 'Comes again in spring'],
    away: true,
    yes: [],
    findings: [seen('dry', 2, ['neck-front', 'neck-side-left', 'neck-side-right'])],
    protocol: 'neck',
    past: [calm, calm],
  },
  LONG_CLIENT,
]
