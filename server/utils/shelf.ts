import type { H3Event } from 'h3'
import type { z } from 'zod'
import type { Shelf } from '#core/catalog'
import { namedIn } from '#core/formats'
import type { Step } from '#core/protocol'
import { Invalid } from '#core/fault'
import { writeAudit } from '../db/access.sql'
import type { Db } from '../db/rows'
import { salonById } from '../db/salon.sql'
import { loadShelf } from '../db/shelf.sql'
import { saveDevice, saveKit, saveSupply } from '../db/things.sql'
import { defineDoor } from './door'

/** The shelf as it stands today, with everything these steps name. */
export const shelfToday = async (
  db: Db,
  salonId: string,
  steps: readonly Step[],
  eachKindMost?: number,
): Promise<Shelf> =>
  loadShelf(
    db,
    salonId,
    namedIn(steps).products,
    (await salonById(db, salonId))!.today,
    eachKindMost,
  )

/** The id in a shelf route's path: short, small letters, figures and hyphens. */
export function shelfId(event: H3Event): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^[a-z0-9][a-z0-9-]{0,59}$/.test(id))
    throw new Invalid({
      code: 'bad_id',
      detail: 'An id has at most sixty small letters, figures and hyphens.',
      path: 'id',
    })
  return id
}

const SAVE = { device: saveDevice, supply: saveSupply, kit: saveKit } as const

/** A route that writes one device, supply or kit whole. */
export function defineThingPut<Body extends z.ZodType<{ id: string; name: string }>>(
  thing: keyof typeof SAVE,
  model: Body,
) {
  return defineDoor({ can: 'shelf.write', body: model }, async ({ db, event, account, body }) => {
    const id = shelfId(event)
    if (body.id !== id)
      throw new Invalid({
        code: 'other_id',
        detail: 'The id in the body is not the one in the path.',
        path: 'id',
      })
    await SAVE[thing](db, account.salon_id, body)
    await writeAudit(db, account.id, `${thing}.write`, thing, id)
  })
}
