import type { Account } from '../db/access.sql'

/** What each role may do. Every route names one of these, and every screen asks for one: nobody asks for a role. */
const MAY = {
  booking: ['owner', 'practitioner', 'assistant', 'front_desk'],
  'health.read': ['owner', 'practitioner', 'assistant'],
  'health.write': ['owner', 'practitioner'],
  perform: ['owner', 'practitioner', 'assistant'],
  sign: ['owner', 'practitioner'],
  'protocol.write': ['owner', 'practitioner'],
  'rules.write': ['owner'],
  'shelf.read': ['owner', 'practitioner', 'assistant', 'front_desk'],
  'shelf.write': ['owner', 'practitioner', 'assistant'],
  'cost.read': ['owner', 'practitioner'],
  'price.write': ['owner', 'practitioner'],
  'rates.write': ['owner'],
  'outbox.decide': ['owner'],
  /** Makes one client of two; takes files of clients in and out. */
  'client.merge': ['owner'],
  'client.files': ['owner'],
  /** A client's rights over their record: all of it as a file, that it rests, that it goes; and what has served its time. */
  'client.rights': ['owner'],
  /** Settings of the salon, its rooms and hours, and the demo. */
  'salon.write': ['owner'],
  /** Who works here, what they may do, and their tablets. */
  'people.write': ['owner'],
  /** Who saw or changed what. */
  'audit.read': ['owner'],
  /** One's own password, sessions and PIN. */
  'own.write': ['owner', 'practitioner', 'assistant', 'front_desk'],
} as const satisfies Record<string, readonly Account['role'][]>
export type Capability = keyof typeof MAY

const CAPABILITIES = Object.keys(MAY) as Capability[]

export const canDo = (role: Account['role'], capability: Capability): boolean =>
  (MAY[capability] as readonly string[]).includes(role)

/** Everything a role may do. */
export const capabilitiesOf = (role: Account['role']): Capability[] =>
  CAPABILITIES.filter((capability) => canDo(role, capability))
