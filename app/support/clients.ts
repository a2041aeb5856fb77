import { ageOn } from '#core/client'
import type { Reply } from '~/support/api'
import { shortDate } from './time'

export type ClientRecord = Reply<'/api/clients/:id'>
export type ClientDetails = Pick<
  ClientRecord,
  'name' | 'bornOn' | 'phone' | 'email' | 'address' | 'contact'
>

export const CONTACT_WORDS: Readonly<Record<ClientRecord['contact'][number], string>> = {
  phone: 'calls',
  text: 'text messages',
  email: 'e-mail',
  post: 'letters',
}

/** "38, born 14 May 1988". */
export const ageInWords = (bornOn: string, today: string): string =>
  `${ageOn(bornOn, today)}, born ${shortDate(bornOn)}`

/** The ways somebody agreed to, in words. */
export const contactInWords = (contact: ClientRecord['contact']): string =>
  contact.length === 0
    ? 'No consent to be contacted yet'
    : `Agreed to ${contact.map((way) => CONTACT_WORDS[way]).join(', ')}`

export const NO_DETAILS: ClientDetails = {
  ...{ name: '', bornOn: '', phone: '' },
  ...{ email: '', address: '', contact: [] },
}

/** What a record says of somebody, alone. */
export const detailsOf = (record: ClientDetails): ClientDetails => {
  const { name, bornOn, phone, email, address, contact } = record
  return { name, bornOn, phone, email, address, contact }
}

/** The parts of a record, in the order in which they stand. */
export const RECORD_PARTS = {
  ladder: 'The ladder',
  visits: 'Visits',
  health: 'Health',
  photographs: 'Photographs',
  papers: 'Papers',
} as const
export type RecordPart = keyof typeof RECORD_PARTS

interface Sees {
  readonly visits: boolean
  readonly health: boolean
  readonly rights: boolean
}
const NEEDS: Readonly<Record<RecordPart, keyof Sees>> = {
  ladder: 'health',
  visits: 'visits',
  health: 'health',
  photographs: 'health',
  papers: 'rights',
}
/** What of a record somebody may open: of one that rests, what the client may ask. */
export const partsFor = (sees: Sees): RecordPart[] =>
  (Object.keys(RECORD_PARTS) as RecordPart[]).filter((part) => sees[NEEDS[part]])
