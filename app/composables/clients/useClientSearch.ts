import { call, refusalOf, type Reply } from '~/support/api'

export type ListedClient = Reply<'/api/clients'>['clients'][number]

/** Clients, found while one types: the answer to the last letter counts, whenever it comes. More of them a page at a time. */
export function useClientSearch() {
  const find = ref('')
  const clients = ref<ListedClient[]>()
  const hasMore = ref(false)
  const trouble = ref('')
  let asked = 0

  async function ask(after?: ListedClient) {
    const number = ++asked
    const place = after ? { afterName: after.name, afterId: after.id } : {}
    try {
      const page = await call('/api/clients', { query: { find: find.value, ...place } })
      if (number !== asked) return
      clients.value = after ? [...(clients.value ?? []), ...page.clients] : page.clients
      hasMore.value = page.hasMore
      trouble.value = ''
    } catch (error) {
      if (number === asked) trouble.value = refusalOf(error).detail
    }
  }
  const more = () => ask(clients.value?.at(-1))
  watch(find, () => void ask())
  return { find, clients, hasMore, trouble, load: () => ask(), more }
}
