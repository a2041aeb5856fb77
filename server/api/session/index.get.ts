import type { H3Event } from 'h3'
import { currentAccount, maySeeDemo, standingOf } from '../../utils/access'
import { capabilitiesOf } from '../../utils/capabilities'
import { demoAccount, type Account } from '../../db/access.sql'
import { salonsOf } from '../../db/branch.sql'
import { hasSalon, salonById } from '../../db/salon.sql'
import { inSalon } from '../../db/rows'
import { tilesOf } from '../../db/tablet.sql'
import { poolOf, useDb, worldOf } from '../../utils/db'
import { publicKey } from '../../utils/letters'
import { forgetTablet, tabletOf } from '../../utils/tablet'

/** Who is signed in, where, and whether there is a salon yet and a demo studio. Never a 401: a signed-out visitor may ask. */
export default defineEventHandler(async (event) => {
  const account = await currentAccount(event)
  const demo = maySeeDemo(event) && (await hasDemo())
  const salon =
    account &&
    (await inSalon(useDb(event), account.salon_id, (db) => salonById(db, account.salon_id)))
  const standing = await standingOf(event)
  const tablet = await tabletOf(event)
  const isRevoked = tablet?.isRevoked === true
  if (isRevoked) forgetTablet(event)
  return {
    demo,
    world: worldOf(event),
    /** Nobody has set up a salon of their own yet. */
    isNew: !(await hasSalon(poolOf('own'))),
    /** Called off on another device: what is held here goes at once. */
    revoked: standing.revoked || isRevoked,
    /** This browser is a tablet of the salon: who may work on it, by a name and a PIN. */
    tablet: tablet && !isRevoked ? await shown(event, tablet) : null,
    /** What letters are sealed to, and what says whose they are. */
    outbox: account ? { key: publicKey(), pass: standing.pass } : null,
    account: account ? shownAccount(account) : null,
    salon: salon ? shownSalon(salon) : null,
    /** The salons of the house in which they work, where there are several. */
    salons: account ? await salonsOf(useDb(event), account.id) : [],
  }
})

const shownAccount = (account: Account) => ({
  id: account.id,
  name: account.name,
  practitionerId: account.practitioner_id,
  /** Lifts a cover and signs with it, on a tablet. */
  hasPin: account.has_pin,
  /** In whose hands the tablet is: the client of this visit. */
  handedVisitId: account.handed_visit_id,
  /** Who may everything is asked for a second step; in the demo nobody is. */
  lacksSecondStep: account.role === 'owner' && !account.has_totp && !account.demo,
  can: capabilitiesOf(account.role),
})
const shownSalon = (salon: NonNullable<Awaited<ReturnType<typeof salonById>>>) => ({
  name: salon.name,
  timeZone: salon.time_zone,
  emergencyNumber: salon.emergency_number,
  address: salon.address,
  today: salon.today,
  measures: salon.measures,
  coverMinutes: salon.choices.coverMinutes,
  /** The schools this salon follows, by question. */
  methods: salon.choices.methods,
})

const shown = async (
  event: H3Event,
  { id, name, salonId, roomId }: NonNullable<Awaited<ReturnType<typeof tabletOf>>>,
) =>
  inSalon(useDb(event), salonId, async (db) => ({
    ...{ id, name, roomId, salon: (await salonById(db, salonId))!.name },
    people: await tilesOf(db, salonId),
  }))

/** Told by the database where it has been removed since this server was started. */
const NO_DATABASE = '3D000'

const hasDemo = async (): Promise<boolean> =>
  demoAccount(poolOf('demo')).then(
    (account) => account !== undefined,
    (error: { code?: unknown }) => {
      if (error.code === NO_DATABASE) return false
      throw error
    },
  )
