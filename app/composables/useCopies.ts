import { call } from '~/support/api'

/** Copies of everything: the newest, where they can be put, and one made now. */
export function useCopies() {
  const { shown: copies, trouble, done, change } = useChanges(() => call('/api/copies'))
  const make = () =>
    change(() => call('/api/copies', { method: 'post', body: {} }), 'A copy was made.')
  return { copies, trouble, done, make }
}
