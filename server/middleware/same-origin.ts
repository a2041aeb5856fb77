import type { H3Event } from 'h3'
import { Forbidden } from '#core/fault'
import { outsideOf } from '../utils/outside'

/** A change must come from our own pages: another site's form or script is refused before any route runs, and its reading of the interface too. */
export default defineEventHandler((event) => {
  const isReading = event.method === 'GET' || event.method === 'HEAD'
  if (isReading ? isOtherSitesReading(event) : isOtherSitesChange(event))
    throw new Forbidden({ code: 'other_origin', detail: 'This request came from another site.' })
})

/** What the browser itself says of where a request comes from (Fetch Metadata); undefined for what is no browser of today. */
const siteOf = (event: H3Event): string | undefined => getRequestHeader(event, 'sec-fetch-site')

function isOtherSitesChange(event: H3Event): boolean {
  const site = siteOf(event)
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true
  const origin = getRequestHeader(event, 'origin')
  return origin !== undefined && hostOf(origin) !== outsideOf(event).host
}

const isOtherSitesReading = (event: H3Event): boolean =>
  event.path.startsWith('/api/') && siteOf(event) === 'cross-site'

/** The host of an origin; undefined for one that is none, `null` of a sandboxed page among them. */
const hostOf = (origin: string): string | undefined =>
  URL.canParse(origin) ? new URL(origin).host : undefined
