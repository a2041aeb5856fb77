import Papa from 'papaparse'
import { z } from 'zod'
import { dayWritten, folded } from '../client'
import { unquoted } from './cells'

/** What a column of a table of clients can hold. A name may stand in one column or in two. */
export const CLIENT_FIELDS = [
  'name',
  'givenName',
  'familyName',
  'bornOn',
  'phone',
  'email',
  'address',
] as const
export type ClientField = (typeof CLIENT_FIELDS)[number]
/** What each column of a file holds, in its order; null: nothing that is taken in. */
export type ColumnMap = readonly (ClientField | null)[]

export interface ClientTable {
  readonly header: readonly string[]
  readonly lines: readonly (readonly string[])[]
}
export interface ClientRow {
  readonly name: string
  readonly bornOn: string
  readonly phone: string
  readonly email: string
  readonly address: string
}
/** `row`: line of the table, the header being 1. */
export interface ClientFault {
  readonly row: number
  readonly field: ClientField | ''
  readonly says: string
}
export interface ClientsRead {
  readonly rows: readonly ClientRow[]
  readonly faults: readonly ClientFault[]
}

/** A text as a table: its first line names the columns. */
export function clientTable(text: string): ClientTable {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [header = [], ...lines] = parsed.data
  return { header: header.map((cell) => cell.trim()), lines }
}

/** Words that tables call their columns by, folded; the first that fits counts. */
const COLUMN_WORDS: Readonly<Record<ClientField, readonly string[]>> = {
  givenName: ['first name', 'firstname', 'given name', 'given', 'forename', 'vorname', 'prenom'],
  familyName: ['last name', 'lastname', 'surname', 'family name', 'nachname', 'nom de famille'],
  bornOn: ['born', 'birthday', 'birth date', 'birthdate', 'date of birth', 'dob', 'geburt'],
  phone: ['phone', 'mobile', 'cell', 'tel', 'telefon', 'number'],
  email: ['e-mail', 'email', 'mail'],
  address: ['address', 'street', 'adresse'],
  name: ['name', 'client', 'customer', 'full name'],
}

/** What the columns of a file most likely hold, each field once. */
export function guessColumns(header: readonly string[]): (ClientField | null)[] {
  const taken = new Set<ClientField>()
  return header.map((title) => {
    const word = folded(title.replaceAll(/[_.]+/g, ' '))
    const field = (Object.keys(COLUMN_WORDS) as ClientField[]).find(
      (name) => !taken.has(name) && COLUMN_WORDS[name].some((start) => word.startsWith(start)),
    )
    if (field) taken.add(field)
    return field ?? null
  })
}

/** Why a choice of columns will not do, in a sentence; undefined where it will. */
export function columnsMissing(columns: ColumnMap): string | undefined {
  const twice = CLIENT_FIELDS.find((field) => columns.filter((other) => other === field).length > 1)
  if (twice) return 'Two columns hold the same. Choose which of them counts.'
  const hasName = columns.includes('name') || columns.includes('familyName')
  if (!hasName) return 'Say which column holds the name.'
  return columns.includes('bornOn') ? undefined : 'Say which column holds the birthday.'
}

export interface ClientSetting {
  readonly columns: ColumnMap
  readonly monthFirst: boolean
  /** The salon's date (ISO). */
  readonly today: string
  readonly onProgress?: (done: number, of: number) => void
}

const PROGRESS_EVERY = 500
const MOST = { name: 120, phone: 40, email: 200, address: 300 } as const
const isEmail = (text: string): boolean => z.email().safeParse(text).success

type Cells = Partial<Record<ClientField, string>>

const nameOf = ({ name, givenName, familyName }: Cells): string =>
  [name, givenName, familyName].filter(Boolean).join(' ').replaceAll(/\s+/g, ' ').trim()

/** Reads a table of clients. Good rows and faults of the others come apart; nothing is guessed: what cannot be read is named by row. */
export function readClients({ lines }: ClientTable, setting: ClientSetting): ClientsRead {
  const rows: ClientRow[] = []
  const faults: ClientFault[] = []
  const rowOf = new Map<string, number>()
  for (const [at, line] of lines.entries()) {
    if (at % PROGRESS_EVERY === 0) setting.onProgress?.(at, lines.length)
    const row = at + 2
    const found = clientFrom(cellsOf(line, setting.columns), setting)
    if ('says' in found) {
      faults.push({ row, ...found })
      continue
    }
    const key = `${folded(found.name)} ${found.bornOn}`
    const earlier = rowOf.get(key)
    if (earlier !== undefined) {
      faults.push({ row, field: 'name', says: `The same name and birthday as in row ${earlier}.` })
      continue
    }
    rowOf.set(key, row)
    rows.push(found)
  }
  setting.onProgress?.(lines.length, lines.length)
  return { rows, faults }
}

function cellsOf(line: readonly string[], columns: ColumnMap): Cells {
  const cells: Cells = {}
  for (const [at, field] of columns.entries()) if (field) cells[field] = unquoted(line[at] ?? '')
  return cells
}

type Fault = Omit<ClientFault, 'row'>

function clientFrom(cells: Cells, { monthFirst, today }: ClientSetting): ClientRow | Fault {
  const name = nameOf(cells)
  const { bornOn: written = '', phone = '', email = '', address = '' } = cells
  if (name.length < 2) return { field: 'name', says: 'The name is missing.' }
  const bornOn = dayWritten(written, monthFirst)
  const row = { name, bornOn: bornOn ?? '', phone, email, address }
  for (const field of ['name', 'phone', 'email', 'address'] as const)
    if (row[field].length > MOST[field])
      return { field, says: `Longer than ${MOST[field]} characters.` }
  if (email && !isEmail(email)) return { field: 'email', says: `“${email}” is no e-mail address.` }
  return birthdayFault(written, bornOn, today) ?? row
}

function birthdayFault(
  written: string,
  bornOn: string | undefined,
  today: string,
): Fault | undefined {
  const field = 'bornOn' as const
  if (written === '') return { field, says: 'The birthday is missing.' }
  if (bornOn === undefined)
    return { field, says: `“${written}” is no day. Write for instance 1988-05-14.` }
  if (bornOn > today || bornOn < '1900-01-01')
    return { field, says: `${bornOn} is no birthday of anybody alive.` }
  return undefined
}

/** Clients as CSV, to be read back by the same columns; cells that a spreadsheet would run as formulas are quoted for it. */
export const clientsCsv = (rows: readonly ClientRow[]): string =>
  Papa.unparse(
    {
      fields: ['Name', 'Born on', 'Phone', 'E-mail', 'Address'],
      data: rows.map((row) => [row.name, row.bornOn, row.phone, row.email, row.address]),
    },
    { newline: '\r\n', escapeFormulae: true },
  )
