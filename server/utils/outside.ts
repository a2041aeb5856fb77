import { getRequestHeader, type H3Event } from 'h3'
import { useConfig } from './config'

/** A request as it was outside of the house: what a proxy before the server says counts only where that proxy is trusted. */
export interface Outside {
  /** Network address of whoever asks. */
  readonly address: string
  /** The name the browser asked for, with its port. */
  readonly host: string
  readonly isTls: boolean
}

/** The last of a list that a proxy has written: what stands before it the asker may have made up. */
const last = (header: string | undefined): string | undefined => header?.split(',').at(-1)?.trim()

export function outsideOf(event: H3Event): Outside {
  const { trustedProxies, isTls } = useConfig()
  const remote = event.node.req.socket.remoteAddress ?? 'unknown'
  const host = getRequestHeader(event, 'host') ?? ''
  if (!trustedProxies.includes(remote)) return { address: remote, host, isTls }
  return {
    address: last(getRequestHeader(event, 'x-forwarded-for')) ?? remote,
    host: last(getRequestHeader(event, 'x-forwarded-host')) ?? host,
    isTls: isTls || last(getRequestHeader(event, 'x-forwarded-proto')) === 'https',
  }
}

const LOOPBACK_HOST = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d+)?$/i

/** True where nothing about a request speaks of anywhere but this machine: its host, what any proxy says of it, trusted or not, and no TLS. */
export function isLoopback(event: H3Event): boolean {
  const { host, isTls } = outsideOf(event)
  const forwarded = ['x-forwarded-host', 'forwarded'].flatMap(
    (name) => getRequestHeader(event, name) ?? [],
  )
  return !isTls && [host, ...forwarded].every((name) => LOOPBACK_HOST.test(name))
}
