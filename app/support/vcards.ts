import ICAL from 'ical.js'
import type { ClientTable, ColumnMap } from '#core/csv'

/** The columns of a table made from vCards. */
export const VCARD_COLUMNS: ColumnMap = ['name', 'bornOn', 'phone', 'email', 'address']
const HEADER = ['Name', 'Birthday', 'Telephone', 'E-mail', 'Address']

export const isVcard = (text: string): boolean => /^\uFEFF?\s*BEGIN:VCARD/i.test(text)

type Card = InstanceType<typeof ICAL.Component>

const textOf = (card: Card, name: string): string => {
  const value: unknown = card.getFirstPropertyValue(name)
  if (typeof value === 'string') return value
  return value === null || value === undefined ? '' : String(value)
}

/** Name in one line: as it is written out, else given name before family name (RFC 6350, 6.2.1 and 6.2.2). */
function nameOf(card: Card): string {
  const written = textOf(card, 'fn').trim()
  if (written) return written
  const parts: unknown = card.getFirstPropertyValue('n')
  if (!Array.isArray(parts)) return ''
  const [family, given] = parts as (string | string[])[]
  return [given, family].flat().filter(Boolean).join(' ')
}

/** The lines of a postal address, in the order it is written in (RFC 6350, 6.3.1). */
function addressOf(card: Card): string {
  const parts: unknown = card.getFirstPropertyValue('adr')
  return Array.isArray(parts) ? parts.flat().filter(Boolean).join(', ') : ''
}

/**
 * The cards of a file as a table: vCard 3.0 (RFC 2426) and 4.0 (RFC 6350), read by ical.js. Throws an Error in words for 2.1, which it cannot read,
 * and for what is no vCard.
 */
export function vcardTable(text: string): ClientTable {
  if (/^VERSION:2\.1\s*$/im.test(text))
    throw new Error('these are vCards of version 2.1. Export them as version 3.0 or 4.0.')
  const parsed = ICAL.parse(text) as unknown
  // One card comes alone, several as a list.
  const cards = (Array.isArray(parsed) && Array.isArray(parsed[0]) ? parsed : [parsed]) as object[]
  const lines = cards.map((jCard) => {
    const card = new ICAL.Component(jCard as never)
    const phone = textOf(card, 'tel').replace(/^tel:/i, '')
    const email = textOf(card, 'email').replace(/^mailto:/i, '')
    return [nameOf(card), textOf(card, 'bday'), phone, email, addressOf(card)]
  })
  return { header: HEADER, lines }
}
