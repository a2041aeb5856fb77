import { call, type Reply } from '~/support/api'

export type Person = Reply<'/api/people'>[number]
interface Invitation {
  readonly name: string
  readonly email: string
  readonly role: string
  readonly performs: boolean
}

interface ShownLink {
  readonly personId: string
  readonly name: string
  readonly url: string
  readonly hours: number
}

/** Everybody who works here, and what an owner changes about them. A link that was just made is shown until another is. */
export function usePeople() {
  const { shown: people, trouble, done, change, reread } = useChanges(() => call('/api/people'))
  const link = ref<ShownLink>()

  const show = (
    personId: string,
    name: string,
    { path, hours }: { path: string; hours: number },
  ) => {
    link.value = { personId, name, url: `${window.location.origin}${path}`, hours }
  }
  async function invite(wish: Invitation) {
    const made = await change(() => call('/api/people', { method: 'post', body: wish }))
    if (made) show(made.id, wish.name, made.link)
    return made !== undefined
  }
  async function newLink({ id, name }: Person) {
    const made = await change(() =>
      call('/api/people/:id/links', { method: 'post', params: { id } }),
    )
    if (made) show(id, name, made)
    return made !== undefined
  }
  return { people, trouble, done, link, invite, newLink, reread, ...changesOf(change) }
}

type Change = ReturnType<typeof useChanges>['change']

/** What is changed about one person. */
function changesOf(change: Change) {
  const write = (
    { id, name, role, practitionerId, hazards, scope }: Person,
    performs = practitionerId !== null,
  ) => {
    const body = { name, role, performs, hazards, scope }
    return change(() => call('/api/people/:id', { method: 'put', params: { id }, body }))
  }
  const stand = ({ id }: Person, body: { locked: boolean } | { left: boolean }) =>
    change(() => call('/api/people/:id/standing', { method: 'put', params: { id }, body }))
  const setPassword = ({ id }: Person, password: string) =>
    change(async () => {
      await call('/api/people/:id/password', { method: 'put', params: { id }, body: { password } })
      return true
    })
  const noSecondStep = ({ id }: Person) =>
    change(() => call('/api/people/:id/second-step', { method: 'delete', params: { id } }))
  return { write, stand, setPassword, noSecondStep }
}
