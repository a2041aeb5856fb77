import { expose } from 'comlink'
import {
  clientTable,
  guessColumns,
  readClients,
  type ClientsRead,
  type ClientTable,
  type ColumnMap,
} from '#core/csv'
import { isVcard, VCARD_COLUMNS, vcardTable } from '../support/vcards'

interface Opened {
  readonly table: ClientTable
  readonly columns: ColumnMap
  readonly isVcard: boolean
}

const clientFiles = {
  /** A file as a table, with what its columns most likely hold. */
  open: (text: string): Opened => {
    if (isVcard(text)) return { table: vcardTable(text), columns: VCARD_COLUMNS, isVcard: true }
    const table = clientTable(text)
    return { table, columns: guessColumns(table.header), isVcard: false }
  },
  read: (
    table: ClientTable,
    setting: { columns: ColumnMap; monthFirst: boolean; today: string },
    onProgress: (done: number, of: number) => void,
  ): ClientsRead => readClients(table, { ...setting, onProgress }),
}
export type ClientFiles = typeof clientFiles
export type OpenedFile = Opened
expose(clientFiles)
