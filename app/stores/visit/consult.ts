import { z } from 'zod'
import type { CompileInput } from '#core/adapt'
import type { Clearance, Concern, Fact, GoalDetails, PatchTest } from '#core/client'
import type { Outgoing } from '~/support/outbox-db'
import { call } from '~/support/api'
import type { Consent, ConsentText } from '../visit-data'
import type { VisitCore } from './core'

const newId = () => crypto.randomUUID()

/** What is answered, cleared, tested and signed on Consult. */
export function consultChanges(core: VisitCore) {
  const client = () => core.data.value!.input.client
  const asClient = (more: Partial<CompileInput['client']>) => ({ client: { ...client(), ...more } })

  function answer(facts: readonly Fact[]) {
    const known = client().facts
    return core.change(asClient({ facts: [...known, ...facts] }), 'POST', 'facts', (waiting) => ({
      facts: facts.map((fact) => ({ id: newId(), fact, ...seenOf(fact.code, known, waiting) })),
    }))
  }
  const rank = (concerns: Concern[], details: GoalDetails) => {
    const seen = { concerns: client().concerns, details: client().goalDetails ?? {} }
    const goals = { concerns, details }
    return core.change(asClient({ concerns, goalDetails: details }), 'PUT', 'goals', {
      ...goals,
      seen,
    })
  }
  const clear = (clearance: Clearance) =>
    core.change(
      asClient({ clearances: [...client().clearances, clearance] }),
      'POST',
      'clearances',
      { id: newId(), clearance },
    )
  const takeIntake = (intake: unknown) =>
    core.saveAndReload(() =>
      call('/api/visits/:id/intake', { method: 'post', params: core.params(), body: intake }),
    )
  return {
    answer,
    rank,
    clear,
    takeIntake,
    ...patchTests(core, asClient),
    ...consents(core, asClient),
  }
}

const Told = z.object({
  facts: z.array(
    z.object({
      id: z.string(),
      fact: z.object({ code: z.string() }),
      seen: z.enum(['yes', 'no', 'unknown']).nullable(),
    }),
  ),
})
/**
 * What stood at the server when a question was answered, and the answers given here since then that are not sent yet: where somebody else was told
 * otherwise meanwhile, neither word goes over the other.
 */
function seenOf(code: string, known: readonly Fact[], waiting: readonly Outgoing[]) {
  const own = waiting
    .flatMap(({ body }) => Told.safeParse(body).data?.facts ?? [])
    .filter(({ fact }) => fact.code === code)
  const first = own[0]
  const seen = first ? first.seen : (known.findLast((fact) => fact.code === code)?.answer ?? null)
  return { seen, own: own.map(({ id }) => id) }
}

type AsClient = (more: Partial<CompileInput['client']>) => Partial<CompileInput>

function patchTests({ data, change }: VisitCore, asClient: AsClient) {
  async function placeTest(test: PatchTest) {
    const id = newId()
    const known = data.value!.input.client.patchTests
    data.value!.patchTests = [...data.value!.patchTests, { ...test, id }]
    return change(asClient({ patchTests: [...known, test] }), 'POST', 'patch-tests', { id, test })
  }
  async function readTest(id: string, result: 'calm' | 'reacted', readOn: string) {
    const tests = data.value!.patchTests.map((test) =>
      test.id === id ? { ...test, result, readOn } : test,
    )
    data.value!.patchTests = tests
    const known = tests.map(({ id: _id, ...test }) => test)
    const body = { result, readOn }
    return change(asClient({ patchTests: known }), 'PUT', `patch-tests/${id}`, body)
  }
  return { placeTest, readTest }
}

function consents({ data, change }: VisitCore, asClient: AsClient) {
  async function signConsent(
    text: ConsentText,
    signer: string,
    relation: Consent['relation'],
    signature: string,
  ) {
    const id = newId()
    const signedOn = data.value!.input.date
    const consent = { ...text, id, signer, relation, signedOn, withdrawnOn: null, signature }
    data.value!.consents = [consent, ...data.value!.consents]
    const facts = [...data.value!.input.client.facts, ...guardianFact(consent)]
    const factId = newId()
    const body = { id, factId, textId: text.id, signer, relation, signedOn, signature }
    return change(asClient({ facts }), 'POST', 'consents', body)
  }
  /** With a guardian's last consent the answer that the rules ask for goes too. */
  function withdrawConsent(id: string) {
    const on = data.value!.input.date
    const all = data.value!.consents.map((one) =>
      one.id === id ? { ...one, withdrawnOn: on } : one,
    )
    data.value!.consents = all
    const isLast = !all.some(({ kind, withdrawnOn }) => kind === 'guardian' && !withdrawnOn)
    const isGuardian = all.some((one) => one.id === id && one.kind === 'guardian')
    const gone: Fact[] =
      isGuardian && isLast ? [{ code: 'guardian-consent', answer: 'no', askedOn: on }] : []
    const facts = [...data.value!.input.client.facts, ...gone]
    return change(asClient({ facts }), 'DELETE', `consents/${id}`, { on, factId: newId() })
  }
  return { signConsent, withdrawConsent }
}

/** A guardian's signature is the answer that the rules ask for. */
function guardianFact({ kind, signedOn, signer }: Consent): Fact[] {
  if (kind !== 'guardian') return []
  const code = 'guardian-consent'
  return [{ code, answer: 'yes', askedOn: signedOn, on: signedOn, note: signer }]
}
