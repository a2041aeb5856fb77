import type { H3Event } from 'h3'
import { deleteCookie, getCookie, setCookie } from 'h3'
import { tabletByToken } from '../db/tablet.sql'
import { useDb, worldOf } from './db'
import { tokenHash } from './token'
import { outsideOf } from './outside'

const MOST_DAYS = 400
/** One cookie a world: the demo's tablet is not one of the salon's own. */
const nameOf = (event: H3Event): string =>
  worldOf(event) === 'demo' ? 'zen-tablet-demo' : 'zen-tablet'

/** The tablet that this browser is, called off or not; undefined where it is none of the salon's. */
export async function tabletOf(event: H3Event) {
  const token = getCookie(event, nameOf(event))
  return token === undefined ? undefined : tabletByToken(useDb(event), tokenHash(token))
}

/** Makes this browser a tablet of the salon: what it holds says so, and nothing else does. */
export function keepTablet(event: H3Event, token: string): void {
  setCookie(event, nameOf(event), token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: outsideOf(event).isTls,
    path: '/',
    maxAge: MOST_DAYS * 86_400,
  })
}
export const forgetTablet = (event: H3Event): void =>
  deleteCookie(event, nameOf(event), { path: '/' })
