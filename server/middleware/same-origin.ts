import { Forbidden } from '#core/fault'

/** A change must come from our own pages: another site's form or script is refused before any route runs. */
export default defineEventHandler((event) => {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getRequestHeader(event, 'origin')
  if (origin !== undefined && new URL(origin).host !== getRequestHeader(event, 'host'))
    throw new Forbidden({ code: 'other_origin', detail: 'This request came from another site.' })
})
