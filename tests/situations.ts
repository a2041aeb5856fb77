import type { Lesion, Finding, FindingKind, Reading, ZoneId } from '#core/skin'
import type { Situation } from '#core/safety'
import { LEVERS, segment } from '#core/protocol'
import { compile, type CompileInput } from '#core/adapt'
import { QUESTIONS, type Client, type Fact } from '#core/client'
import type { PastVisit, SkinAnswer } from '#core/climb'
import type { ProtocolVersion, Step } from '#core/protocol'
import { CHEEKS } from '#core/skin'
import { BRIGHTENING, SHELF } from './fixtures'

export const TODAY = '2026-11-24'
export const CALM: SkinAnswer = {
  redness: 0,
  rednessHours: 0,
  stinging: 0,
  swelling: false,
  blisters: false,
  weeping: false,
  burn: false,
  darkMark: false,
  coldSore: false,
  after: [],
  still: false,
  zones: [],
}

/** What is true of one day only is asked today. */
const askedOn = (code: string, date: string): string =>
  QUESTIONS.some((question) => question.code === code && question.ofTheDay) ? TODAY : date
export const no = (code: string): Fact => ({
  code,
  answer: 'no',
  askedOn: askedOn(code, '2026-11-01'),
})
export const yes = (code: string, more: Partial<Fact> = {}): Fact => ({
  code,
  answer: 'yes',
  askedOn: askedOn(code, '2026-11-20'),
  ...more,
})
export const ALL_NO: readonly Fact[] = [
  ...QUESTIONS.filter((question) => question.code !== 'guardian-consent').map((question) =>
    no(question.code),
  ),
  no('allergy:any'),
]
export const seen = (kind: FindingKind, grade = 2, zones: readonly ZoneId[] = CHEEKS): Finding => ({
  kind,
  grade,
  zones: [...zones],
})

export const readingOf = (...findings: Finding[]): Reading => ({
  done: true,
  findings,
  lesions: [],
  meters: [],
})

/** Rungs that every lever has tolerated, so that E02 stays out of the way of what a test is about. */
export const TOLERATED: readonly PastVisit[] = ['2026-09-24', '2026-10-24'].map((on, at) => ({
  on,
  answer: CALM,
  levers: (
    [
      'acid',
      'enzyme',
      'steam',
      'extraction',
      'pressure',
      'current',
      'exfoliation',
      'suction',
      'retinoid',
    ] as const
  ).map((lever) => ({ lever, rung: at === 0 ? 3 : 4 })),
}))

export function client(facts: readonly Fact[] = [], more: Partial<Client> = {}): Client {
  return {
    id: 'client',
    name: 'Invented Client',
    bornOn: '1990-01-01',
    facts: [...ALL_NO, ...facts],
    memories: [],
    clearances: [],
    patchTests: [],
    concerns: ['hydrate'],
    ...more,
  }
}

export function input(more: Partial<CompileInput> = {}): CompileInput {
  return {
    protocol: BRIGHTENING,
    client: client(),
    reading: readingOf(),
    history: TOLERATED,
    shelf: SHELF,
    overrides: [],
    slotMinutes: 90,
    date: TODAY,
    daytime: true,
    practitioner: { scope: ['minors'], hazards: [] },
    ...more,
  }
}

export const planFor = (more: Partial<CompileInput> = {}) => compile(input(more))

/** A protocol of just these steps. */
export const protocolOf = (...steps: Step[]): ProtocolVersion => ({
  ...BRIGHTENING,
  id: 'test-v1',
  protocolId: 'test',
  steps,
})

/** What the rules are asked: answers, findings, past visits and lesions of somebody, by day, with every lever. */
export const situationOf = (
  facts: readonly Fact[],
  findings: readonly Finding[],
  history: readonly PastVisit[] = [],
  lesions: readonly Lesion[] = [],
): Situation => ({
  client: client(facts),
  reading: { ...readingOf(...findings), lesions: [...lesions] },
  history,
  levers: LEVERS.map((lever) => ({ lever, rung: 4 })),
  date: TODAY,
  daytime: true,
})

/** The brightening card with a quick check of its enzyme before it. */
const QUICK_CHECK: Step = {
  id: 'check',
  phase: 'analysis',
  title: 'Quick check',
  zones: ['ears'],
  properties: [],
  segments: [segment('wait', 'apply', 2)],
  essential: true,
  priority: 5,
  gate: 'quick-check',
  checks: 'enzyme',
}
const CHECK_AT = 5
export const CHECKED = protocolOf(
  ...BRIGHTENING.steps.slice(0, CHECK_AT),
  QUICK_CHECK,
  ...BRIGHTENING.steps.slice(CHECK_AT),
)
