import { daysBetween } from '../client/facts'
import type { PatchTest } from '../client/model'
import { hasTwoCalm } from '../climb'
import { byKind } from '../kinds'
import type { Evidence } from './rule'
import type { KnownFacts } from './situation'

/** E09: a patch test counts for this many days. */
const PATCH_TEST_DAYS = 183
/** Products whose delayed patch test was read, calm, and is not too old; sorted. A quick check is no allergy test. */
export function passedTests(tests: readonly PatchTest[], date: string): string[] {
  const calm = tests.filter(
    (test) =>
      test.kind === 'delayed' &&
      test.result === 'calm' &&
      test.readOn !== undefined &&
      test.readOn <= date &&
      daysBetween(test.readOn, date) <= PATCH_TEST_DAYS,
  )
  const reacted = new Set(
    tests.filter((test) => test.result === 'reacted').map((test) => test.productId),
  )
  return [...new Set(calm.map((test) => test.productId))].filter((id) => !reacted.has(id)).sort()
}

/** True where there is the evidence that a rule asks for. */
export const holds = byKind<Evidence, [known: KnownFacts], boolean>({
  clearance: ({ id }, { situation }) => isCleared(id, situation),
  'guardian-consent': (_, { facts, situation }) => {
    const consent = facts.get('guardian-consent')
    return consent?.answer === 'yes' && consent.on !== undefined && consent.on <= situation.date
  },
  // Zone by zone: see `elsewhere` in fire.
  resilient: () => false,
  scope: ({ technique }, { situation }) =>
    situation.practitioner?.scope.includes(technique) ?? false,
  'two-calm': ({ levers }, { situation: { history, date } }) =>
    levers.every((lever) => hasTwoCalm(lever, history, date)),
  'said-yes': ({ code }, { facts }) => facts.get(code)?.answer === 'yes',
  // Product by product: see `targetOf`.
  'patch-test': () => false,
})

const isCleared = (id: string, { client, date }: KnownFacts['situation']): boolean =>
  client.clearances.some(
    ({ clearance, on, until }) =>
      clearance === id && on <= date && (until === undefined || until >= date),
  )
