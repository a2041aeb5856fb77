import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import type { Device } from '#core/catalog'
import { Conflict } from '#core/fault'
import {
  ClosedDay,
  Email,
  Opening,
  Password,
  PersonName,
  SalonFacts,
  ScopeEntry,
} from '#core/salon/model'
import { SignedOut } from './problem'
import {
  STARTER_CONSENTS,
  STARTER_DEVICES,
  STARTER_PRODUCTS,
  STARTER_SUPPLIES,
  starterCards,
} from '../../starter'
import { writeAudit } from '../db/access.sql'
import { publishText } from '../db/consent.sql'
import { addAccount, addPractitioner, setScope } from '../db/people.sql'
import { saveProducts } from '../db/product.sql'
import { addProtocol, publishVersion } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import {
  addRoom,
  setClosedDays,
  setOpenings,
  setSalonFacts,
  setTurnover,
  setUpSalon,
} from '../db/salon.sql'
import { saveDevice, saveSupply } from '../db/things.sql'

/** What somebody says who sets up a salon. Only the first part has to be told; the others have what most salons begin with. */
export const SetUp = z.strictObject({
  /** What `npm start` printed; spaces and hyphens do not matter. */
  code: z.string().max(40),
  you: z.strictObject({
    name: PersonName,
    email: Email,
    password: Password,
    /** Whether they perform treatments themselves. */
    performs: z.boolean(),
  }),
  salon: SalonFacts,
  hours: z.array(Opening).max(21),
  closedDays: z.array(ClosedDay).max(200),
  rooms: z.array(z.string().trim().min(1).max(60)).min(1).max(40),
  turnoverMinutes: z.number().int().min(0).max(60),
  deviceIds: z.array(z.string().max(60)).max(40),
  /** Longest use of a device on one zone, in minutes, as its maker says; left out: not said. */
  mostMinutes: z.record(z.string().max(60), z.number().positive().max(240)).default({}),
  scope: z.array(ScopeEntry).max(20),
  begin: z.enum(['starter', 'empty']),
})
export type SetUp = z.infer<typeof SetUp>

export interface Founded {
  readonly salonId: string
  readonly accountId: string
}

/** Makes the first salon with everything it begins with; all of it or nothing, inside a transaction of `salonId`. `today`: its date (ISO). */
export async function foundSalon(
  db: Db,
  { salonId, accountId }: Founded,
  wish: SetUp,
  { passwordHash, today }: { readonly passwordHash: string; readonly today: string },
): Promise<void> {
  const code = wish.code.toUpperCase().replaceAll(/[^0-9A-Z]/g, '')
  const outcome = await setUpSalon(db, code, { id: salonId, ...wish.salon })
  if (outcome !== 'made') throw refusalOf(outcome)
  await setSalonFacts(db, salonId, wish.salon)
  await setTurnover(db, salonId, wish.turnoverMinutes)
  await setOpenings(db, wish.hours)
  await setClosedDays(db, today, wish.closedDays)
  for (const name of new Set(wish.rooms)) await addRoom(db, randomUUID(), salonId, name)
  await addFounder(db, { salonId, accountId }, wish, passwordHash)
  await furnish(db, salonId, wish)
  await writeAudit(db, accountId, 'salon.set_up', 'salon', salonId, { begin: wish.begin })
}

function refusalOf(outcome: 'wrong' | 'done') {
  if (outcome === 'wrong')
    return new SignedOut({
      code: 'wrong_code',
      detail: 'That is not the code. It stands where the server was started, beside its address.',
      path: 'code',
    })
  return new Conflict({
    code: 'set_up_done',
    detail: 'Somebody has set up the salon already, and the code works once. Sign in.',
  })
}

async function addFounder(
  db: Db,
  { salonId, accountId }: Founded,
  { you, scope }: SetUp,
  passwordHash: string,
) {
  const { name, email } = you
  const practitionerId = you.performs ? randomUUID() : null
  if (practitionerId) {
    await addPractitioner(db, { id: practitionerId, salonId, name })
    await setScope(db, practitionerId, scope)
  }
  const role = 'owner' as const
  await addAccount(db, { id: accountId, salonId, email, name, role, practitionerId, passwordHash })
}

/** A kind of device with the limit of its maker, where that was told. */
const withMost = (kind: Device, maxMinutes: number | undefined): Device =>
  maxMinutes === undefined ? kind : { ...kind, maxMinutes }

/** Devices that are there, words of consent, and the starter library with its shelf where it is wanted. */
export async function furnish(
  db: Db,
  salonId: string,
  { deviceIds, mostMinutes, begin }: Pick<SetUp, 'deviceIds' | 'mostMinutes' | 'begin'>,
): Promise<void> {
  const wanted = new Set(deviceIds)
  for (const device of STARTER_DEVICES.filter(({ id }) => wanted.has(id)))
    await saveDevice(db, salonId, withMost(device, mostMinutes[device.id]))
  for (const text of STARTER_CONSENTS)
    await publishText(db, salonId, { id: randomUUID(), version: 1, ...text })
  if (begin === 'empty') return
  await saveProducts(db, salonId, STARTER_PRODUCTS)
  for (const supply of STARTER_SUPPLIES) await saveSupply(db, salonId, supply)
  for (const card of starterCards(wanted)) {
    await addProtocol(db, salonId, card.protocolId, card.name)
    await publishVersion(db, card, null)
  }
}
