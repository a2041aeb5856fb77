export { SHELF_COLUMNS } from './columns'
export { mergeRow } from './merge'
export { readShelfCsv } from './read'
export type { ShelfCsvRead, ShelfFault, ShelfRow } from './read'
export { shelfCsv } from './write'
export {
  CLIENT_FIELDS,
  clientsCsv,
  clientTable,
  columnsMissing,
  guessColumns,
  readClients,
} from './clients'
export type {
  ClientFault,
  ClientField,
  ClientRow,
  ClientsRead,
  ClientTable,
  ColumnMap,
} from './clients'
