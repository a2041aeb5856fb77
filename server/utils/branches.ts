import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import type { Supply } from '#core/catalog'
import { Conflict } from '#core/fault'
import { SalonFacts } from '#core/salon/model'
import type { Account } from '../db/access.sql'
import { writeAudit } from '../db/access.sql'
import { addBranch, salonsOf } from '../db/branch.sql'
import { newestTexts, publishText } from '../db/consent.sql'
import { addAccount, addPractitioner } from '../db/people.sql'
import { listProducts, saveProducts } from '../db/product.sql'
import { addProtocol, bookableCards, publishVersion } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import { addRoom, setSalonFacts } from '../db/salon.sql'
import { listDevices, listSupplies, saveDevice, saveSupply } from '../db/things.sql'
import { furnish } from './set-up'
import { notAllowed } from './access'

/** What is said of a branch before it opens. `copy`: cards, products, devices and words of consent as they are here, nothing of it counted. */
export const BranchWish = z.strictObject({
  salon: SalonFacts,
  room: z.string().trim().min(1).max(60),
  begin: z.enum(['copy', 'starter', 'empty']),
})
export type BranchWish = z.infer<typeof BranchWish>

/** Everything a salon would hand to a branch: nobody's data, and no stock. */
export async function handedOn(db: Db, salonId: string) {
  return {
    products: (await listProducts(db, salonId))
      .filter(({ archived }) => !archived)
      .map(({ product }) => product),
    devices: await listDevices(db, salonId),
    supplies: await listSupplies(db, salonId),
    cards: await bookableCards(db, salonId),
    texts: await newestTexts(db, salonId),
  }
}
type HandedOn = Awaited<ReturnType<typeof handedOn>>

/** Opens a branch whose owner is whoever asks; all of it or nothing, inside a transaction of `salonId`. Gives the owner's account there. */
export async function openBranch(
  db: Db,
  salonId: string,
  account: Account,
  { salon, room, begin }: BranchWish,
  handed: HandedOn,
): Promise<string> {
  if (!(await addBranch(db, account.id, { id: salonId, ...salon }))) throw notAllowed()
  await setSalonFacts(db, salonId, salon)
  await addRoom(db, randomUUID(), salonId, room)
  const [id, practitionerId] = [randomUUID(), account.practitioner_id && randomUUID()]
  const { name, email } = account
  if (practitionerId) await addPractitioner(db, { id: practitionerId, salonId, name })
  await addAccount(db, {
    ...{ id, salonId, email, name, practitionerId, role: 'owner' },
    ...{ passwordHash: '', homeId: account.home_id ?? account.id },
  })
  if (begin === 'copy') await take(db, salonId, handed)
  else await furnish(db, salonId, { deviceIds: [], mostMinutes: {}, begin })
  await writeAudit(db, id, 'salon.branch', 'salon', salonId, { begin })
  return id
}

const uncounted = (supply: Supply): Supply => ({ ...supply, stock: 0 })

async function take(db: Db, salonId: string, handed: HandedOn) {
  await saveProducts(db, salonId, handed.products)
  for (const device of handed.devices) await saveDevice(db, salonId, device)
  for (const supply of handed.supplies) await saveSupply(db, salonId, uncounted(supply))
  for (const card of handed.cards) {
    await addProtocol(db, salonId, card.protocolId, card.name)
    await publishVersion(db, { ...card, version: 1, id: `${card.protocolId}-v1` }, null)
  }
  for (const text of handed.texts)
    await publishText(db, salonId, { ...text, id: randomUUID(), version: 1 })
}

/** Throws a 409 for somebody whose way in belongs to another salon of the house: it is changed there, and holds here too. */
export async function requireHome(
  db: Db,
  {
    id,
    name,
    homeId,
  }: { readonly id: string; readonly name: string; readonly homeId: string | null },
): Promise<void> {
  if (homeId === null) return
  const home = (await salonsOf(db, id)).find(({ accountId }) => accountId === homeId)
  throw new Conflict({
    code: 'home_elsewhere',
    detail: `${name} signs in by an account of ${home?.name ?? 'another salon of this house'}. Password and second step are changed there, and hold here too.`,
  })
}
