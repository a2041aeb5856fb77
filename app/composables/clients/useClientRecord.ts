import type { Concern, Fact, GoalDetails, ProductMemory } from '#core/client'
import { call } from '~/support/api'
import type { ClientDetails } from '~/support/clients'

/** The record of a client, and what is added to it. */
export function useClientRecord(id: string) {
  const params = { id }
  const { shown, trouble, done, change } = useChanges(() => call('/api/clients/:id', { params }))

  const correct = (details: ClientDetails) =>
    change(async () => {
      await call('/api/clients/:id', { method: 'put', params, body: details })
      return true
    })
  const note = (kind: 'note' | 'manner', body: string) =>
    change(() =>
      call('/api/clients/:id/notes', {
        ...{ method: 'post', params },
        body: { id: crypto.randomUUID(), kind, body },
      }),
    )
  const takeBack = (noteId: string) =>
    change(() =>
      call('/api/clients/:id/notes/:noteId', { method: 'delete', params: { id, noteId } }),
    )
  const answer = (fact: Fact) =>
    change(async () => {
      const facts = [{ id: crypto.randomUUID(), fact }]
      await call('/api/clients/:id/facts', { method: 'post', params, body: { facts } })
      return true
    })
  const remember = (memory: ProductMemory, holds: boolean) =>
    change(() =>
      call('/api/clients/:id/memories', { method: 'put', params, body: { memory, holds } }),
    )
  const rank = (concerns: readonly Concern[], details: GoalDetails) =>
    change(() =>
      call('/api/clients/:id/goals', { method: 'put', params, body: { concerns, details } }),
    )
  const merge = (other: string) =>
    change(async () => {
      await call('/api/clients/:id/merge', { method: 'post', params, body: { other } })
      return true
    }, 'They are one client now: both histories are here.')
  return {
    ...clientRights(params, change),
    ...{ record: shown, trouble, done },
    ...{ correct, note, takeBack, answer, remember, rank, merge },
  }
}

type Change = ReturnType<typeof useChanges>['change']

/** What the client may ask of what is kept: that it rests, that it goes. */
function clientRights(params: { readonly id: string }, change: Change) {
  const notErased = ref('')
  const restrict = (why: string | null) =>
    change(
      async () => {
        await call('/api/clients/:id/restriction', { method: 'put', params, body: { why } })
        return true
      },
      why === null ? 'The record is open again.' : 'The record is closed.',
    )
  /** There is nothing to read any more afterwards. */
  async function erase(why: 'asked' | 'by-mistake', password: string) {
    const { trouble: refused, attempt } = useAttempt()
    const body = { why, password }
    const gone = await attempt(() =>
      call('/api/clients/:id/erasure', { method: 'post', params, body }),
    )
    notErased.value = refused.value
    return gone
  }
  return { restrict, erase, notErased }
}
