/** A fault in a handler is told in the console, where a browser test sees it; without this Vue's production build keeps quiet about it. */
export default defineNuxtPlugin((nuxt) => {
  nuxt.hook('vue:error', (error, _instance, where) => {
    console.error(where, error)
  })
})
