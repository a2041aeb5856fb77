import { call, refusalOf } from '~/support/api'

/**
 * Devices, supplies or kits while they are edited: a change is shown at once, so that the next one builds on it, and sent one after another.
 * What the server refuses is said and taken back. A list that was asked for before the first change is older than it, and is left aside.
 */
export function useThings<T extends { readonly id: string; readonly name: string }>(given: () => readonly T[], path: string) {
  const things = shallowRef<readonly T[]>(given())
  const trouble = ref('')
  let touched = false
  let sending: Promise<unknown> = Promise.resolve()
  watch(given, (now) => { if (!touched) things.value = now })

  async function send(thing: T, before: readonly T[]): Promise<boolean> {
    try {
      await call(`/api/shelf/${path}/${thing.id}`, { method: 'PUT', body: thing })
      trouble.value = ''
      return true
    } catch (error) {
      things.value = before
      trouble.value = `${thing.name}: ${refusalOf(error).detail}`
      return false
    }
  }
  /** True when the server has it. */
  function put(thing: T): Promise<boolean> {
    const before = things.value
    things.value = before.some((one) => one.id === thing.id) ? before.map((one) => (one.id === thing.id ? thing : one)) : [...before, thing]
    touched = true
    const sent = sending.then(() => send(thing, before))
    sending = sent
    return sent
  }
  return { things, trouble, put }
}
