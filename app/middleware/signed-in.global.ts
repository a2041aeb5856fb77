/** Pages that somebody sees who is not signed in. */
const isOpen = (path: string): boolean =>
  path === '/sign-in' || path === '/set-up' || path.startsWith('/join/')

export default defineNuxtRouteMiddleware(async (to) => {
  const session = useSessionStore()
  await session.load()
  if (session.account) {
    // In a client's hands nothing else is there.
    const { handed } = useGuardStore()
    const only = `/visits/${handed}/hand`
    if (handed) return to.path === only ? undefined : navigateTo(only)
    return isOpen(to.path) ? navigateTo('/') : undefined
  }
  // Nobody can sign in where there is no salon and no demo.
  if (to.path === '/sign-in' && session.isNew && !session.demo) return navigateTo('/set-up')
  if (to.path === '/set-up' && !session.isNew) return navigateTo('/sign-in')
  if (isOpen(to.path)) return
  const query = to.path === '/' ? {} : { back: to.fullPath }
  return navigateTo({ path: '/sign-in', query })
})
