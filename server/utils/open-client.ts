import { Conflict, NotFound } from '#core/fault'
import { clientDetails } from '../db/clients.sql'
import type { Db } from '../db/rows'

/** A record that its client has closed: the law's needs and the owner's hand alone reach into it. */
export const isAtRest = (why: string): Conflict =>
  new Conflict({
    code: 'at_rest',
    detail: `This record is closed at the client’s wish: ${why}. The owner can open it again.`,
  })

const noClient = (isErased: boolean, path: string): NotFound =>
  new NotFound({
    code: 'no_client',
    detail: isErased
      ? 'This client was erased: nothing that names them is kept.'
      : 'There is no such client in this salon.',
    path,
  })

type Details = NonNullable<Awaited<ReturnType<typeof clientDetails>>>

/** A client of the salon, or 404; one whose record rests is refused too, unless it `mayRest`. `path`: where the id stood. */
export async function requireClient(
  db: Db,
  salonId: string,
  id: string | undefined,
  { path = 'id', mayRest = false } = {},
): Promise<Details> {
  const client = id === undefined ? undefined : await clientDetails(db, salonId, id)
  if (!client || client.isErased) throw noClient(client !== undefined, path)
  if (client.restricted !== null && !mayRest) throw isAtRest(client.restricted)
  return client
}
