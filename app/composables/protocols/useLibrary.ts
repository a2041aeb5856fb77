import { call, refusalOf } from '~/support/api'
import { chosenText } from '~/support/files'
import type { Shelved } from '~/support/protocols/library'

const MOST_FILE_BYTES = 2_000_000

/** What a new protocol begins from. */
export type Origin =
  { readonly from: 'nothing' } | { readonly from: 'protocol'; readonly id: string }

/** The library: its protocols, and what is done with one. `trouble`, `notice`: why not, and what happened. */
export function useLibrary() {
  const protocols = ref<Shelved[]>()
  const notice = ref('')
  const undoing = ref<Shelved>()
  const { trouble, attempt } = useAttempt()

  const load = () =>
    attempt(async () => {
      protocols.value = await call('/api/protocols')
    })
  const act = (work: () => Promise<void>) => {
    trouble.value = notice.value = ''
    return attempt(work)
  }
  const create = (origin: Origin, name: string) =>
    act(async () => {
      const body = { ...origin, name }
      const { id } = await call('/api/protocols', { method: 'post', body })
      await navigateTo(`/protocols/${id}`)
    })
  const putAway = (protocol: Shelved, archived: boolean) =>
    act(async () => {
      const { id, name } = protocol
      await call('/api/protocols/:id/archived', {
        method: 'put',
        params: { id },
        body: { archived },
      })
      await load()
      undoing.value = archived ? protocol : undefined
      notice.value = archived
        ? `${name} is put away; what is booked keeps it.`
        : `${name} is back in the library.`
    })

  const takeIn = useTakeIn({ trouble, notice, load })
  return { protocols, trouble, notice, undoing, load, create, putAway, takeIn }
}

interface Taking {
  readonly trouble: Ref<string>
  readonly notice: Ref<string>
  readonly load: () => Promise<unknown>
}

/** Takes a protocol file in as a draft; what it names and the shelf lacks is notice. */
function useTakeIn({ trouble, notice, load }: Taking) {
  /** What a file holds, or undefined with the reason in `trouble`. */
  async function readFile(event: Event): Promise<unknown> {
    const chosen = await chosenText(event, { bytes: MOST_FILE_BYTES, what: 'a protocol file' })
    if (!chosen) return undefined
    if ('trouble' in chosen) return void (trouble.value = chosen.trouble)
    try {
      return JSON.parse(chosen.text) as unknown
    } catch (error) {
      trouble.value = `${chosen.name} is not JSON: ${(error as Error).message}. Nothing was taken in.`
      return undefined
    }
  }
  return async function takeIn(event: Event) {
    trouble.value = notice.value = ''
    const file = await readFile(event)
    if (file === undefined) return
    try {
      const body = { from: 'file', file }
      const { id, missing } = await call('/api/protocols', { method: 'post', body })
      if (missing.length === 0) return void (await navigateTo(`/protocols/${id}`))
      await load()
      notice.value = `Taken in as a draft. Not on your shelf: ${missing.join(', ')}. Open it and choose what stands in.`
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
}
