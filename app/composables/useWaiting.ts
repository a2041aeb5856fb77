import { call, refusalOf, type Reply } from '~/support/api'

export type WaitingChange = Reply<'/api/outbox'>[number]

/** What tablets brought after their sessions had ended: an owner says whether it is taken in. Asked once a page, and after each word. */
export function useWaiting() {
  const session = useSessionStore()
  const waiting = useState<WaitingChange[]>('waiting', () => [])
  const trouble = ref('')

  async function ask() {
    if (!session.can('outbox.decide')) {
      waiting.value = []
      return
    }
    try {
      waiting.value = await call('/api/outbox')
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
  async function decide(id: string, take: boolean) {
    trouble.value = ''
    try {
      await call('/api/outbox/:id', { method: 'put', params: { id }, body: { take } })
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
    await ask()
  }
  watch(() => session.account?.id, ask, { immediate: true })
  return { waiting, trouble, decide }
}
