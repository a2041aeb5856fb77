import type { H3Event } from 'h3'
import type { z } from 'zod'
import type { Shelf } from '#core/catalog'
import { namedIn } from '#core/formats'
import type { Step } from '#core/protocol'
import { Conflict, Invalid } from '#core/fault'
import { writeAudit } from '../db/access.sql'
import type { Db } from '../db/rows'
import { salonById } from '../db/salon.sql'
import { loadShelf } from '../db/shelf.sql'
import { saveDevice, saveKit, saveSupply } from '../db/things.sql'
import { requireCan } from './access'
import { useDb } from './db'
import { readJson } from './body'
import { parsed } from './problem'

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
  return defineEventHandler(async (event) => {
    const account = await requireCan(event, 'shelf.write')
    const id = shelfId(event)
    const body = parsed(model, await readJson(event))
    if (body.id !== id)
      throw new Invalid({
        code: 'other_id',
        detail: 'The id in the body is not the one in the path.',
        path: 'id',
      })
    if (!(await SAVE[thing](useDb(), account.salon_id, body)))
      throw new Conflict({
        code: 'taken',
        detail: 'This id is taken. Choose another name.',
        path: 'id',
      })
    await writeAudit(useDb(), account.id, `${thing}.write`, thing, id)
    return sendNoContent(event)
  })
}
