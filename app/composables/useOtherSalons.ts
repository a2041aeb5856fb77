import { refusalOf } from '~/support/api'

/** The other salons of the house in which whoever is signed in works, and the way over. */
export function useOtherSalons() {
  const session = useSessionStore()
  const refused = ref('')
  const others = computed(() =>
    session.salons.filter(({ accountId }) => accountId !== session.account?.id),
  )
  async function goTo(accountId: string) {
    refused.value = ''
    try {
      await session.enterSalon(accountId)
      await navigateTo('/')
    } catch (error) {
      refused.value = refusalOf(error).detail
    }
  }
  return { others, refused, goTo }
}
