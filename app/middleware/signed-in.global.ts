export default defineNuxtRouteMiddleware(async (to) => {
  const session = useSessionStore()
  await session.load()
  if (!session.account && to.path !== '/sign-in')
    return navigateTo({ path: '/sign-in', query: to.path === '/' ? {} : { back: to.fullPath } })
  if (session.account && to.path === '/sign-in') return navigateTo('/')
})
