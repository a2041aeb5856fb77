import type { CompileInput } from '#core/adapt'
import type { Clearance, Concern, Fact, GoalDetails, PatchTest } from '#core/client'
import { call } from '~/support/api'
import type { Consent, ConsentText } from '../visit-data'
import type { VisitCore } from './core'

const newId = () => crypto.randomUUID()

/** What is answered, cleared, tested and signed on Consult. */
export function consultChanges(core: VisitCore) {
  const client = () => core.data.value!.input.client
  const asClient = (more: Partial<CompileInput['client']>) => ({ client: { ...client(), ...more } })

  const answer = (facts: readonly Fact[]) =>
    core.change(asClient({ facts: [...client().facts, ...facts] }), 'POST', 'facts', {
      facts: facts.map((fact) => ({ id: newId(), fact })),
    })
  const rank = (concerns: Concern[], details: GoalDetails) =>
    core.change(asClient({ concerns, goalDetails: details }), 'PUT', 'goals', { concerns, details })
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

function consents({ data, change, put, reload }: VisitCore, asClient: AsClient) {
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
  async function withdrawConsent(id: string) {
    const body = { on: data.value!.input.date, factId: newId() }
    if (await put('DELETE', `consents/${id}`, body)) await reload()
  }
  return { signConsent, withdrawConsent }
}

/** A guardian's signature is the answer that the rules ask for. */
function guardianFact({ kind, signedOn, signer }: Consent): Fact[] {
  if (kind !== 'guardian') return []
  const code = 'guardian-consent'
  return [{ code, answer: 'yes', askedOn: signedOn, on: signedOn, note: signer }]
}
