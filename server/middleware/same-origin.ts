import { Forbidden } from '#core/fault'

/** A change must come from our own pages: another site's form or script is refused before any route runs. */
export default defineEventHandler((event) => {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getRequestHeader(event, 'origin')
  if (origin !== undefined && hostOf(origin) !== getRequestHeader(event, 'host'))
    throw new Forbidden({ code: 'other_origin', detail: 'This request came from another site.' })
})

/** The host of an origin; undefined for one that is none, `null` of a sandboxed page among them. */
const hostOf = (origin: string): string | undefined =>
  URL.canParse(origin) ? new URL(origin).host : undefined
