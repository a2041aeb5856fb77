import { randomUUID } from 'node:crypto'
import { addLink, linkByToken, type Link } from '../db/people.sql'
import type { H3Event } from 'h3'
import { Conflict, NotFound } from '#core/fault'
import type { Db } from '../db/rows'
import { maySeeDemo } from './access'
import { poolOf, type World } from './db'
import { newToken, tokenHash } from './token'

/** So long a link works. */
export const LINK_HOURS = 48

/** Makes a link that sets a password, for somebody of the salon; gives where it leads. */
export async function makeLink(
  db: Db,
  accountId: string,
  purpose: Link['purpose'],
  by: string,
): Promise<{ id: string; path: string; hours: number }> {
  const [id, token] = [randomUUID(), newToken()]
  const hash = tokenHash(token)
  await addLink(db, { id, accountId, purpose, tokenHash: hash, by, hours: LINK_HOURS })
  return { id, path: `/join/${token}`, hours: LINK_HOURS }
}

/** A link with the world it is of. */
export interface FoundLink {
  readonly world: World
  readonly link: Link
}

/** The link of a token, where it still works: of one's own salon, else of the demo studio where it may be seen. Refused in words where it does not. */
export async function workingLink(event: H3Event, token: string): Promise<FoundLink> {
  const hash = tokenHash(token)
  const own = await linkByToken(poolOf('own'), hash)
  if (own) return { world: 'own', link: working(own) }
  const demo = maySeeDemo(event) ? await linkByToken(poolOf('demo'), hash) : undefined
  if (demo) return { world: 'demo', link: working(demo) }
  throw new NotFound({
    code: 'no_link',
    detail: 'This link is not known here. Check that all of it was copied.',
  })
}

function working(link: Link): Link {
  if (link.isUsed)
    throw new Conflict({
      code: 'link_used',
      detail: 'This link was used already, or a newer one was made. Sign in, or ask for another.',
    })
  if (link.isLate)
    throw new Conflict({
      code: 'link_late',
      detail: `This link is older than ${LINK_HOURS} hours. Ask the owner for another.`,
    })
  return link
}
