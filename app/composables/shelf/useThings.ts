import { refusalOf } from '~/support/api'

/**
 * Things of a list while they are edited: a change is shown at once, so that the next one builds on it, and sent one after another. What the
 * server refuses is said and that one thing taken back. A list that was asked for before the first change is older than it, and is left aside.
 */
export function useThings<T extends { readonly id: string; readonly name?: string }>(
  given: () => readonly T[],
  trouble = ref(''),
) {
  const things = shallowRef<readonly T[]>(given())
  /** How it stands with what was changed: nothing to say before the first change. */
  const state = ref<'' | 'Saving …' | 'Saved' | 'Not saved'>('')
  let waiting = 0
  let touched = false
  let sending: Promise<unknown> = Promise.resolve()
  watch(given, (now) => {
    if (!touched) things.value = now
  })

  const placed = (id: string, thing: T | undefined) => {
    things.value = things.value.some((other) => other.id === id)
      ? things.value.flatMap((other) => (other.id === id ? (thing ?? []) : other))
      : [...things.value, ...(thing ? [thing] : [])]
  }
  /** True when the server has it. */
  function put(thing: T, send: (thing: T) => Promise<unknown>): Promise<boolean> {
    const before = things.value.find((other) => other.id === thing.id)
    touched = true
    waiting++
    state.value = 'Saving …'
    placed(thing.id, thing)
    const sent = sending.then(async () => {
      try {
        await send(thing)
        trouble.value = ''
        if (--waiting === 0) state.value = 'Saved'
        return true
      } catch (error) {
        placed(thing.id, before)
        waiting--
        state.value = 'Not saved'
        trouble.value = `${thing.name ? `${thing.name}: ` : ''}${refusalOf(error).detail}`
        return false
      }
    })
    sending = sent
    return sent
  }
  return { things, trouble, state, put }
}
