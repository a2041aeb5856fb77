import type { CompileInput } from '#core/adapt'
import { answerByMedicines, KNOWN, QUESTIONS, type Fact } from '#core/client'
import type { ProtocolVersion } from '#core/protocol'
import { CLIENTS } from '../demo/people'
import { DEMO_PROTOCOLS } from '../demo/protocols'
import { DEMO_SHELF } from '../demo/shelf'
import { CALM, TODAY } from './situations'

const FIRST = '2026-09-01'

/** A client of the demo on the day of the tests: what they answered, what was read, what they refused; every lever of the card tolerated twice. */
export function demoVisit(
  name: string,
  protocol: ProtocolVersion,
  more: Partial<CompileInput> = {},
): CompileInput {
  const demo = CLIENTS.find((one) => one.name === name)!
  const said = new Map<string, Fact>(
    demo.yes.map((fact) => [fact.code, { ...fact, answer: 'yes', askedOn: FIRST }]),
  )
  const rest = [...QUESTIONS.map((question) => question.code), 'allergy:any'].filter(
    (code) => !said.has(code) && !demo.unknown?.includes(code) && code !== 'guardian-consent',
  )
  const minor = demo.bornOn > '2008'
  const facts: Fact[] = [
    ...said.values(),
    ...rest.map(
      (code) =>
        answerByMedicines(code, said, KNOWN, FIRST) ?? {
          code,
          answer: 'no' as const,
          askedOn: TODAY,
        },
    ),
    ...(minor
      ? [{ code: 'guardian-consent', answer: 'yes' as const, askedOn: TODAY, on: TODAY }]
      : []),
  ]
  const levers = protocol.steps
    .flatMap((step) => (step.lever ? [step.lever] : []))
    .map(({ lever, rung }) => ({ lever, rung }))
  return {
    protocol,
    shelf: DEMO_SHELF,
    overrides: [],
    slotMinutes: 180,
    date: TODAY,
    daytime: true,
    practitioner: { scope: ['minors'], hazards: [] },
    client: {
      id: demo.name,
      name: demo.name,
      bornOn: demo.bornOn,
      facts,
      memories: (demo.refused ?? []).map((productId) => ({
        productId,
        memory: 'refused' as const,
        on: FIRST,
      })),
      clearances: [],
      patchTests: (demo.tested ?? []).map((productId) => ({
        productId,
        kind: 'delayed' as const,
        zone: 'ears' as const,
        placedOn: FIRST,
        readOn: FIRST,
        result: 'calm' as const,
      })),
      concerns: [...demo.concerns],
    },
    reading: {
      done: true,
      findings: [...demo.findings],
      lesions: [...(demo.lesions ?? [])],
      meters: [],
    },
    history: ['2026-08-24', '2026-10-01'].map((on) => ({ on, answer: CALM, levers })),
    ...more,
  }
}

export const cardOf = (protocolId: string): ProtocolVersion =>
  DEMO_PROTOCOLS.find((one) => one.protocolId === protocolId)!
