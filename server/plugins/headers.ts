import { createHash } from 'node:crypto'
import { outsideOf } from '../utils/outside'

const A_YEAR_S = 31_536_000
const INLINE = /<script(?![^>]*\bsrc=)(?![^>]*application\/json)[^>]*>([\s\S]*?)<\/script>/g
/** The two style sheets that the chart package writes into the page (apexcharts 4.7.0: its own, and its legend's). Nothing else is styled inline. */
const CHART_STYLES = [
  "'sha256-TBymqJXQvXKxe+z+3ydUYBErlkFFu110c5FjiVB8p+M='",
  "'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='",
]

/** Security headers on every reply; the page's own inline scripts are named in its policy by hash, nothing else runs. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    setResponseHeaders(event, {
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'same-origin',
      'X-Frame-Options': 'DENY',
      'Cross-Origin-Opener-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(self), microphone=(), geolocation=(), screen-wake-lock=(self)',
    })
    if (event.path.startsWith('/api/'))
      setResponseHeader(event, 'Cache-Control', 'private, no-store')
    if (outsideOf(event).isTls)
      setResponseHeader(event, 'Strict-Transport-Security', `max-age=${A_YEAR_S}`)
  })
  nitro.hooks.hook('render:response', (response, { event }) => {
    // Nobody need know what it is made with.
    delete response.headers?.['x-powered-by']
    // The development server writes styles into the page and speaks over a socket of its own.
    if (import.meta.dev || typeof response.body !== 'string') return
    const hashes = [...response.body.matchAll(INLINE)].map(
      (match) =>
        `'sha256-${createHash('sha256')
          .update(match[1] ?? '')
          .digest('base64')}'`,
    )
    setResponseHeader(
      event,
      'Content-Security-Policy',
      `default-src 'self'; script-src 'self' ${hashes.join(' ')}; style-src 'self' ${CHART_STYLES.join(' ')}; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; worker-src 'self'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'`,
    )
  })
})
